import { setView } from '../session/view';
import type { SequenceDocument } from '../core/types';
import { core } from '../session/evaluated';
import { closeWindow } from '../session/windows';
import { drawnAnew } from '../session/document';
import { attempt } from '../session/said';
import { useSequence } from '../session/state';
import { getJson } from '../session/http';
import type { Side } from '../session/comparing';

/** A version as the server lists it. */
export interface Kept {
  number: number;
  name: string;
  note: string;
  author: string;
  keptAt: string;
  revision: number;
}

export const NOW: Side = { path: '', title: 'as it is now' };

export const numbered = (n: number): string => `v${String(n).padStart(3, '0')}`;

export const titled = (k: Kept): string => (k.name ? `${numbered(k.number)} ${k.name}` : numbered(k.number));

/** A version, as one side of a comparison. */
export const sideOf = (k: Kept): Side => ({ path: `versions/${k.number}`, title: titled(k) });

/** What a version or an earlier moment was, as the server gives it. */
export function documentOf(sequence: string, path: string): Promise<SequenceDocument> {
  return getJson(`/api/sequences/${sequence}/${path}`);
}

/** A side without a document is the sequence as it is shown. */
function laid(document: SequenceDocument | undefined, side: number): void {
  if (document) core().compare(side, document);
  else core().endComparing(side);
}

/** Lays two versions over each other in the lens view. */
export async function compare(a: Side, b: Side): Promise<void> {
  const { id } = useSequence.getState();
  const [left, right] = await Promise.all(
    [a, b].map((s) => (s.path ? documentOf(id, s.path) : Promise.resolve(s.document))),
  );
  if (useSequence.getState().id !== id) return;
  attempt(() => {
    [left, right].forEach(laid);
    setView({ compared: { sides: [a, b], way: useSequence.getState().compared?.way ?? 'wipe', at: 0.5 } });
    closeWindow();
    drawnAnew();
  });
}

export function endCompare(): void {
  [0, 1].forEach((side) => core().endComparing(side));
  setView({ compared: null });
  drawnAnew();
}
