import { Words } from '../kit/Words';
import { approvedOn } from '../session/approvals';
import { useId, useRef, useState } from 'react';
import MenuItem from '@mui/material/MenuItem';
import { Menu } from '../kit/Menu';
import { Refused } from '../core/answer';
import { core, useCore, useShowNumber } from '../session/evaluated';
import type { ChannelInfo, Command, Unit } from '../core/types';
import { commitPreview, edit, endPreview, preview } from '../session/document';
import { mayKey, openLane } from '../session/laneState';
import { say, takeRefusal } from '../session/said';
import { useSequence } from '../session/state';
import { KiteKey } from '../kit/icons';
import { Tip } from '../kit/Tip';
import { useHandles } from '../kit/dragging';
import { Fault, faulty } from './Fault';
import { IconAction } from '../kit/IconAction';
import './fields.css';

const LOOKING = 'You may look here but not change.';

/** How much one pixel, wheel notch or arrow press changes each kind of number. */
export const STEP: Record<Unit, number> = {
  metres: 0.02,
  millimetres: 0.5,
  degrees: 0.5,
  hertz: 0.1,
  seconds: 0.1,
  decibels: 0.5,
  percent: 0.5,
  fStop: 0.1,
  factor: 0.02,
  share: 0.01,
};

/** Reads a number as typed; null after saying why it cannot be read. */
function read(text: string, unit: Unit, current: number): number | null {
  try {
    return core().readNumber(text, unit, current);
  } catch (e) {
    if (!(e instanceof Refused)) throw e;
    say(e.message, true);
    return null;
  }
}

/** One number: type it, drag its label, use arrows or the wheel; the kite puts a key. */
export function NumberField({ id, channel, name }: { id: string; channel: ChannelInfo; name: string }) {
  const [text, setText] = useState<string | null>(null);
  const [fault, setFault] = useState('');
  const handle = useHandles();
  const faultId = useId();
  const [menu, setMenu] = useState<{ left: number; top: number } | null>(null);
  const leaving = useRef(false);
  const frame = useSequence((s) => s.frame);
  const mayEdit = useSequence((s) => s.mayEdit);
  const { address, unit, value } = channel;
  const other = Math.abs(channel.inEffect - value) > 1e-9 * Math.max(1, Math.abs(value));
  const decided = other ? channel.decidedBy : '';
  const approval = useSequence((s) => s.approvals[id]);
  const fixed =
    channel.locked || decided || (mayEdit ? '' : LOOKING) || (approval ? `${approvedOn(approval)}.` : '');
  const show = useShowNumber();
  const showing = show(decided ? channel.inEffect : value, unit);
  const label = `${channel.label} of ${name}`;
  // what is selected with this one and is of its kind is set alike
  const alike = (): string[] => {
    const { selected, entities } = useSequence.getState();
    if (!selected.includes(id) || address.includes('/')) return [id];
    return selected.filter((x) => entities[x]?.kind === entities[id].kind);
  };
  const commands = (v: number, key = mayKey()): Command[] =>
    alike().map((x) => ({ kind: 'setValue', id: x, channel: address, frame, value: v, key }));
  const keyHere = useSequence((s) => {
    const c = channelOf(s.entities[id], address);
    return typeof c === 'object' && c.keys.some((k) => k.frame === frame);
  });
  const lockable = useSequence((s) => {
    const e = s.entities[id];
    return e?.kind === 'camera' && !e.locked;
  });
  const clamp = (v: number) => Math.max(channel.least, Math.min(channel.most, v));
  const commit = () => {
    if (text === null || leaving.current) return true;
    const v = text.trim() === showing ? value : read(text, unit, value);
    if (v === null || (v !== value && !edit(`Set ${label}`, ...commands(v)))) {
      setFault(takeRefusal());
      return false;
    }
    setText(null);
    setFault('');
    return true;
  };
  /** Gives the keyboard back to the desk; what was typed is taken already, or given up. */
  const leave = (input: HTMLInputElement) => {
    leaving.current = true;
    input.blur();
    leaving.current = false;
  };
  const nudged = (direction: number, big: boolean) =>
    commands(clamp(value + direction * STEP[unit] * (big ? 10 : 1)));
  const toggleKey = () =>
    edit(
      keyHere ? `Remove a key of ${label}` : `Key ${label}`,
      keyHere
        ? { kind: 'removeKeys', id, channel: address, frames: [frame] }
        : { kind: 'setValue', id, channel: address, frame, value, key: true },
    );
  const choose = (work: () => void) => () => {
    setMenu(null);
    work();
  };
  return (
    <div
      className={`field ${channel.keyed ? 'keyed' : ''} ${fixed ? 'locked' : ''}`}
      onContextMenu={(e) => {
        e.preventDefault();
        setMenu({ left: e.clientX, top: e.clientY });
      }}
    >
      <span
        className="field-label"
        {...handle(() =>
          fixed
            ? null
            : {
                moved: (dx, _, now) =>
                  preview(
                    `Set ${label}`,
                    ...commands(clamp(value + dx * STEP[unit] * (now.shiftKey ? 10 : 1))),
                  ),
              },
        )}
      >
        {channel.label}
        {channel.locked ? ' · locked' : ''}
        {other ? (
          <span className="in-effect" title={decided || 'The number in effect, with what lies over it'}>
            {decided ? ' · follows' : ` · now ${show(channel.inEffect, unit)}`}
          </span>
        ) : null}
      </span>
      <Words
        title={fixed || undefined}
        readOnly={fixed !== ''}
        aria-label={label}
        {...faulty(faultId, fault)}
        data-channel={address}
        value={text ?? showing}
        onFocus={(e) => e.currentTarget.select()}
        onChange={(e) => {
          setText(e.target.value);
          setFault('');
        }}
        onBlur={() => {
          commitPreview();
          commit();
        }}
        onWheel={(e) =>
          !fixed &&
          document.activeElement === e.currentTarget &&
          edit(`Set ${label}`, ...nudged(-Math.sign(e.deltaY), e.shiftKey))
        }
        onKeyDown={(e) => {
          if (e.key === 'Enter') {
            if (commit()) leave(e.currentTarget);
          } else if (e.key === 'Escape') {
            endPreview();
            setText(null);
            setFault('');
            leave(e.currentTarget);
          } else if (!fixed && (e.key === 'ArrowUp' || e.key === 'ArrowDown')) {
            e.preventDefault();
            // a held arrow shows each step and is one edit when it is let go
            preview(`Set ${label}`, ...nudged(e.key === 'ArrowUp' ? 1 : -1, e.shiftKey));
          }
          e.stopPropagation();
        }}
        onKeyUp={(e) => (e.key === 'ArrowUp' || e.key === 'ArrowDown') && commitPreview()}
      />
      <Tip text={keyHere ? 'Take the key on this frame away' : 'Put a key on this frame'}>
        <IconAction
          size="small"
          lit={keyHere}
          aria-label={`Key ${label}`}
          data-key={address}
          aria-pressed={keyHere}
          disabled={!mayEdit}
          onClick={toggleKey}
        >
          <KiteKey />
        </IconAction>
      </Tip>
      <Fault id={faultId} text={fault} />
      <Menu
        open={menu !== null}
        onClose={() => setMenu(null)}
        anchorReference="anchorPosition"
        anchorPosition={menu ?? undefined}
      >
        <MenuItem disabled={!mayEdit} onClick={choose(toggleKey)}>
          {keyHere ? 'Take this key away' : 'Put a key here'}
        </MenuItem>
        <MenuItem
          disabled={!channel.keyed || !mayEdit}
          onClick={choose(() =>
            edit(`Clear keys of ${label}`, { kind: 'setChannel', id, channel: address, value }),
          )}
        >
          Clear all keys, keep this value
        </MenuItem>
        <MenuItem
          disabled={!mayEdit}
          onClick={choose(() =>
            edit(`Reset ${label}`, { kind: 'setChannel', id, channel: address, value: channel.initial }),
          )}
        >
          Reset
        </MenuItem>
        <MenuItem onClick={choose(() => void navigator.clipboard?.writeText(core().showNumber(value, unit)))}>
          Copy
        </MenuItem>
        {lockable ? (
          <MenuItem
            disabled={!mayEdit}
            onClick={choose(() =>
              edit(`${channel.locked ? 'Unlock' : 'Lock'} ${label}`, {
                kind: 'lockChannels',
                camera: id,
                channels: [address],
                locked: !channel.locked,
              }),
            )}
          >
            {channel.locked ? 'Unlock' : 'Lock'}
          </MenuItem>
        ) : null}
        <MenuItem disabled={!channel.keyed} onClick={choose(() => openLane(`${id}:${address}`))}>
          Open its lane
        </MenuItem>
      </Menu>
    </div>
  );
}

/** The channel at an address of an entity, as the document has it; undefined when never set. */
export function channelOf(
  e: import('../core/types').Entity | undefined,
  address: string,
): import('../core/types').Channel | undefined {
  if (!e || !('channels' in e)) return undefined;
  const slash = address.indexOf('/');
  if (slash < 0) return e.channels[address];
  return e.kind === 'camera'
    ? e.rig.find((p) => p.id === address.slice(0, slash))?.channels[address.slice(slash + 1)]
    : undefined;
}

/** Every channel of an entity at the present frame. */
export function useChannels(id: string): ChannelInfo[] {
  return useCore((c) => c.channels(id, useSequence.getState().frame));
}

/** A block of number fields. */
export function Fields({ id, name, channels }: { id: string; name: string; channels: ChannelInfo[] }) {
  return (
    <div className="fields">
      {channels.map((c) => (
        <NumberField key={c.address} id={id} name={name} channel={c} />
      ))}
    </div>
  );
}
