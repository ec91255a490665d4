import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { dropPressed, keepPressed, setCutting, usePressed } from '../doing/cutting';
import { joinNext, liftShot, loopShot, newShot, removeShot, splitHere } from '../doing/reel';
import { Bare } from '../kit/Bare';
import { Chip } from '../kit/Chip';
import { Menu } from '../kit/Menu';
import { Pill } from '../kit/Pill';
import { Segments } from '../kit/Segments';
import { Tip } from '../kit/Tip';
import { camerasOf } from '../session/cameras';
import { useSequence, type Cutting } from '../session/state';
import { openWindow } from '../session/windows';
import { useWithKeys } from '../shortcuts/words';
import { CutNotesMenu } from './CutNotesMenu';
import './lanes.css';

const LETTERS: { value: Cutting; shows: string; tip: string }[] = [
  { value: 'off', shows: 'Keys', tip: 'Letters are keys as on other desks' },
  { value: 'on', shows: 'Letters cut', tip: 'A camera’s letter cuts to it, also while it plays' },
  {
    value: 'practice',
    shows: 'Practice',
    tip: 'As Letters cut, but the reel stays as it is until you keep it',
  },
];

/** What is done with shots of the reel. */
export function ReelTools() {
  const withKeys = useWithKeys();
  const mayEdit = useSequence((s) => s.mayEdit);
  const cutting = useSequence((s) => s.cutting);
  const loop = useSequence((s) => s.loop);
  const entities = useSequence((s) => s.entities);
  const pressed = usePressed((s) => s.presses);
  const [at, setAt] = useState<HTMLElement | null>(null);
  const tool = (words: string, keys: string, work: () => void, name: string) => (
    <Tip text={keys}>
      <Pill disabled={!mayEdit} onClick={work} aria-label={words}>
        {name}
      </Pill>
    </Tip>
  );
  const put = (how: 'insert' | 'overwrite' | 'append', camera: string | null) => () => {
    setAt(null);
    newShot(how, camera);
  };
  return (
    <>
      {cutting === 'practice' && pressed ? (
        <>
          <Pill tone="coral" onClick={keepPressed}>
            {pressed === 1 ? 'Keep this cut' : `Keep ${pressed} cuts`}
          </Pill>
          <Pill onClick={dropPressed}>Drop them</Pill>
        </>
      ) : null}
      <CutNotesMenu />
      <Pill disabled={!mayEdit} aria-haspopup="menu" onClick={(e) => setAt(e.currentTarget)}>
        New shot
      </Pill>
      <Menu open={at !== null} anchorEl={at} onClose={() => setAt(null)}>
        {(['insert', 'overwrite', 'append'] as const).flatMap((how) => [
          <MenuItem key={how} disabled dense>
            {{ insert: 'Insert here', overwrite: 'Lay over what is here', append: 'Behind all' }[how]}
          </MenuItem>,
          <div key={`${how} cameras`} className="cut-chips menu-chips">
            {camerasOf(entities).map((c) => (
              <Tip key={c.id} text={c.name}>
                <Bare
                  className="badge"
                  style={{ background: c.colour }}
                  aria-label={`${how} a shot of camera ${c.letter}`}
                  onClick={put(how, c.id)}
                >
                  {c.letter}
                </Bare>
              </Tip>
            ))}
            <Tip text="A gap">
              <Bare className="badge more" aria-label={`${how} a gap`} onClick={put(how, null)}>
                –
              </Bare>
            </Tip>
          </div>,
        ])}
      </Menu>
      {tool('Split the shot', withKeys('Two shots, cut on the playhead', 'split'), splitHere, 'Split')}
      {tool('Join with the next', withKeys('One shot of this and the next', 'join'), joinNext, 'Join')}
      {tool('Lift the shot', withKeys('A gap in its place', 'lift'), liftShot, 'Lift')}
      {tool('Remove the shot', withKeys('What follows closes up', 'remove'), removeShot, 'Remove')}
      <Segments name="What letters do" value={cutting} of={LETTERS} onChoose={setCutting} />
      <Tip text={withKeys('This shot over and over, or all again', 'loopShot')}>
        <Chip on={loop !== null} onClick={loopShot}>
          Over and over
        </Chip>
      </Tip>
      <Tip text="Codes in tens in the order of the reel; what changes is shown first">
        <Pill disabled={!mayEdit} onClick={() => openWindow({ kind: 'renumber' })}>
          Codes…
        </Pill>
      </Tip>
    </>
  );
}
