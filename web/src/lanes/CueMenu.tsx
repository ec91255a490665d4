import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { Menu } from '../kit/Menu';
import type { Camera, Cue, CueEdit, Light } from '../core/types';
import { core } from '../session/evaluated';
import { TextNumber } from '../fields/TextNumber';
import { editProposed } from '../session/proposals';
import { useSequence } from '../session/state';
import * as Icon from '../kit/icons';
import { IconAction } from '../kit/IconAction';
import './lanes.css';

/** What can be done to all cues of a lane in time, as the Motion menu does it to keys. */
export function CueMenu({
  camera,
  part,
  name,
  cues,
}: {
  /** A camera, or a light that is aimed. */
  camera: Camera | Light;
  part: string;
  name: string;
  cues: Cue[];
}) {
  'use no memo';
  const [at, setAt] = useState<HTMLElement | null>(null);
  const frame = useSequence((s) => Math.round(s.frame));
  const mayEdit = useSequence((s) => s.mayEdit);
  const run = (label: string, edit: CueEdit, amount: number): boolean =>
    editProposed(`${label}: ${name.toLowerCase()} of ${camera.name}`, () =>
      core().cueMotion(camera.id, part, edit, amount, frame),
    );
  return (
    <>
      <IconAction
        size="tiny"
        aria-label={`All cues of ${name}`}
        title="All cues of this lane: takes, stretch, repeat"
        aria-haspopup="menu"
        disabled={!mayEdit || cues.length === 0}
        onClick={(e) => setAt(e.currentTarget)}
      >
        <Icon.More />
      </IconAction>
      <Menu open={at !== null} anchorEl={at} onClose={() => setAt(null)}>
        <div className="menu-part" onKeyDown={(e) => e.key !== 'Escape' && e.stopPropagation()}>
          <div className="numbers">
            <TextNumber
              label="Takes, frames"
              unit="frames"
              value={core().cueLength(camera.id, part)}
              onChange={(v) => run('Takes', 'fitTo', v)}
            />
            <TextNumber
              label={`Times as long, about ${frame}`}
              unit="factor"
              value={1}
              onChange={(v) => run('Stretch', 'stretch', v)}
            />
          </div>
        </div>
        {[1, 3].map((times) => (
          <MenuItem
            key={times}
            onClick={() => {
              setAt(null);
              run('Repeat', 'repeat', times);
            }}
          >
            {times === 1 ? 'Repeat once more' : `Repeat ${times} times more`}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
