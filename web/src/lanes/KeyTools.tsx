import { theCore } from '../core/load';
import type { Ease, KeyShape, MotionEdit } from '../core/types';
import type { ChannelInfo } from '../fields/NumberField';
import { TextNumber } from '../fields/TextNumber';
import { edit, useSequence } from '../sequence/store';
import { Tip } from '../shell/Tip';
import { chosen, copyKeys, curveOf, editKeys, laneOf, pasteKeys } from './chosen';

const SHAPES: { id: KeyShape; name: string }[] = [
  { id: 'hold', name: 'Hold' },
  { id: 'straight', name: 'Straight' },
  { id: 'smooth', name: 'Smooth' },
  { id: 'free', name: 'Free' },
];

/** Eases as pictures: time to the right, travel upwards. */
const EASES: { id: Ease; name: string; picture: string }[] = [
  { id: 'even', name: 'Even speed', picture: 'M3 17L21 3' },
  { id: 'slowStart', name: 'Slow start', picture: 'M3 17Q14 17 21 3' },
  { id: 'slowStop', name: 'Slow stop', picture: 'M3 17Q10 3 21 3' },
  { id: 'slowBoth', name: 'Slow start and stop', picture: 'M3 17C12 17 12 3 21 3' },
];

/** What can be done to the chosen keys. Nothing is shown while none is chosen. */
export function KeyTools() {
  useSequence((s) => s.chosenKeys);
  useSequence((s) => s.entities);
  const frame = useSequence((s) => s.frame);
  const picked = chosen();
  if (!picked.length) return null;
  const count = picked.reduce((n, p) => n + p.frames.length, 0);
  const first = picked[0];
  const keys = curveOf(first.id, first.channel)!.keys.filter((k) => first.frames.includes(k.frame));
  const info = (JSON.parse(theCore().channels(first.id, frame)) as ChannelInfo[]).find(
    (c) => c.address === first.channel,
  )!;
  const all = Object.fromEntries(picked.map((p) => [laneOf(p.id, p.channel), p.frames]));
  const do_ = (label: string, e: MotionEdit) => editKeys(label, picked, e);
  const moveBy = (frames: number, value: number): boolean => {
    const done = edit(
      'Move keys',
      ...picked.map((p, i) => ({
        kind: 'moveKeys' as const,
        id: p.id,
        channel: p.channel,
        frames: p.frames,
        byFrames: frames,
        byValue: i === 0 ? value : 0,
      })),
    );
    if (done && frames)
      useSequence.setState({
        chosenKeys: Object.fromEntries(Object.entries(all).map(([l, f]) => [l, f.map((x) => x + frames)])),
      });
    return done;
  };
  const button = (name: string, tip: string, work: () => void) => (
    <Tip text={tip}>
      <button className="pill" onClick={work}>
        {name}
      </button>
    </Tip>
  );
  return (
    <div className="key-tools" role="toolbar" aria-label="Chosen keys">
      <span className="muted">{count === 1 ? '1 key' : `${count} keys`}</span>
      <TextNumber
        label="Frame"
        unit="factor"
        value={keys[0].frame}
        onChange={(v) => moveBy(v - keys[0].frame, 0)}
      />
      <TextNumber
        label={info.label}
        unit={info.unit}
        value={keys[0].value}
        onChange={(v) => moveBy(0, v - keys[0].value)}
      />
      <div className="segments" role="group" aria-label="Key shape">
        {SHAPES.map((s) => {
          const on = keys.every((k) => k.shape === s.id);
          return (
            <button
              key={s.id}
              className={on ? 'on' : ''}
              aria-pressed={on}
              onClick={() =>
                edit(
                  `${s.name} keys`,
                  ...picked.map((p) => ({
                    kind: 'shapeKeys' as const,
                    id: p.id,
                    channel: p.channel,
                    frames: p.frames,
                    shape: s.id,
                  })),
                )
              }
            >
              {s.name}
            </button>
          );
        })}
      </div>
      <div className="segments" role="group" aria-label="Ease from these keys to the next">
        {EASES.map((e) => (
          <Tip key={e.id} text={`${e.name}, from each chosen key to the next`}>
            <button aria-label={e.name} onClick={() => do_(e.name, { kind: 'easeSegments', ease: e.id })}>
              <svg width={24} height={20} viewBox="0 0 24 20" aria-hidden>
                <path d={e.picture} fill="none" stroke="currentColor" strokeWidth={2} strokeLinecap="round" />
              </svg>
            </button>
          </Tip>
        ))}
      </div>
      {button('Flat', 'Level handles: the motion rests at these keys', () =>
        do_('Flat keys', { kind: 'flatten' }),
      )}
      {button('Join', 'The two handles turn together', () =>
        do_('Join handles', { kind: 'join', joined: true }),
      )}
      {button('Break', 'Each handle turns alone', () =>
        do_('Break handles', { kind: 'join', joined: false }),
      )}
      {button('Softer', 'Longer handles, each key about itself', () =>
        do_('Softer keys', { kind: 'soften', factor: 1.25 }),
      )}
      {button('Harder', 'Shorter handles, each key about itself', () =>
        do_('Harder keys', { kind: 'soften', factor: 0.8 }),
      )}
      {button('Mirror', 'In time, about the present frame', () =>
        do_('Mirror keys', { kind: 'mirror', about: Math.round(frame) }),
      )}
      {button('Snap', 'To whole frames', () => do_('Snap keys to frames', { kind: 'snap' }))}
      <TextNumber
        label="× time"
        unit="factor"
        value={1}
        onChange={(v) =>
          do_('Scale in time', { kind: 'scale', about: Math.round(frame), time: v, aboutValue: 0, value: 1 })
        }
      />
      <TextNumber
        label="× value"
        unit="factor"
        value={1}
        onChange={(v) =>
          do_('Scale values', {
            kind: 'scale',
            about: Math.round(frame),
            time: 1,
            aboutValue: info.value,
            value: v,
          })
        }
      />
      {button('Copy', 'Copy these keys (Ctrl+C)', copyKeys)}
      {button('Paste', 'Paste copied keys here, first on this frame (Ctrl+V)', () =>
        pasteKeys(picked.map((p) => laneOf(p.id, p.channel))),
      )}
      {button('Remove', 'Remove these keys (Delete)', () =>
        edit(
          'Remove keys',
          ...picked.map((p) => ({
            kind: 'removeKeys' as const,
            id: p.id,
            channel: p.channel,
            frames: p.frames,
          })),
        ),
      )}
    </div>
  );
}
