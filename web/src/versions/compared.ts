import { answer, theCore } from '../core/load';
import { attempt, useSequence } from '../sequence/store';
import { getJson } from '../shell/http';

/** A version as the server lists it. */
export interface Kept {
  number: number;
  name: string;
  note: string;
  author: string;
  keptAt: string;
  revision: number;
}

/** One of two that are compared; number 0 is the sequence as it is now. */
export interface Side {
  number: number;
  title: string;
}

/** Two versions of a camera's move, looked at together in the lens view. */
export interface Compared {
  sides: [Side, Side];
  way: 'wipe' | 'beside';
  /** Where the wipe stands, as a share of the width. */
  at: number;
}

export const NOW: Side = { number: 0, title: 'as it is now' };

export const numbered = (n: number): string => `v${String(n).padStart(3, '0')}`;

export const titled = (k: Kept): string => (k.name ? `${numbered(k.number)} ${k.name}` : numbered(k.number));

/** The document of a version, as the server kept it. */
export async function documentOf(sequence: string, number: number): Promise<string> {
  return JSON.stringify(await getJson<unknown>(`/api/sequences/${sequence}/versions/${number}`));
}

/** Lays two versions over each other in the lens view. */
export async function compare(a: Side, b: Side): Promise<void> {
  const { id } = useSequence.getState();
  const [left, right] = await Promise.all(
    [a, b].map((s) => (s.number ? documentOf(id, s.number) : Promise.resolve(''))),
  );
  if (useSequence.getState().id !== id) return;
  attempt(() => {
    answer(theCore().compare(0, left));
    answer(theCore().compare(1, right));
    useSequence.setState((s) => ({
      compared: { sides: [a, b], way: s.compared?.way ?? 'wipe', at: 0.5 },
      dialog: null,
      version: s.version + 1,
    }));
  });
}

export function endCompare(): void {
  theCore().compare(0, '');
  theCore().compare(1, '');
  useSequence.setState((s) => ({ compared: null, version: s.version + 1 }));
}
