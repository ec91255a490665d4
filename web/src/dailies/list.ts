import type { RenderShown } from '../doing/renderJobs';
import type { Place } from './frames';

/** One frame of what is played. */
export interface Played {
  job: RenderShown;
  /** Of the job, from 1. */
  number: number;
}

/** What is played one after the other. */
export type What = 'version' | 'versions' | 'reel';

/** Whether there is anything of a job to be looked at. */
export const canBeSeen = (j: RenderShown): boolean => (j.preview ? j.film : j.done > 0);

const all = (job: RenderShown): Played[] =>
  Array.from({ length: job.total }, (_, i) => ({ job, number: i + 1 }));

/** Jobs of one name and kind, the first version first. */
export const versionsOf = (job: RenderShown, jobs: RenderShown[]): RenderShown[] =>
  jobs
    .filter((j) => j.label === job.label && j.preview === job.preview && canBeSeen(j))
    .sort((a, b) => a.numbered - b.numbered);

/**
 * The whole reel: of each of its shots the newest that there is, without its handles. Shots of which there is nothing are
 * left out.
 */
export function reelOf(
  codes: { code: string; first: number; last: number }[],
  jobs: RenderShown[],
  places: Record<string, Place[]>,
): Played[] {
  return codes.flatMap(({ code, first, last }) => {
    for (const job of jobs) {
      const there = (places[job.id] ?? []).flatMap((p, i) =>
        p.code === code && p.scene >= first - NEAR && p.scene <= last + NEAR ? [{ job, number: i + 1 }] : [],
      );
      if (there.length) return there;
    }
    return [];
  });
}

/** Frames of the scene nearer than this are one. */
const NEAR = 1e-6;

export function listOf(what: What, job: RenderShown, jobs: RenderShown[], reel: () => Played[]): Played[] {
  if (what === 'versions') return versionsOf(job, jobs).flatMap(all);
  return what === 'reel' ? reel() : all(job);
}
