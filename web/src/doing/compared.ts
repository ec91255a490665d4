import { setView } from '../session/view';
import type { SequenceDocument, Shot } from '../core/types';
import { core } from '../session/evaluated';
import { closeWindow } from '../session/windows';
import { drawnAnew, edit } from '../session/document';
import { programme, shotOf } from '../session/programme';
import { attempt, say } from '../session/said';
import { goToReel } from '../session/time';
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

/** Lays two takes of a shot over each other in the lens view, each on the frame it would show. */
export function compareTakes(shot: Shot, left: string, right: string): void {
  const { entities, compared } = useSequence.getState();
  const side = (id: string): Side => {
    const t = shot.takes.find((x) => x.id === id)!;
    const c = entities[t.camera ?? ''];
    return { path: '', title: `take ${t.name}${c?.kind === 'camera' ? ` · ${c.letter}` : ''}` };
  };
  const place = programme().find((p) => p.id === shot.id);
  const { reel } = useSequence.getState();
  if (place && (reel === null || reel < place.first || reel >= place.last + 1)) goToReel(place.first);
  setView({
    compared: {
      sides: [side(left), side(right)],
      takes: { shot: shot.id, ids: [left, right] },
      way: compared?.way ?? 'wipe',
      at: 0.5,
    },
  });
  drawnAnew();
}

/** The next take beside the one that is in the reel; where they are compared already, that ends. */
export function compareNextTake(): void {
  const { compared, selected, shot: shown } = useSequence.getState();
  if (compared?.takes) return endCompare();
  const shot = shotOf(selected[0] ?? '') ?? shotOf(shown ?? '');
  if (!shot) return;
  if (shot.takes.length < 2) {
    say(`${shot.name} has one take. Another is made on its card.`);
    return;
  }
  const i = shot.takes.findIndex((t) => t.id === shot.chosen);
  compareTakes(shot, shot.chosen, shot.takes[(i + 1) % shot.takes.length].id);
}

/** Ends comparing with one of two takes in the reel. */
export function chooseCompared(side: 0 | 1): void {
  const { compared } = useSequence.getState();
  const shot = shotOf(compared?.takes?.shot ?? '');
  const take = shot?.takes.find((t) => t.id === compared!.takes!.ids[side]);
  endCompare();
  if (shot && take && take.id !== shot.chosen)
    edit(`${shot.name}: take ${take.name}`, { kind: 'chooseTake', id: shot.id, take: take.id });
}

export function endCompare(): void {
  [0, 1].forEach((side) => core().endComparing(side));
  setView({ compared: null });
  drawnAnew();
}
