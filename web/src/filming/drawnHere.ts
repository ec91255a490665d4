import { create } from 'zustand';

/** What a frame that draws a preview tells the page it is in. */
export interface Filmed {
  filmed: string;
  /** Why it did not, or null. */
  failure: string | null;
}

/** A preview that this page draws; one that is resumed is drawn anew, by another frame. */
interface Drawn {
  job: string;
  time: number;
}

let times = 0;

/** Previews that this page draws, in turn: the first is being drawn. */
export const useDrawnHere = create<{ all: Drawn[] }>(() => ({ all: [] }));

export const drawHere = (job: string): void =>
  useDrawnHere.setState(({ all }) => ({
    all: [...all.filter((d) => d.job !== job), { job, time: ++times }],
  }));

export const drawnHere = (job: string): void =>
  useDrawnHere.setState(({ all }) => ({ all: all.filter((d) => d.job !== job) }));
