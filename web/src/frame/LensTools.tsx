import type { ReactNode } from 'react';
import type { Camera } from '../core/types';
import { edit } from '../session/document';
import { mayKey } from '../session/laneState';
import { useSequence, type LensTool } from '../session/state';
import { lensCamera, setView } from '../session/view';
import { useWithKeys } from '../shortcuts/words';
import * as Icon from '../kit/icons';
import { Tip } from '../kit/Tip';
import { hasView, remember, stepView } from '../doing/earlierViews';
import { IconAction } from '../kit/IconAction';
import './frame.css';

const TOOLS: { tool: LensTool; name: string; does: string; icon: () => ReactNode }[] = [
  { tool: 'turn', name: 'Turn', does: 'Drag pans and tilts in place', icon: Icon.Turn },
  { tool: 'orbit', name: 'Orbit', does: 'Drag (or Ctrl+drag) goes round the subject', icon: Icon.Orbit },
  { tool: 'truck', name: 'Truck', does: 'Drag (or Shift+drag) trucks and pedestals', icon: Icon.Truck },
  { tool: 'dolly', name: 'Dolly', does: 'Drag up (or the wheel) nears the subject', icon: Icon.Dolly },
  { tool: 'roll', name: 'Roll', does: 'Drag rolls about the axis', icon: Icon.Roll },
  {
    tool: 'zoom',
    name: 'Zoom',
    does: 'Drag up (or Alt+wheel) lengthens the lens; the camera stays',
    icon: Icon.Zoom,
  },
];

/** Takes the roll out of the camera that is looked through. */
export function level(): void {
  const s = useSequence.getState();
  const camera = lensCamera(s);
  if (!camera) return;
  remember(camera);
  edit('Level the horizon', { kind: 'level', camera, frame: s.frame, key: mayKey() });
}

/** What a drag in the lens view does, the level, and the way back to earlier views. */
export function LensTools({ camera }: { camera: Camera }) {
  const withKeys = useWithKeys();
  const tool = useSequence((s) => s.lensTool);
  const earlier = useSequence(() => hasView(camera.id, -1));
  const later = useSequence(() => hasView(camera.id, 1));
  const locked = camera.locked ? `Camera ${camera.letter} is locked` : '';
  return (
    <div className="lens-tools" role="toolbar" aria-label="Moving the camera">
      {TOOLS.map((t) => (
        <Tip key={t.tool} text={locked || withKeys(t.does, `lens-${t.tool}`)}>
          <IconAction
            on={tool === t.tool}
            aria-label={t.name}
            aria-pressed={tool === t.tool}
            disabled={locked !== ''}
            onClick={() => setView({ lensTool: t.tool })}
          >
            <t.icon />
          </IconAction>
        </Tip>
      ))}
      <Tip text={locked || withKeys('Take the roll out: level the horizon', 'level')}>
        <IconAction aria-label="Level the horizon" disabled={locked !== ''} onClick={level}>
          <Icon.Level />
        </IconAction>
      </Tip>
      <Tip text={withKeys('Back to this camera’s earlier view', 'earlierView')}>
        <IconAction aria-label="Earlier view" disabled={!earlier} onClick={() => stepView(camera.id, -1)}>
          <Icon.Back />
        </IconAction>
      </Tip>
      <Tip text={withKeys('Forward again', 'laterView')}>
        <IconAction aria-label="Later view" disabled={!later} onClick={() => stepView(camera.id, 1)}>
          <Icon.Forward />
        </IconAction>
      </Tip>
      <Tip text={camera.locked ? 'Unlock this camera' : 'Lock everything about this camera'}>
        <IconAction
          lit={camera.locked}
          aria-label={camera.locked ? 'Unlock the camera' : 'Lock the camera'}
          aria-pressed={camera.locked}
          onClick={() => edit('Lock', { kind: 'lock', ids: [camera.id], locked: !camera.locked })}
        >
          {camera.locked ? <Icon.Lock /> : <Icon.Unlock />}
        </IconAction>
      </Tip>
    </div>
  );
}
