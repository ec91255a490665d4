import MenuItem from '@mui/material/MenuItem';
import { ADDED } from '../doing/adding';
import { MenuButton } from '../kit/MenuButton';
import { useSequence } from '../session/state';
import './roster.css';

/** Everything that can be added to the sequence. */
export function AddMenu() {
  const mayEdit = useSequence((s) => s.mayEdit);
  return (
    <MenuButton name="+ Add" tip="Add to the sequence" disabled={!mayEdit} listClass="add-menu">
      {(close) =>
        ADDED.map((a) => (
          <MenuItem
            key={a.name}
            dense
            onClick={() => {
              close();
              a.run();
            }}
          >
            {a.name}
          </MenuItem>
        ))
      }
    </MenuButton>
  );
}
