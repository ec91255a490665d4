import MenuItem from '@mui/material/MenuItem';
import { MenuButton } from '../kit/MenuButton';
import type { ReactNode } from 'react';
import type { Camera, RigPart } from '../core/types';
import { useChannels } from '../fields/NumberField';
import { useSequence } from '../session/state';
import { Approved } from './Approved';
import { Editing } from '../kit/Editing';
import { PartCard } from './PartCard';
import { addPart, PARTS } from '../doing/parts';
import { ReadyRigs } from './ReadyRigs';
import { TrimsLine } from './TrimControls';
import './rig.css';

/**
 * A camera's equipment from the lens at the top down to the ground.
 *
 * @param optics cards of its lens and focus
 * @param picture what is said of its picture, for those who only look as well
 * @param body cards of the camera itself
 */
export function RigStack({
  camera,
  optics,
  picture,
  body,
}: {
  camera: Camera;
  optics: ReactNode;
  picture: ReactNode;
  body: ReactNode;
}) {
  const channels = useChannels(camera.id);
  const of = (p: RigPart) => channels.filter((c) => c.address.startsWith(`${p.id}/`));
  return (
    <>
      <div className="panel-head">
        <span className="badge" style={{ background: camera.colour }}>
          {camera.letter}
        </span>
        <span className="name grow" title={camera.name}>
          {camera.name}
        </span>
        <ReadyRigs camera={camera} />
        <AddPart camera={camera} />
      </div>
      <Approved id={camera.id} name={`camera ${camera.letter}`} />
      <div className="scroll">
        <Editing of={camera.id}>{optics}</Editing>
        {picture}
        <Editing of={camera.id}>
          {body}
          <TrimsLine camera={camera} />
          {[...camera.rig].reverse().map((p) => (
            <PartCard key={p.id} camera={camera} part={p} channels={of(p)} />
          ))}
        </Editing>
        <div className="ground" aria-hidden />
      </div>
    </>
  );
}

function AddPart({ camera }: { camera: Camera }) {
  const mayEdit = useSequence((s) => s.mayEdit && !s.approvals[camera.id]);
  return (
    <MenuButton name="+ Part" tip="Put a part on the stack" disabled={!mayEdit}>
      {(close) =>
        (Object.keys(PARTS) as RigPart['kind'][]).map((k) => (
          <MenuItem
            key={k}
            onClick={() => {
              close();
              addPart(camera, k);
            }}
          >
            <div>
              <strong>{PARTS[k].name}</strong>
              <div className="muted" style={{ fontSize: 12 }}>
                {PARTS[k].for}
              </div>
            </div>
          </MenuItem>
        ))
      }
    </MenuButton>
  );
}
