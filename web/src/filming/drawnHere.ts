import { create } from 'zustand';

/** What a frame that draws a preview tells the page it is in. */
export interface Filmed {
  filmed: string;
  /** Why it did not, or null. */
  failure: string | null;
}

/** Previews that this page draws, in turn: the first is being drawn. */
export const useDrawnHere = create<{ jobs: string[] }>(() => ({ jobs: [] }));

export const drawHere = (job: string): void =>
  useDrawnHere.setState(({ jobs }) => ({ jobs: jobs.includes(job) ? jobs : [...jobs, job] }));

export const drawnHere = (job: string): void =>
  useDrawnHere.setState(({ jobs }) => ({ jobs: jobs.filter((j) => j !== job) }));
