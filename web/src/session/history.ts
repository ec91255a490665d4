import { create } from 'zustand';
import type { Delta } from '../core/types';

/** An edit that can be taken back: what it is called and what the core keeps of it. */
export interface Done {
  label: string;
  change: Delta;
}

/** So many edits can be taken back. */
const MOST = 500;

/** What this page made, the latest last, and what of it was taken back. */
export const useHistory = create<{ undo: Done[]; redo: Done[] }>(() => ({ undo: [], redo: [] }));

const get = useHistory.getState;

/** An edit was made: what was taken back before cannot be made again. */
export function noted(done: Done): void {
  useHistory.setState((s) => ({ undo: [...s.undo.slice(1 - MOST), done], redo: [] }));
}

export function forgotten(): void {
  useHistory.setState({ undo: [], redo: [] });
}

/** What taking back, or making again, came to. */
export interface Turned {
  /** What was changed, as the core keeps it; null when nothing of it was left. */
  change: Delta | null;
  /** What somebody else has made of it since: it stays. */
  left: string[];
}

/**
 * Takes the last edit back, or makes the last one again, of which there is one.
 *
 * @param turn makes the edit that does it; gives nothing where it was refused
 * @param turned an edit that does the reverse of one
 * @returns what it was, and what it came to
 */
export function step(
  way: 'undo' | 'redo',
  turn: (done: Done) => Turned | undefined,
  turned: (change: Delta) => Delta,
): (Turned & { label: string }) | undefined {
  const done = get()[way].at(-1);
  const made = done && turn(done);
  if (!made) return undefined;
  const [from, to] = way === 'undo' ? (['undo', 'redo'] as const) : (['redo', 'undo'] as const);
  // what was taken back now, and no more, is what can be made again
  const back = made.change && {
    label: done.label,
    change: way === 'undo' ? turned(made.change) : made.change,
  };
  useHistory.setState((s) => ({
    ...s,
    [from]: s[from].slice(0, -1),
    ...(back ? { [to]: [...s[to], back] } : {}),
  }));
  return { ...made, label: done.label };
}
