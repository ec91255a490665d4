import type { Camera } from '../core/types';
import { useCore } from '../session/evaluated';
import { shotOf, shownShot } from '../session/programme';
import { at } from '../session/http';
import { useSequence } from '../session/state';
import './frame.css';

/** Shot, camera and timecode over the lower edge of the picture. */
export function SlateOver() {
  'use no memo';
  const camera = useSequence((s) => s.entities[shownShot()?.camera ?? ''] as Camera | undefined);
  const first = useSequence((s) => s.header.firstFrame);
  useSequence((s) => s.reel);
  const reel = useSequence.getState().reel;
  const timecode = useCore((c) => (reel === null ? '' : c.timecode(Math.floor(reel) - first)));
  const shot = shownShot();
  if (!shot || reel === null) return null;
  return (
    <div className="slate-over mono" data-testid="slate">
      <span>{[shot.shot, camera && `${camera.letter} ${camera.name}`].filter(Boolean).join(' · ')}</span>
      <span>{`${Math.floor(reel)}  ${timecode}`}</span>
    </div>
  );
}

/** What is seen in a gap: which shot is to come here, and what is known of it. */
export function GapSlate() {
  'use no memo';
  useSequence((s) => s.reel);
  useSequence((s) => s.version);
  const placed = shownShot();
  const shot = placed && shotOf(placed.id);
  if (!placed || placed.board) return null;
  return (
    <div className="gap-slate" data-testid="gap-slate">
      <strong>{placed.shot}</strong>
      <span className="muted">{`A gap of ${placed.last - placed.first + 1} frames`}</span>
      {shot?.notes ? <span>{shot.notes}</span> : null}
    </div>
  );
}

/** The picture that stands for the shot, all of it in the delivery frame. */
export function BoardOver({
  frame,
}: {
  frame: { left: number; top: number; width: number; height: number };
}) {
  'use no memo';
  useSequence((s) => s.reel);
  useSequence((s) => s.version);
  const placed = shownShot();
  if (!placed?.board) return null;
  return (
    <img
      className="board-over"
      data-testid="board"
      alt={`The board of ${placed.shot}`}
      src={at(`/api/assets/${placed.board}`)}
      style={frame}
    />
  );
}

/** Lets the lens view fill the screen, or no more. */
export function fullScreen(): void {
  if (document.fullscreenElement) void document.exitFullscreen();
  else void document.querySelector('.lens-view')?.requestFullscreen();
}
