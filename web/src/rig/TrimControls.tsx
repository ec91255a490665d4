import { Words } from '../kit/Words';
import { Choose } from '../kit/Choose';
import { Tick } from '../kit/Tick';
import type { Camera, Trim } from '../core/types';
import { TextNumber } from '../fields/TextNumber';
import { inShot, useCore } from '../session/evaluated';
import { useProgramme } from '../session/programme';
import { edit } from '../session/document';
import { newId } from '../session/ids';
import { useSequence } from '../session/state';
import { Pill } from '../kit/Pill';

/** Notes that come again and again, with the trim each is usually answered by. */
const NOTES: { label: string; channels: Trim['channels'] }[] = [
  { label: 'push in a little', channels: { dolly: 0.3 } },
  { label: 'pull back a little', channels: { dolly: -0.3 } },
  { label: 'a little higher', channels: { pedestal: 0.2 } },
  { label: 'a little lower', channels: { pedestal: -0.2 } },
  { label: 'more on the left', channels: { pan: 2 } },
  { label: 'more on the right', channels: { pan: -2 } },
  { label: 'longer lens', channels: { focal: 5 } },
];

/** A note becomes a trim on top of the stack. */
export function noteTrim(camera: Camera, label: string, channels: Trim['channels']): boolean {
  return edit(`Note: ${label || 'a trim'}`, {
    kind: 'addPart',
    camera: camera.id,
    part: { kind: 'trim', id: newId('trim'), on: true, label, span: null, takes: [], channels },
    index: camera.rig.length,
  });
}

/** A trim's label, and the stretch it holds on. */
export function TrimControls({ camera, part }: { camera: Camera; part: Trim }) {
  const header = useSequence((s) => s.header);
  const set = (label: string, next: Trim): boolean =>
    edit(label, { kind: 'setPart', camera: camera.id, part: next });
  const entities = useSequence((s) => s.entities);
  const span = part.span;
  const shown = part.takes.length > 1 ? 'several' : (part.takes[0] ?? '');
  const takes = useProgramme().flatMap((p) => {
    const shot = entities[p.id];
    if (shot?.kind !== 'shot') return [];
    return shot.takes
      .filter((t) => t.camera === camera.id)
      .map((t) => ({ value: inShot(shot.id, t.id), shows: `Only in ${shot.name}, take ${t.name}` }));
  });
  const number = (label: string, key: 'first' | 'last' | 'fadeIn' | 'fadeOut') => (
    <TextNumber
      label={label}
      unit={key === 'first' || key === 'last' ? 'frame' : 'frames'}
      value={span![key]}
      onChange={(v) => set('When the trim holds', { ...part, span: { ...span!, [key]: v } })}
    />
  );
  const there = takes.filter((t) => part.takes.includes(t.value));
  const here =
    there.length > 1
      ? `Only in ${there.length} takes`
      : (there[0]?.shows ?? 'Only in a take that is gone: nowhere');
  return (
    <>
      <Words
        className="search"
        aria-label="Note of the trim"
        placeholder="What it is for"
        maxLength={200}
        defaultValue={part.label}
        key={part.label}
        onKeyDown={(e) => {
          e.stopPropagation();
          if (e.key === 'Enter') e.currentTarget.blur();
        }}
        onBlur={(e) =>
          e.target.value !== part.label && set('Note of a trim', { ...part, label: e.target.value })
        }
      />
      <Choose
        aria-label="Where the trim shows"
        value={shown}
        onChange={(e) =>
          set('Where the trim shows', { ...part, takes: e.target.value ? [e.target.value] : [] })
        }
      >
        <option value="">Wherever the camera is seen</option>
        {takes.map((t) => (
          <option key={t.value} value={t.value}>
            {t.shows}
          </option>
        ))}
        {shown && !takes.some((t) => t.value === shown) ? <option value={shown}>{here}</option> : null}
      </Choose>
      <Tick
        checked={span !== null}
        onChange={(e) =>
          set('When the trim holds', {
            ...part,
            span: e.target.checked
              ? { first: header.firstFrame, last: header.lastFrame, fadeIn: 12, fadeOut: 12 }
              : null,
          })
        }
      >
        Only for a stretch of frames
      </Tick>
      {span ? (
        <div className="numbers">
          {number('From', 'first')}
          {number('To', 'last')}
          {number('Comes over', 'fadeIn')}
          {number('Goes over', 'fadeOut')}
        </div>
      ) : null}
    </>
  );
}

/** The sum of the trims, a switch for all of them, and a note in two clicks. */
/** Trims that were on when all were switched off together: only they come on again. */
const wereOn = new Set<string>();

export function TrimsLine({ camera }: { camera: Camera }) {
  const frame = useSequence((s) => s.frame);
  const trims = camera.rig.filter((p) => p.kind === 'trim');
  const on = trims.some((t) => t.on);
  const sum = useCore((c) => c.trimsSay(camera.id, frame));
  return (
    <div className="line padded">
      <Choose
        aria-label="Answer a note with a trim"
        value=""
        onChange={(e) => {
          const n = NOTES.find((x) => x.label === e.target.value);
          noteTrim(camera, n?.label ?? '', n?.channels ?? {});
        }}
      >
        <option value="">{trims.length ? 'Note …' : 'Answer a note …'}</option>
        {NOTES.map((n) => (
          <option key={n.label}>{n.label}</option>
        ))}
        <option value="other">something else</option>
      </Choose>
      {trims.length ? (
        <>
          <span className="grow muted">{sum || 'All trims are off.'}</span>
          <Pill
            aria-pressed={!on}
            onClick={() => {
              const which = on ? trims.filter((t) => t.on) : trims.filter((t) => wereOn.has(t.id));
              if (on) {
                for (const t of trims) wereOn.delete(t.id);
                for (const t of which) wereOn.add(t.id);
              }
              edit(
                on ? 'All trims off' : 'Trims on again',
                ...(which.length ? which : trims).map((t) => ({
                  kind: 'switchPart' as const,
                  camera: camera.id,
                  part: t.id,
                  on: !on,
                })),
              );
            }}
          >
            {on ? 'All off' : 'All on'}
          </Pill>
        </>
      ) : null}
    </div>
  );
}
