import { Words } from '../kit/Words';
import type { Camera, Command } from '../core/types';
import { Slider } from '../fields/Slider';
import { Swatch } from '../fields/Swatch';
import { cameraFrom, cameraFromView } from '../doing/create';
import { edit } from '../session/document';
import { mayKey } from '../session/laneState';
import { useSequence } from '../session/state';
import { LayerChoice } from '../fields/LayerChoice';
import { Tip } from '../kit/Tip';
import { setViewPose } from '../doing/setViewPose';
import { placed, remember } from '../doing/earlierViews';
import { Pill } from '../kit/Pill';
import './frame.css';

/** The camera as a thing: its icon, and where it takes its place from. */
export function CameraCard({ camera }: { camera: Camera }) {
  const frame = useSequence((s) => s.frame);
  const as = (next: Partial<Camera>): Command => ({ kind: 'replace', entity: { ...camera, ...next } });
  const keys = useSequence(mayKey);
  return (
    <div className="card" style={{ borderLeftColor: camera.colour }} data-card="camera">
      <div className="card-head">
        <span className="card-name">Camera</span>
        <Swatch label="Colour of the camera" value={camera.colour} commands={(colour) => [as({ colour })]} />
        <Words
          className="short mono"
          aria-label="Camera letter"
          defaultValue={camera.letter}
          key={camera.letter}
          maxLength={2}
          onKeyDown={(e) => {
            e.stopPropagation();
            if (e.key === 'Enter') e.currentTarget.blur();
          }}
          onBlur={(e) => {
            const letter = e.target.value.trim().toUpperCase();
            if (letter !== camera.letter && !edit('Camera letter', as({ letter })))
              e.target.value = camera.letter;
          }}
        />
      </div>
      <div className="line">
        <span className="line-label">Icon</span>
        <Slider
          label="Size of the icon"
          does="Icon size"
          least={0.2}
          most={4}
          step={0.1}
          value={camera.iconSize}
          commands={(iconSize) => [as({ iconSize })]}
        />
        <span className="mono muted">{`× ${camera.iconSize}`}</span>
      </div>
      <LayerChoice thing={camera} />
      <div className="buttons">
        <Tip text="Put this camera where the set view looks from">
          <Pill
            onClick={() => {
              remember(camera.id);
              edit('Match the set view', placed(camera.id, { ...setViewPose(), frame }));
            }}
          >
            Match the set view
          </Pill>
        </Tip>
        <Tip text="A new camera where the set view looks from">
          <Pill onClick={cameraFromView}>New from the set view</Pill>
        </Tip>
        <Tip text="A new camera with this one’s lens, rig and motion">
          <Pill onClick={() => cameraFrom(camera.id)}>New from this one</Pill>
        </Tip>
      </div>
      <p className="says">
        {keys ? 'Moves put keys on this frame.' : 'Moves change fixed places, and keys where there are keys.'}
      </p>
    </div>
  );
}
