import { call, postJson, Unreachable } from '../session/http';
import { Drawing } from './drawing';
import { encodingFor, formFor, type Encoding, type Stretch } from './encoding';
import { framesOf, type FilmFrame, type ToDraw } from './film';

/** Takes a preview to draw it here. */
async function taken(job: string, holder: string, size: { width: number; height: number }, frames: number) {
  const form = await formFor(size, frames);
  return { form, film: await postJson<ToDraw>(`/api/renders/${job}/drawing`, { holder, form }) };
}

/** How long a server that is away is waited for, and how often it is tried. */
const PATIENCE_MS = 50_000;
const AGAIN_MS = 2000;

/** Sends a stretch; gives whether more is wanted. A line that is away for a moment costs no frame. */
async function bring(job: string, holder: string, s: Stretch): Promise<boolean> {
  const at = `/api/renders/${job}/drawing/${s.first}?holder=${holder}&frames=${s.frames}&seconds=${s.seconds}`;
  const until = performance.now() + PATIENCE_MS;
  for (;;) {
    try {
      return ((await (await call('PUT', at, s.body, s.type)).json()) as { wanted: boolean }).wanted;
    } catch (e) {
      if (!(e instanceof Unreachable) || performance.now() > until) throw e;
      await new Promise((on) => setTimeout(on, AGAIN_MS));
    }
  }
}

/** What a page asked for fails when the page goes; so long after, one that went says nothing any more. */
const GOES_WITHIN_MS = 1000;

/**
 * Draws a preview and brings it to the server, a stretch after the other; what was brought before is not drawn again.
 *
 * @param open brings the page to the film's document, where it shows another
 */
export async function film(
  { id, width, height, total }: { id: string; width: number; height: number; total: number },
  open: (film: ToDraw) => Promise<void>,
): Promise<void> {
  const holder = crypto.randomUUID();
  const { form, film } = await taken(id, holder, { width, height }, total);
  let failure: string | null = null;
  let wanted = true;
  let drawing: Drawing | null = null;
  let encoding: Encoding | null = null;
  try {
    await open(film);
    drawing = new Drawing(film);
    await drawing.prepare();
    encoding = encodingFor(form, film);
    wanted = await draw(id, holder, film, drawing, encoding);
  } catch (e) {
    console.warn('A preview was not drawn', e);
    failure = e instanceof Error ? e.message : String(e);
    await new Promise((on) => setTimeout(on, GOES_WITHIN_MS));
  } finally {
    encoding?.end();
    drawing?.end();
  }
  if (wanted) await postJson(`/api/renders/${id}/drawing/end`, { holder, failure });
}

async function draw(
  id: string,
  holder: string,
  film: ToDraw,
  drawing: Drawing,
  encoding: Encoding,
): Promise<boolean> {
  const have = new Set(film.done);
  const left: FilmFrame[] = framesOf(film.shots).filter((f) => !have.has(f.number));
  let sent = Promise.resolve(true);
  let wanted = true;
  for (const [i, f] of left.entries()) {
    if (!wanted) return false; // somebody stopped it
    const canvas = await drawing.frame(f);
    // a stretch is of frames that follow each other
    const last = left[i + 1]?.number !== f.number + 1;
    const stretch = await encoding.take(canvas, f.number, last);
    if (!stretch) continue;
    if (!(await sent)) return false;
    sent = bring(id, holder, stretch); // while the next is drawn
    sent.then(
      (more) => (wanted = more),
      () => {}, // told where it is waited for
    );
  }
  return sent;
}
