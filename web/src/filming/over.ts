import type { Camera } from '../core/types';
import { LensRow } from '../core/types';
import { atFrame, core, evaluated } from '../session/evaluated';
import { useSequence } from '../session/state';
import { palette } from '../theme/tokens';
import type { FilmFrame, ToDraw } from './film';

type Pen = OffscreenCanvasRenderingContext2D;

/** Height of a picture that lines are as thick on as in the lens view. */
const USUAL_PX = 540;

/** Height of the slate, and of its letters, in shares of the picture's. */
const SLATE = { high: 0.052, letters: 0.026, edge: 0.014 };

/** Draws a camera's guides over its picture. */
export function drawGuides(pen: Pen, { frame, shot }: FilmFrame): void {
  const { width, height } = pen.canvas;
  const c = useSequence.getState().entities[shot.camera ?? ''] as Camera | undefined;
  if (!c?.guides.length) return;
  for (const g of atFrame(frame, () => core().guideLines(c.id), 1, shot.take ?? '')) {
    pen.strokeStyle = g.colour;
    pen.globalAlpha = g.strength;
    pen.lineWidth = Math.max(1, (1.25 * height) / USUAL_PX);
    for (const line of g.lines) {
      pen.beginPath();
      for (let i = 0; i + 1 < line.length; i += 2) pen.lineTo(line[i] * width, line[i + 1] * height);
      pen.stroke();
    }
  }
  pen.globalAlpha = 1;
}

/** Draws an image that stands for a shot: all of it, with black beside it. */
export function drawBoard(pen: Pen, board: ImageBitmap): void {
  const { width, height } = pen.canvas;
  const scale = Math.min(width / board.width, height / board.height);
  const [w, h] = [board.width * scale, board.height * scale];
  pen.fillStyle = '#000000';
  pen.fillRect(0, 0, width, height);
  pen.drawImage(board, (width - w) / 2, (height - h) / 2, w, h);
}

/** What a slate says: what it is of, through what lens, and which frame of which version. */
export function slateOf(film: ToDraw, { frame, counted, shot }: FilmFrame): [string, string, string] {
  const { header, entities } = useSequence.getState();
  const c = entities[shot.camera ?? ''] as Camera | undefined;
  const of = [header.code, shot.code, c ? `${c.letter} ${c.name}` : 'no camera'].filter(Boolean).join(' · ');
  const lens = atFrame(
    frame,
    () => {
      const slot = c ? core().slot(c.id) : -1;
      if (slot < 0) return '';
      const row = evaluated().lens.subarray(slot * LensRow.SIZE, (slot + 1) * LensRow.SIZE);
      const show = core().showNumber;
      return [
        show(row[LensRow.FOCAL], 'millimetres'),
        `f/${show(row[LensRow.F_STOP], 'fStop')}`,
        `focus ${show(row[LensRow.FOCUS], 'metres')}`,
      ].join(' · ');
    },
    1,
    shot.take ?? '',
  );
  const which = [
    `${counted}`,
    core().timecode(counted - header.firstFrame),
    `v${film.numbered}`,
    film.askedAt.slice(0, 10),
    film.askedBy,
  ].join(' · ');
  return [of, lens, which];
}

/** Draws a slate over the lowest part of a picture. Letters are made smaller where they would meet. */
export function drawSlate(pen: Pen, said: [string, string, string]): void {
  const { width, height } = pen.canvas;
  const high = Math.max(14, Math.round(height * SLATE.high));
  const edge = Math.round(width * SLATE.edge);
  let letters = Math.max(8, height * SLATE.letters);
  const fits = () => {
    pen.font = `${letters}px 'IBM Plex Mono', monospace`;
    return said.reduce((sum, t) => sum + pen.measureText(t).width, 0) <= width - 4 * edge;
  };
  while (!fits() && letters > 5) letters *= 0.95;
  pen.fillStyle = 'rgba(8, 11, 20, 0.72)';
  pen.fillRect(0, height - high, width, high);
  pen.fillStyle = palette.paper;
  pen.textBaseline = 'middle';
  const y = height - high / 2;
  pen.textAlign = 'left';
  pen.fillText(said[0], edge, y);
  // in the middle of what the others leave
  const [left, right] = [pen.measureText(said[0]).width, pen.measureText(said[2]).width];
  pen.textAlign = 'center';
  pen.fillText(said[1], (edge + left + (width - edge - right)) / 2, y);
  pen.textAlign = 'right';
  pen.fillText(said[2], width - edge, y);
}
