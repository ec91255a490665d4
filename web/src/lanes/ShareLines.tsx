import type { Attention, Camera, Cue, Light } from '../core/types';
import { preview } from '../session/document';
import { useHandles } from '../kit/dragging';

/** Shares snap to these while a line is dragged. */
const SNAP = 0.05;
const GRIP = 9;

/** Lines between the shares of a cue's hold: dragged up and down, one subject gives to the next. */
export function ShareLines({
  camera,
  part,
  cue,
  from,
  width,
  height,
}: {
  /** A camera, or a light that is aimed. */
  camera: Camera | Light;
  part: Pick<Attention, 'id' | 'subjects'>;
  cue: Cue;
  from: number;
  width: number;
  height: number;
}) {
  const handle = useHandles();
  if (width < 6) return null;
  const ids = part.subjects.map((s) => s.entity);
  const shares = ids.map((id) => cue.mix[id] ?? 0);
  // lines that fall together are one: which of them is meant shows in the way it is dragged
  const lines: { y: number; indices: number[] }[] = [];
  shares.reduce((below, share, i) => {
    const y = below + share;
    const same = lines.find((l) => Math.abs(l.y - y) < 1e-6);
    if (same) same.indices.push(i);
    else lines.push({ y, indices: [i] });
    return y;
  }, 0);
  const move = (indices: number[], by: number) => {
    const i = by < 0 ? indices[0] : indices[indices.length - 1];
    const rest = Math.max(0, 1 - shares.reduce((a, b) => a + b, 0));
    const give = i + 1 < ids.length ? shares[i + 1] : rest;
    const wanted = Math.round((shares[i] + by) / SNAP) * SNAP;
    const share = Math.max(0, Math.min(shares[i] + give, wanted));
    const next = shares.map((v, k) =>
      k === i ? share : k === i + 1 ? Math.max(0, v - (share - shares[i])) : v,
    );
    const mix = Object.fromEntries(
      ids.map((id, k): [string, number] => [id, Math.round(next[k] * 1e4) / 1e4]).filter(([, v]) => v > 0),
    );
    preview('Shares of a cue', {
      kind: 'putCue',
      camera: camera.id,
      part: part.id,
      cue: { ...cue, mix },
    });
  };
  return (
    <>
      {lines.map(({ y, indices }) => (
        <rect
          key={y}
          x={from}
          width={width}
          y={Math.max(0, Math.min(height - GRIP, y * height - GRIP / 2))}
          height={GRIP}
          fill="transparent"
          style={{ cursor: 'ns-resize' }}
          data-share={`${cue.frame}/${indices[0]}`}
          {...handle(() => ({ moved: (_, dy) => move(indices, dy / height) }))}
        >
          <title>Drag up or down: the shares of the two beside this line</title>
        </rect>
      ))}
    </>
  );
}
