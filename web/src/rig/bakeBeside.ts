import { Refused } from '../core/answer';
import type { BakeReport, Camera, Command } from '../core/types';
import { core } from '../session/evaluated';
import { commitPreview, endPreview, preview } from '../session/document';
import { newId } from '../session/ids';
import { attempt } from '../session/said';
import { useSequence } from '../session/state';

/** How much may be lost; 0 everywhere keeps a key on every frame. */
export interface Tolerance {
  metres: number;
  degrees: number;
  millimetres: number;
}

/** What a bake made of one camera, and what it lost at most. */
export interface Report extends BakeReport {
  camera: string;
  plain: string;
}

function baked(camera: string, t: Tolerance): [Command[], Report] {
  const { firstFrame, lastFrame } = useSequence.getState().header;
  const plain = newId('camera');
  const b = core().bakePlain(camera, firstFrame, lastFrame, t.metres, t.degrees, t.millimetres, plain);
  return [b.commands, { camera, plain, ...b.report }];
}

/** What baking one camera would lose, or why it cannot be baked. */
export const reportOf = (camera: string, t: Tolerance) => orWhy(() => baked(camera, t)[1]);

/** What a question gives, or the sentence it was refused with. */
export function orWhy<T>(question: () => T): T | string {
  try {
    return question();
  } catch (e) {
    if (e instanceof Refused) return e.message;
    throw e;
  }
}

/**
 * Bakes cameras one after the other and makes one edit of all of them. What is baked so far lies as a
 * preview over the sequence, so that the next finds its name and letter taken.
 *
 * @param at is told how many are done; false from it stops, and nothing is changed
 */
export async function bakeBeside(
  cameras: Camera[],
  t: Tolerance,
  at: (done: number) => boolean,
): Promise<Report[] | undefined> {
  const label = cameras.length === 1 ? `Bake camera ${cameras[0].letter}` : `Bake ${cameras.length} cameras`;
  const all: Command[] = [];
  const reports: Report[] = [];
  for (const c of cameras) {
    const one = attempt(() => baked(c.id, t));
    if (!one || !at(reports.length + 1)) {
      endPreview();
      return undefined;
    }
    all.push(...one[0]);
    reports.push(one[1]);
    preview(label, ...all);
    await new Promise((on) => setTimeout(on)); // the page draws, and a press on Stop comes through
  }
  commitPreview();
  return reports;
}
