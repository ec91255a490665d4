import { useState, useSyncExternalStore, type DragEvent } from 'react';
import type { Sound, SoundTrack } from '../core/types';
import {
  bringSounds,
  SOUNDS,
  endOf,
  newTrack,
  putTrack,
  removeSound,
  removeTrack,
  soundsOf,
  tracks,
} from '../doing/sounds';
import { TextNumber } from '../fields/TextNumber';
import { Bare } from '../kit/Bare';
import { Chip } from '../kit/Chip';
import { heldArrows, useHandles } from '../kit/dragging';
import { Floating } from '../kit/Floating';
import { Pill } from '../kit/Pill';
import { Tip } from '../kit/Tip';
import { Words } from '../kit/Words';
import { edit } from '../session/document';
import { onRecordings, PEAKS_A_SECOND, peaksOf } from '../session/recordings';
import { select } from '../session/selection';
import { framesPerSecond, useSettings } from '../session/settings';
import { useSequence } from '../session/state';
import { palette } from '../theme/tokens';
import { toFrame, toX, type Scale } from './scale';
import { Grip, GRIP } from './Grip';
import { SoundDrag, type SoundWay } from './soundDrag';
import './lanes.css';

const HIGH = 46;

/** The line of a sound that its name stands on, pixels. */
const NAME = 14;

const LOUDEST = 255;

/** Lays sound files where they were dropped on a lane; other files are for the window. */
export function dropSounds(e: DragEvent<Element>, scale: Scale, track: string): void {
  const files = [...e.dataTransfer.files];
  if (!files.length || !files.every((f) => SOUNDS.test(f.name))) return;
  e.preventDefault();
  e.stopPropagation();
  const x = e.clientX - e.currentTarget.getBoundingClientRect().left;
  void bringSounds(files, Math.round(toFrame(scale, x)), track);
}

/** Says what is dragged comes to. */
interface Says {
  track: string;
  x: number;
  text: string;
}

/** The tracks of sounds below the reel. */
export function SoundLanes({ scale }: { scale: Scale }) {
  'use no memo';
  useSequence((s) => s.entities);
  const [says, setSays] = useState<Says | null>(null);
  return tracks().map((t) => <TrackLane key={t.id} track={t} scale={scale} says={says} onSays={setSays} />);
}

function TrackLane({
  track,
  scale,
  says,
  onSays,
}: {
  track: SoundTrack;
  scale: Scale;
  says: Says | null;
  onSays: (says: Says | null) => void;
}) {
  'use no memo';
  return (
    <div className="lane sound-lane" data-track={track.id}>
      <TrackHead track={track} />
      <svg
        height={HIGH}
        aria-label={`Sounds of ${track.name}`}
        data-track={track.id}
        onDrop={(e) => dropSounds(e, scale, track.id)}
      >
        {soundsOf(track.id).map((s) => (
          <OneSound key={s.id} sound={s} track={track} scale={scale} onSays={onSays} />
        ))}
      </svg>
      {says && says.track === track.id ? (
        <span className="reel-says mono" role="status" style={{ left: Math.max(0, says.x) + 208 }}>
          {says.text}
        </span>
      ) : null}
    </div>
  );
}

function TrackHead({ track }: { track: SoundTrack }) {
  const mayEdit = useSequence((s) => s.mayEdit);
  const [at, setAt] = useState<HTMLElement | null>(null);
  return (
    <div className="lane-head">
      <Bare
        className="name grow"
        aria-haspopup="dialog"
        title={`${track.name}: its name and gain`}
        onClick={(e) => setAt(e.currentTarget)}
      >
        {track.name}
      </Bare>
      <Tip text={track.muted ? 'Let it be heard' : 'Mute the track'}>
        <Chip
          on={track.muted}
          disabled={!mayEdit}
          aria-label={`Mute ${track.name}`}
          onClick={() => putTrack(`Mute ${track.name}`, track, { muted: !track.muted })}
        >
          Mute
        </Chip>
      </Tip>
      <Tip text={track.solo ? 'Hear all tracks' : 'Hear this track alone'}>
        <Chip
          on={track.solo}
          disabled={!mayEdit}
          aria-label={`${track.name} alone`}
          onClick={() => putTrack(`${track.name} alone`, track, { solo: !track.solo })}
        >
          Alone
        </Chip>
      </Tip>
      <Floating
        name={`Track ${track.name}`}
        className="menu-part marker-menu"
        open={at !== null}
        anchorEl={at}
        onClose={() => setAt(null)}
      >
        <Words
          autoFocus
          onFocus={(e) => e.currentTarget.select()}
          aria-label="Name of the track"
          defaultValue={track.name}
          maxLength={120}
          disabled={!mayEdit}
          onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
          onBlur={(e) => {
            const name = e.target.value.trim();
            if (name && name !== track.name) edit(`Call it ${name}`, { kind: 'rename', id: track.id, name });
          }}
        />
        <TextNumber
          label="Gain of the track"
          unit="decibels"
          value={track.gainDb}
          onChange={(gainDb) => putTrack(`Gain of ${track.name}`, track, { gainDb })}
        />
        <span className="line">
          <Pill
            disabled={!mayEdit}
            onClick={() => {
              setAt(null);
              newTrack();
            }}
          >
            Another track
          </Pill>
          <span className="grow" />
          <Pill
            disabled={!mayEdit}
            onClick={() => {
              setAt(null);
              removeTrack(track);
            }}
          >
            Remove
          </Pill>
        </span>
      </Floating>
    </div>
  );
}

/** The track under the pointer, or the one given. */
const trackUnder = (y: number, own: string): string => {
  for (const lane of document.querySelectorAll<HTMLElement>('.sound-lane')) {
    const r = lane.getBoundingClientRect();
    if (y >= r.top && y < r.bottom) return lane.dataset.track!;
  }
  return own;
};

function OneSound({
  sound,
  track,
  scale,
  onSays,
}: {
  sound: Sound;
  track: SoundTrack;
  scale: Scale;
  onSays: (says: Says | null) => void;
}) {
  const chosen = useSequence((s) => s.selected.includes(sound.id));
  const solo = useSequence((s) => Object.values(s.entities).some((e) => e.kind === 'soundTrack' && e.solo));
  const handle = useHandles();
  const fps = framesPerSecond(useSettings());
  const x = toX(scale, sound.at);
  const w = Math.max(3, toX(scale, endOf(sound, fps)) - x);
  if (x + w < 0 || x > scale.width) return null;
  const silent = sound.muted || track.muted || (solo && !track.solo);
  const drag = (way: SoundWay) =>
    handle((e) => {
      select(sound.id);
      (e.currentTarget as SVGElement).focus();
      const y = e.clientY;
      const d = new SoundDrag(sound, way === 'move' && e.altKey ? 'slip' : way, scale);
      return {
        moved: (dx, dy, now) => {
          const to = way === 'move' ? trackUnder(y + dy, track.id) : track.id;
          onSays({ track: to, x: x + dx, text: d.to(dx, now.shiftKey, to) });
        },
        done: () => onSays(null),
      };
    });
  const end = (way: 'head' | 'tail', label: string) => (
    <Grip
      left={way === 'head' ? x : x + w - GRIP}
      high={HIGH}
      label={label}
      value={way === 'head' ? sound.at : endOf(sound, fps)}
      data-end={`${way} ${sound.id}`}
      onKeyDown={(e) => {
        const d = new SoundDrag(sound, way, scale);
        heldArrows(e, (dx) => d.by(dx, track.id));
      }}
      {...drag(way)}
    />
  );
  return (
    <g data-sound={sound.id} opacity={silent ? 0.45 : 1}>
      <g
        tabIndex={0}
        role="button"
        aria-pressed={chosen}
        aria-label={`Sound ${sound.name}, from frame ${Math.round(sound.at)}`}
        style={{ cursor: 'grab' }}
        onKeyDown={(e) => {
          if (e.key === 'Enter') select(sound.id);
          else if (e.key === 'Delete' || e.key === 'Backspace') {
            e.stopPropagation();
            removeSound(sound);
          } else if (!e.ctrlKey && !e.metaKey) {
            const d = new SoundDrag(sound, e.altKey ? 'slip' : 'move', scale);
            heldArrows(e, (dx) => d.by(dx, track.id));
          }
        }}
        {...drag('move')}
      >
        <rect
          x={x + 0.5}
          y={2}
          width={w - 1}
          height={HIGH - 4}
          rx={6}
          fill={palette.raised}
          stroke={chosen ? palette.paper : palette.line}
          strokeWidth={chosen ? 2 : 1}
        />
        <Waveform sound={sound} scale={scale} x={x} w={w} />
        <Fades sound={sound} x={x} w={w} />
        <svg x={x} y={0} width={w} height={HIGH}>
          <text x={8} y={NAME} fontSize={11} fill={palette.soft}>
            {`${sound.name}${silent ? ' (muted)' : ''}`}
          </text>
        </svg>
        <title>{`${sound.name}: drag it; with Alt what is heard of the recording; with Shift to any frame`}</title>
      </g>
      {end('head', `Beginning of ${sound.name}`)}
      {end('tail', `End of ${sound.name}`)}
    </g>
  );
}

/** How loud it is, pixel by pixel of what is seen. */
function Waveform({ sound, scale, x, w }: { sound: Sound; scale: Scale; x: number; w: number }) {
  const peaks = useSyncExternalStore(onRecordings, () => peaksOf(sound.recording));
  if (!peaks) return null;
  const from = Math.max(0, Math.floor(x));
  const to = Math.min(scale.width, Math.ceil(x + w));
  const middle = (HIGH + NAME) / 2;
  const half = (HIGH - NAME) / 2 - 3;
  const perPixel = (sound.lastsS / w) * PEAKS_A_SECOND;
  let d = '';
  for (let px = from; px < to; px++) {
    const first = (sound.fromS * PEAKS_A_SECOND + (px - x) * perPixel) | 0;
    let most = 0;
    for (let i = Math.max(0, first); i <= first + perPixel && i < peaks.length; i++)
      most = Math.max(most, peaks[i]);
    const h = Math.max(0.5, (most / LOUDEST) * half);
    d += `M${px + 0.5} ${(middle - h).toFixed(1)}V${(middle + h).toFixed(1)}`;
  }
  return <path d={d} stroke={palette.teal} strokeWidth={1} fill="none" pointerEvents="none" />;
}

/** Where it comes up, and where it goes down. */
function Fades({ sound, x, w }: { sound: Sound; x: number; w: number }) {
  const px = (seconds: number) => (seconds / sound.lastsS) * w;
  if (!sound.fadeInS && !sound.fadeOutS) return null;
  return (
    <path
      d={`M${x} ${HIGH - 2}L${x + px(sound.fadeInS)} ${NAME + 3}H${x + w - px(sound.fadeOutS)}L${x + w} ${HIGH - 2}`}
      stroke={palette.paper}
      strokeOpacity={0.6}
      fill="none"
      pointerEvents="none"
    />
  );
}
