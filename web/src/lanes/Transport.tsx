import { useState } from 'react';
import { Choose } from '../kit/Choose';
import { Editing } from '../kit/Editing';
import { IconAction } from '../kit/IconAction';
import * as Icon from '../kit/icons';
import { Segments } from '../kit/Segments';
import { Tip } from '../kit/Tip';
import { Words } from '../kit/Words';
import { core, useCore } from '../session/evaluated';
import { setKeying } from '../session/laneState';
import { shownShot } from '../session/programme';
import { attempt } from '../session/said';
import { useSettings } from '../session/settings';
import { useSequence, type Keying } from '../session/state';
import { bounds, goIn, onReel, play, shownTime, stepBy } from '../session/time';
import { useWithKeys } from '../shortcuts/words';
import { Volume } from './Volume';
import './lanes.css';

/** Whether a number that is changed gets a key. */
const KEYING: { value: Keying; shows: string; tip: string }[] = [
  {
    value: 'off',
    shows: 'Key by hand',
    tip: 'Nothing is keyed by itself: numbers with keys change only where you put one',
  },
  {
    value: 'keyed',
    shows: 'Key where keyed',
    tip: 'A number that has keys gets one on this frame; others stay fixed',
  },
  { value: 'all', shows: 'Key all', tip: 'Every number you change gets a key on this frame' },
];

/** Playing, the frame in the time that is shown and in the other, and what is done to lanes, keys or shots. */
export function Transport({ keysChosen, children }: { keysChosen: boolean; children: React.ReactNode }) {
  const reel = useSequence(onReel);
  return (
    <div className="transport">
      <Playing />
      <FrameShown />
      <OtherTime />
      <Pace />
      {reel ? <Volume /> : null}
      <div className="lane-tools">{children}</div>
      {reel ? null : <Keyed narrow={keysChosen} />}
    </div>
  );
}

/** Plays and stops, frame by frame and to both ends. */
function Playing() {
  const playing = useSequence((s) => s.playing);
  const withKeys = useWithKeys();
  const button = (tip: string, icon: React.ReactNode, work: () => void, mark = {}) => (
    <Tip text={tip}>
      <IconAction aria-label={tip} onClick={work} {...mark}>
        {icon}
      </IconAction>
    </Tip>
  );
  return (
    <>
      {button(withKeys('First frame', 'first'), <Icon.First />, () => goIn(bounds()[0]))}
      {button(withKeys('One frame back', 'back'), <Icon.StepBack />, () => stepBy(-1))}
      {button(
        withKeys(playing ? 'Stop playing' : 'Play', 'play'),
        playing ? <Icon.Pause /> : <Icon.Play />,
        () => play(!playing),
        { 'data-play': '' },
      )}
      {button(withKeys('One frame on', 'on'), <Icon.StepOn />, () => stepBy(1))}
      {button(withKeys('Last frame', 'last'), <Icon.Last />, () => goIn(bounds()[1]))}
    </>
  );
}

/** The frame of the time that is shown, to be typed, with its timecode. */
function FrameShown() {
  const { rate } = useSettings();
  const fps = rate.numerator / rate.denominator;
  const reel = useSequence(onReel);
  const at = useSequence((s) => Math.floor(shownTime(s)));
  const frame = useSequence((s) => s.frame);
  const first = useSequence((s) => s.header.firstFrame);
  const [text, setText] = useState<string | null>(null);
  const timecode = useCore((c) => c.timecode(at - first));
  const feet = useCore((c) => c.feet(at - first));
  return (
    <>
      <Words
        className="frame"
        aria-label="Frame"
        title="A frame, 12s, +2s or a timecode"
        value={text ?? String(reel ? at : frame)}
        onChange={(e) => setText(e.target.value)}
        onBlur={() => setText(null)}
        onKeyDown={(e) => {
          e.stopPropagation();
          if (e.key === 'Enter' && text !== null) {
            const read = attempt(() => core().readFrames(text, at, false));
            if (read === undefined) return;
            goIn(read);
          }
          if (e.key !== 'Enter' && e.key !== 'Escape') return;
          setText(null);
          e.currentTarget.blur();
        }}
      />
      <Tip text={`${Math.round(fps * 1000) / 1000} frames a second; ${feet} feet and frames`}>
        <span className="mono muted">{timecode}</span>
      </Tip>
    </>
  );
}

/** How fast it plays where that is not its own speed, and the frames that were not drawn in time. */
function Pace() {
  const playing = useSequence((s) => s.playing);
  const pace = useSequence((s) => s.pace);
  const dropped = useSequence((s) => s.dropped);
  return (
    <>
      {playing && pace !== 1 ? <span className="mono">{`${pace} ×`}</span> : null}
      {playing || dropped ? (
        <span
          className="mono"
          style={{ color: dropped ? 'var(--marigold)' : 'var(--soft)' }}
          data-testid="dropped"
        >
          {`${dropped} dropped`}
        </span>
      ) : null}
    </>
  );
}

/** The same moment in the time that the ruler does not show: of the scene on the reel, of the programme elsewhere. */
function OtherTime() {
  const reel = useSequence(onReel);
  const frame = useSequence((s) => s.frame);
  const at = useSequence((s) => s.reel);
  const shot = useSequence(() => shownShot()?.shot ?? '');
  if (at === null) return null;
  const shown = (v: number) => String(Math.round(v * 100) / 100);
  return (
    <Tip
      text={
        reel
          ? 'The frame of the scene that is seen here'
          : 'The shot and the frame of the programme that show it'
      }
    >
      <span className="mono muted" data-testid="other-time">
        {reel ? `scene ${shown(frame)}` : `${shot} ${Math.floor(at)}`}
      </span>
    </Tip>
  );
}

/** Whether changed numbers are keyed. */
function Keyed({ narrow }: { narrow: boolean }) {
  const keying = useSequence((s) => s.keying);
  return (
    <Editing>
      {narrow ? (
        <Choose
          aria-label="Automatic keying"
          value={keying}
          onChange={(e) => setKeying(e.target.value as Keying)}
        >
          {KEYING.map((k) => (
            <option key={k.value} value={k.value}>
              {k.shows}
            </option>
          ))}
        </Choose>
      ) : (
        <Segments name="Automatic keying" value={keying} of={KEYING} onChoose={setKeying} />
      )}
    </Editing>
  );
}
