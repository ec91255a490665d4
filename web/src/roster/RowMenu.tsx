import Divider from '@mui/material/Divider';
import MenuItem from '@mui/material/MenuItem';
import type { Entity } from '../core/types';
import { Menu } from '../kit/Menu';
import { useSequence } from '../session/state';
import { useWithKeys } from '../shortcuts/words';
import { MORE } from '../doing/withSelection';
import { switchesOf } from './switches';

/** What can be done with a row of the roster. */
export function RowMenu({
  at,
  onClose,
  onRename,
  entity,
}: {
  at: { left: number; top: number };
  onClose: () => void;
  onRename: () => void;
  entity: Entity;
}) {
  const mayEdit = useSequence((s) => s.mayEdit);
  const withKeys = useWithKeys();
  const choose = (work: () => void) => () => {
    onClose();
    work();
  };
  return (
    <Menu open onClose={onClose} anchorReference="anchorPosition" anchorPosition={at}>
      <MenuItem disabled={!mayEdit} onClick={choose(onRename)}>
        Rename (F2)
      </MenuItem>
      {switchesOf(entity).map((s) => (
        <MenuItem key={s.says} disabled={!mayEdit} onClick={choose(s.turn)}>
          {s.says}
        </MenuItem>
      ))}
      <Divider />
      {MORE.filter((m) => m.fits(entity)).map((m) => (
        <MenuItem key={m.name} disabled={!mayEdit && !m.looks} onClick={choose(m.run)}>
          {m.keys ? withKeys(m.name, m.keys) : m.name}
        </MenuItem>
      ))}
    </Menu>
  );
}
