import { chooseKeys } from '../session/selection';
import { Segments } from '../kit/Segments';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { Menu } from '../kit/Menu';
import type { Ease, KeyShape, MotionEdit } from '../core/types';
import { core } from '../session/evaluated';
import { TextNumber } from '../fields/TextNumber';
import { edit } from '../session/document';
import { useSequence } from '../session/state';
import { keysSaid } from '../shortcuts/words';
import { chosen, copyKeys, curveOf, editKeys, laneOf, pasteKeys, removeChosen } from './chosen';
import { Pill } from '../kit/Pill';
import './lanes.css';

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
  'use no memo';
  useSequence((s) => s.chosenKeys);
  useSequence((s) => s.selected);
  useSequence((s) => s.openLanes);
  useSequence((s) => s.entities);
  const frame = useSequence((s) => s.frame);
  const [menu, setMenu] = useState<HTMLElement | null>(null);
  const picked = chosen();
  if (!picked.length) return null;
  const count = picked.reduce((n, p) => n + p.frames.length, 0);
  const first = picked[0];
  const keys = curveOf(first.id, first.channel)!.keys.filter((k) => first.frames.includes(k.frame));
  const info = core()
    .channels(first.id, frame)
    .find((c) => c.address === first.channel)!;
  const all = Object.fromEntries(picked.map((p) => [laneOf(p.id, p.channel), p.frames]));
  const does = (label: string, e: MotionEdit) => editKeys(label, picked, e);
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
      chooseKeys(Object.fromEntries(Object.entries(all).map(([l, f]) => [l, f.map((x) => x + frames)])));
    return done;
  };
  const item = (name: string, about: string, work: () => void) => (
    <MenuItem
      onClick={() => {
        setMenu(null);
        work();
      }}
    >
      <div>
        <strong>{name}</strong>
        <div className="muted" style={{ fontSize: 12 }}>
          {about}
        </div>
      </div>
    </MenuItem>
  );
  return (
    <div className="key-tools" role="toolbar" aria-label="Chosen keys">
      <span className="muted">{count === 1 ? '1 key' : `${count} keys`}</span>
      <TextNumber
        label="Frame"
        unit="frame"
        value={keys[0].frame}
        onChange={(v) => moveBy(v - keys[0].frame, 0)}
      />
      <TextNumber
        label={info.label}
        unit={info.unit}
        value={keys[0].value}
        onChange={(v) => moveBy(0, v - keys[0].value)}
      />
      <Segments
        name="Key shape"
        value={SHAPES.find((s) => keys.every((k) => k.shape === s.id))?.id ?? null}
        of={SHAPES.map((s) => ({ value: s.id, shows: s.name }))}
        onChoose={(shape) =>
          edit(
            `${SHAPES.find((s) => s.id === shape)!.name} keys`,
            ...picked.map((p) => ({
              kind: 'shapeKeys' as const,
              id: p.id,
              channel: p.channel,
              frames: p.frames,
              shape,
            })),
          )
        }
      />
      <Segments
        name="Ease from these keys to the next"
        value={null}
        of={EASES.map((e) => ({
          value: e.id,
          name: e.name,
          tip: `${e.name}, from each chosen key to the next`,
          shows: (
            <svg width={24} height={20} viewBox="0 0 24 20" aria-hidden>
              <path d={e.picture} fill="none" stroke="currentColor" strokeWidth={2} strokeLinecap="round" />
            </svg>
          ),
        }))}
        onChoose={(ease) => does(EASES.find((e) => e.id === ease)!.name, { kind: 'easeSegments', ease })}
      />
      <Pill aria-haspopup="menu" onClick={(e) => setMenu(e.currentTarget)}>
        More
      </Pill>
      <Menu open={menu !== null} anchorEl={menu} onClose={() => setMenu(null)}>
        {item('Flat', 'Level handles: the motion rests at these keys', () =>
          does('Flat keys', { kind: 'flatten' }),
        )}
        {item('Join', 'The two handles turn together', () =>
          does('Join handles', { kind: 'join', joined: true }),
        )}
        {item('Break', 'Each handle turns alone', () =>
          does('Break handles', { kind: 'join', joined: false }),
        )}
        {item('Softer', 'Longer handles, each key about itself', () =>
          does('Softer keys', { kind: 'soften', factor: 1.25 }),
        )}
        {item('Harder', 'Shorter handles, each key about itself', () =>
          does('Harder keys', { kind: 'soften', factor: 0.8 }),
        )}
        {item('Mirror', 'In time, about the present frame', () =>
          does('Mirror keys', { kind: 'mirror', about: Math.round(frame) }),
        )}
        {item('Snap', 'To whole frames', () => does('Snap keys to frames', { kind: 'snap' }))}
        {item('Copy', keysSaid('copy'), copyKeys)}
        {item('Paste', `Into these lanes, the first on this frame · ${keysSaid('paste')}`, () => pasteKeys())}
        {item('Remove', keysSaid('remove'), removeChosen)}
        <div className="menu-part" onKeyDown={(e) => e.key !== 'Escape' && e.stopPropagation()}>
          <div className="numbers">
            <TextNumber
              label="Times as long, about this frame"
              unit="factor"
              value={1}
              onChange={(v) =>
                does('Scale in time', {
                  kind: 'scale',
                  about: Math.round(frame),
                  time: v,
                  aboutValue: 0,
                  value: 1,
                })
              }
            />
            <TextNumber
              label="Times as much, about this value"
              unit="factor"
              value={1}
              onChange={(v) =>
                does('Scale values', {
                  kind: 'scale',
                  about: Math.round(frame),
                  time: 1,
                  aboutValue: info.value,
                  value: v,
                })
              }
            />
          </div>
        </div>
      </Menu>
    </div>
  );
}
