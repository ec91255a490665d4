import type { Camera } from '../core/types';
import { useCore } from '../session/evaluated';
import { heldArrows, useHandles } from '../kit/dragging';
import { preview } from '../session/document';
import { mayKey } from '../session/laneState';
import { useSequence } from '../session/state';
import { Bare } from '../kit/Bare';
import './frame.css';

const STEP = 0.01;

/** Where in the frame attention puts its subject: a ring to drag. */
export function AimPlace({
  camera,
  frame,
}: {
  camera: Camera;
  frame: { left: number; top: number; width: number; height: number };
}) {
  const at = useSequence((s) => s.frame);
  const handle = useHandles();
  const shown = useSequence((s) => s.ghosts && !s.playing && s.mayEdit);
  const part = camera.rig.findLast((p) => p.kind === 'attention' && p.on && p.cues.length > 0);
  const channels = useCore((c) => (shown && part ? c.channels(camera.id, at) : []));
  if (!shown || !part || camera.locked) return null;
  const value = (name: string) => channels.find((c) => c.address === `${part.id}/${name}`)?.value ?? 0.5;
  const [across, down] = [value('across'), value('down')];
  const to = (x: number, y: number) => {
    const set = (name: string, v: number) => ({
      kind: 'setValue' as const,
      id: camera.id,
      channel: `${part.id}/${name}`,
      frame: at,
      value: Math.max(0, Math.min(1, Math.round(v * 1000) / 1000)),
      key: mayKey(),
    });
    return [set('across', x), set('down', y)];
  };
  return (
    <Bare
      className="aim-place"
      aria-label="Place in frame"
      title="Where attention puts its subject: drag, or move with the arrow keys"
      style={{ left: frame.left + across * frame.width, top: frame.top + down * frame.height }}
      {...handle(() => ({
        moved: (dx, dy) =>
          preview('Place in frame', ...to(across + dx / frame.width, down + dy / frame.height)),
      }))}
      onKeyDown={(e) => {
        heldArrows(e, (x, y) => preview('Place in frame', ...to(across + x * STEP, down + y * STEP)));
      }}
    />
  );
}
