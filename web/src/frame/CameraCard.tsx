import type { Camera } from '../core/types';
import { cameraFrom, cameraFromView } from '../roster/create';
import { edit, mayKey, useSequence } from '../sequence/store';
import { Tip } from '../shell/Tip';
import { setViewPose } from '../views/setViewPose';
import { placed, remember } from './history';

/** The camera as a thing: its icon, and where it takes its place from. */
export function CameraCard({ camera }: { camera: Camera }) {
  const frame = useSequence((s) => s.frame);
  const look = (next: Partial<Camera>, label: string) =>
    edit(label, { kind: 'replace', entity: { ...camera, ...next } });
  return (
    <div className="card" style={{ borderLeftColor: camera.colour }} data-card="camera">
      <div className="card-head">
        <span className="card-name">Camera</span>
        <input
          type="color"
          aria-label="Colour of the camera"
          value={camera.colour}
          onChange={(e) => look({ colour: e.target.value }, 'Camera colour')}
        />
        <input
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
            if (letter !== camera.letter && !look({ letter }, 'Camera letter'))
              e.target.value = camera.letter;
          }}
        />
      </div>
      <div className="line">
        <span className="line-label">Icon</span>
        <input
          type="range"
          aria-label="Size of the icon"
          min={0.2}
          max={4}
          step={0.1}
          value={camera.iconSize}
          onChange={(e) => look({ iconSize: Number(e.target.value) }, 'Icon size')}
        />
        <span className="mono muted">{`× ${camera.iconSize}`}</span>
      </div>
      <div className="buttons">
        <Tip text="Put this camera where the set view looks from">
          <button
            className="pill"
            onClick={() => {
              remember(camera.id);
              edit('Match the set view', placed(camera.id, { ...setViewPose(), frame }));
            }}
          >
            Match the set view
          </button>
        </Tip>
        <Tip text="A new camera where the set view looks from">
          <button className="pill" onClick={cameraFromView}>
            New from the set view
          </button>
        </Tip>
        <Tip text="A new camera with this one’s lens, rig and motion">
          <button className="pill" onClick={() => cameraFrom(camera.id)}>
            New from this one
          </button>
        </Tip>
      </div>
      <p className="says">
        {mayKey()
          ? 'Moves put keys on this frame.'
          : 'Moves change fixed places, and keys where there are keys.'}
      </p>
    </div>
  );
}
