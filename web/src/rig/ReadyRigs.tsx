import { pick } from '../session/selection';
import MenuItem from '@mui/material/MenuItem';
import { MenuButton } from '../kit/MenuButton';
import type { Camera, ReadyRig } from '../core/types';
import { aboutSubject } from '../doing/about';
import { core } from '../session/evaluated';
import { newId } from '../session/ids';
import { editProposed } from '../session/proposals';
import { say } from '../session/said';
import { useSequence } from '../session/state';
import { openRecipes } from '../session/view';
import { SavedRigEntries } from './SavedRigs';

/** Stacks made in one action; `asks` is the click a kind needs first. */
const RIGS: { kind: ReadyRig; name: string; for: string; asks?: string }[] = [
  { kind: 'tripod', name: 'Tripod', for: 'Base and head' },
  { kind: 'slider', name: 'Slider', for: 'A straight move in any heading, one curve' },
  { kind: 'rail', name: 'Dolly on rail', for: 'A rail on the ground ahead, to bend as you like' },
  { kind: 'crane', name: 'Crane', for: 'An arm that booms, with a levelled head' },
  { kind: 'orbit', name: 'Orbit', for: 'Round a subject', asks: 'Click what the camera orbits' },
  {
    kind: 'riding',
    name: 'Riding',
    for: 'On a vehicle or anything that moves',
    asks: 'Click what the camera rides',
  },
  {
    kind: 'following',
    name: 'Following a subject',
    for: 'Goes with it and keeps it where it is in frame',
    asks: 'Click the subject to follow',
  },
  { kind: 'handheld', name: 'Handheld', for: 'Someone holds the camera' },
  {
    kind: 'travelling',
    name: 'Travelling between framings',
    for: 'From this place to the cameras selected with it, or to all',
  },
  { kind: 'trimmed', name: 'Tripod with trims', for: 'For notes on a finished move' },
];

export function makeReadyRig(camera: Camera, kind: ReadyRig): void {
  const rig = RIGS.find((r) => r.kind === kind)!;
  const make = (subject: string) => {
    const { frame, selected } = useSequence.getState();
    editProposed(`${rig.name} for camera ${camera.letter}`, () =>
      core().readyRig(camera.id, kind, subject, newId('path'), selected, frame),
    );
  };
  if (!rig.asks) make('');
  else {
    const near = aboutSubject();
    const name = near ? useSequence.getState().entities[near]?.name : '';
    pick(`${rig.asks}${name ? `, e.g. ${name}` : ''}`, (hit) => make(hit.id));
  }
}

/** The menu of ready-made rigs: the camera stays where it is, its old stack goes. */
export function ReadyRigs({ camera }: { camera: Camera }) {
  const mayEdit = useSequence((s) => s.mayEdit);
  return (
    <MenuButton
      name="Ready-made"
      tip="A whole stack in one click, on the camera’s present place"
      disabled={!mayEdit}
    >
      {(close) => [
        ...RIGS.map((r) => (
          <MenuItem
            key={r.kind}
            onClick={() => {
              close();
              if (camera.locked) say(`Camera ${camera.letter} is locked. Unlock it in the roster.`, true);
              else makeReadyRig(camera, r.kind);
            }}
          >
            <div>
              <strong>{r.name}</strong>
              <div className="muted" style={{ fontSize: 12 }}>
                {r.for}
              </div>
            </div>
          </MenuItem>
        )),
        <SavedRigEntries key="saved" camera={camera} onDone={close} />,
        <MenuItem
          key="recipe"
          onClick={() => {
            close();
            openRecipes();
          }}
        >
          <div>
            <strong>By a recipe …</strong>
            <div className="muted" style={{ fontSize: 12 }}>
              Ready-made ones ask what they are about
            </div>
          </div>
        </MenuItem>,
      ]}
    </MenuButton>
  );
}

export const readyRigNames = RIGS;
