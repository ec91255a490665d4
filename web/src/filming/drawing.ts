import { call } from '../session/http';
import { rest } from '../session/rest';
import { useSequence } from '../session/state';
import { stage } from '../views/stage';
import { LensPicture } from '../views/LensPicture';
import { drawnSoFar } from '../views/drawnSoFar';
import { modelsComing } from '../views/models';
import { imagesComing } from '../views/plates';
import { fit, giveBack, takeSheet } from '../views/surfaces';
import { drawBoard, drawGuides, drawSlate, slateOf } from './over';
import type { FilmFrame, ToDraw } from './film';

/** How often it is looked whether something has come, and how long that may take. */
const LOOK_MS = 30;
const PATIENCE_MS = 60_000;

/** How often it is looked whether a frame is drawn. */
const DRAWN_MS = 4;

/** Lets the page do something else; a page that nobody sees has slow clocks, but no slow messages. */
const breathe = (ms: number): Promise<void> =>
  document.hidden ? rest() : new Promise((on) => setTimeout(on, ms));

/** Until nothing is on its way any more. */
async function come(coming: () => number, what: string): Promise<void> {
  const until = performance.now() + PATIENCE_MS;
  while (coming() > 0) {
    if (performance.now() > until) throw new Error(`${what} did not come from the server`);
    await breathe(LOOK_MS);
  }
}

/** An image that stands for a shot. */
async function pictureOf(asset: string): Promise<ImageBitmap> {
  return createImageBitmap(await (await call('GET', `/api/assets/${asset}`)).blob());
}

/** Draws the frames of a film, off the screen, as the lens view shows them. */
export class Drawing {
  private readonly sheet = takeSheet();
  private readonly picture = new LensPicture(this.sheet.renderer, () => {});
  private readonly over: OffscreenCanvas | null;
  private readonly boards = new Map<string, ImageBitmap>();

  constructor(private readonly film: ToDraw) {
    const drawnOver = film.look.guides || film.look.slate || film.shots.some((s) => s.board);
    this.over = drawnOver ? new OffscreenCanvas(film.width, film.height) : null;
  }

  /** Fetches what is drawn and makes ready what it is drawn with. */
  async prepare(): Promise<void> {
    fit(this.sheet, this.film.width, this.film.height);
    stage.fineShadows(); // what is filmed is handed on
    stage.update(); // asks for the models
    await come(modelsComing, 'A model');
    stage.update();
    await come(imagesComing, 'A picture');
    await this.picture.prepare();
    for (const { board } of this.film.shots)
      if (board && !this.boards.has(board)) this.boards.set(board, await pictureOf(board));
    if (this.film.look.slate) await document.fonts.load("12px 'IBM Plex Mono'");
  }

  /** Draws a frame; the canvas is the same for every one. */
  async frame(f: FilmFrame): Promise<OffscreenCanvas> {
    const { look } = this.film;
    this.picture.deliver(f, look);
    if (look.plates && imagesComing() > 0) {
      await come(imagesComing, 'A plate’s image');
      this.picture.deliver(f, look);
    }
    const drawn = drawnSoFar(this.sheet.renderer);
    while (!drawn()) await breathe(DRAWN_MS);
    if (!this.over) return this.sheet.canvas;
    const pen = this.over.getContext('2d', { alpha: false })!;
    pen.drawImage(this.sheet.canvas, 0, 0);
    if (f.shot.board) drawBoard(pen, this.boards.get(f.shot.board)!);
    else if (look.guides) drawGuides(pen, f);
    if (look.slate) drawSlate(pen, slateOf(this.film, f));
    return this.over;
  }

  /** Gives back what it drew with; the page shows its own frame again. */
  end(): void {
    for (const b of this.boards.values()) b.close();
    this.picture.dispose();
    giveBack(this.sheet);
    if (useSequence.getState().id) stage.draw();
  }
}
