import { useQuery, useQueryClient } from '@tanstack/react-query';
import type { PlacedSet, SequenceDocument, Taking } from '../core/types';
import { core } from '../session/evaluated';
import { edit } from '../session/document';
import { attempt, say } from '../session/said';
import { useSequence } from '../session/state';
import { getJson, postJson } from '../session/http';

export interface SetVersion {
  number: number;
  author: string;
  at: string;
  note: string;
}

/** A set of the production; its versions, the newest first. */
export interface SharedSet {
  id: string;
  name: string;
  versions: SetVersion[];
}

interface Kept {
  id: string;
  number: number;
}

export const numbered = (n: number): string => `v${String(n).padStart(3, '0')}`;

const path = () => `/api/sequences/${useSequence.getState().id}/sets`;

export function useSets() {
  const id = useSequence((s) => s.id);
  return useQuery({ queryKey: ['sets', id], queryFn: () => getJson<SharedSet[]>(path()), staleTime: 0 });
}

/** To be called when a set or a version was made. */
export function useSetsChanged(): () => Promise<void> {
  const client = useQueryClient();
  return () => client.invalidateQueries({ queryKey: ['sets'] });
}

const versionOf = (set: string, number: number): Promise<SequenceDocument> =>
  getJson(`${path()}/${set}/versions/${number}`);

/** Makes a set of things that stand here, where they stand. */
export async function makeSet(name: string, note: string, ids: string[]): Promise<void> {
  const document = core().setOf(ids);
  const kept = await postJson<Kept>(path(), { name, note, document });
  edit(`Make the set ${name}`, ...core().setMade(document, kept.id, name.trim()).commands);
}

/** Places the newest version of a set. */
export async function placeSet(set: SharedSet): Promise<void> {
  const number = set.versions[0].number;
  const document = await versionOf(set.id, number);
  attempt(() => {
    if (edit(`Place ${set.name}`, ...core().placeSet(document, set.id, set.name, number).commands))
      say(`${set.name} ${numbered(number)} stands here.`);
  });
}

/** What taking another version of a placed set would do. */
export async function lookAtVersion(placed: PlacedSet, number: number): Promise<Taking> {
  const [was, next] = await Promise.all([
    versionOf(placed.set, placed.version),
    versionOf(placed.set, number),
  ]);
  return core().takeSet(placed.id, was, next, number);
}

/** Keeps a placed set as it is here as its next version, with what else is selected. */
export async function keepVersion(placed: PlacedSet, note: string, also: string[]): Promise<number> {
  const was = await versionOf(placed.set, placed.version);
  const document = core().keptSet(placed.id, was, also);
  const kept = await postJson<Kept>(`${path()}/${placed.set}/versions`, { note, document });
  edit(
    `Keep ${placed.name} as ${numbered(kept.number)}`,
    ...core().setKept(placed.id, was, also, kept.number).commands,
  );
  return kept.number;
}
