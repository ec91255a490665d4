import type { ReactNode } from 'react';
import type { Camera } from '../core/types';
import { edit, mayKey, useSequence, type LensTool } from '../sequence/store';
import * as Icon from '../shell/icons';
import { Tip } from '../shell/Tip';
import { hasView, remember, stepView } from './history';
import { IconAction } from '../kit/IconAction';

const TOOLS: { tool: LensTool; name: string; does: string; icon: () => ReactNode }[] = [
  { tool: 'turn', name: 'Turn', does: 'Drag pans and tilts in place (T)', icon: Icon.Turn },
  { tool: 'orbit', name: 'Orbit', does: 'Drag goes round the subject (O, or Ctrl+drag)', icon: Icon.Orbit },
  { tool: 'truck', name: 'Truck', does: 'Drag trucks and pedestals (K, or Shift+drag)', icon: Icon.Truck },
  { tool: 'dolly', name: 'Dolly', does: 'Drag up nears the subject (D, or the wheel)', icon: Icon.Dolly },
  { tool: 'roll', name: 'Roll', does: 'Drag rolls about the axis (R)', icon: Icon.Roll },
  {
    tool: 'zoom',
    name: 'Zoom',
    does: 'Drag up lengthens the lens; the camera stays (Z, or Alt+wheel)',
    icon: Icon.Zoom,
  },
];

/** What a drag in the lens view does, the level, and the way back to earlier views. */
export function LensTools({ camera }: { camera: Camera }) {
  const tool = useSequence((s) => s.lensTool);
  const frame = useSequence((s) => s.frame);
  useSequence((s) => s.version);
  const locked = camera.locked ? `Camera ${camera.letter} is locked` : '';
  return (
    <div className="lens-tools" role="toolbar" aria-label="Moving the camera">
      {TOOLS.map((t) => (
        <Tip key={t.tool} text={locked || t.does}>
          <IconAction
            on={tool === t.tool}
            aria-label={t.name}
            aria-pressed={tool === t.tool}
            disabled={locked !== ''}
            onClick={() => useSequence.setState({ lensTool: t.tool })}
          >
            <t.icon />
          </IconAction>
        </Tip>
      ))}
      <Tip text={locked || 'Take the roll out: level the horizon'}>
        <IconAction
          aria-label="Level the horizon"
          disabled={locked !== ''}
          onClick={() => {
            remember(camera.id);
            edit('Level the horizon', { kind: 'level', camera: camera.id, frame, key: mayKey() });
          }}
        >
          <Icon.Level />
        </IconAction>
      </Tip>
      <Tip text="Back to this camera’s earlier view">
        <IconAction
          aria-label="Earlier view"
          disabled={!hasView(camera.id, -1)}
          onClick={() => stepView(camera.id, -1)}
        >
          <Icon.Back />
        </IconAction>
      </Tip>
      <Tip text="Forward again">
        <IconAction
          aria-label="Later view"
          disabled={!hasView(camera.id, 1)}
          onClick={() => stepView(camera.id, 1)}
        >
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
