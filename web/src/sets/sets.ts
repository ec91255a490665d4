import { useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, theCore } from '../core/load';
import type { Command, PlacedSet } from '../core/types';
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

/** What taking a version does: the commands, in sentences, and the document as it will be. */
export interface Taking {
  commands: Command[];
  says: string[];
  document: unknown;
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

const versionOf = async (set: string, number: number): Promise<string> =>
  JSON.stringify(await getJson<unknown>(`${path()}/${set}/versions/${number}`));

const commandsOf = (json: string): Command[] => answer<{ commands: Command[] }>(json).commands;

const documentOf = (json: string): string => JSON.stringify(answer<{ document: unknown }>(json).document);

/** Makes a set of things that stand here, where they stand. */
export async function makeSet(name: string, note: string, ids: string[]): Promise<void> {
  const document = documentOf(theCore().setOf(JSON.stringify(ids)));
  const kept = await postJson<Kept>(path(), { name, note, document });
  edit(`Make the set ${name}`, ...commandsOf(theCore().setMade(document, kept.id, name.trim())));
}

/** Places the newest version of a set. */
export async function placeSet(set: SharedSet): Promise<void> {
  const number = set.versions[0].number;
  const document = await versionOf(set.id, number);
  attempt(() => {
    if (edit(`Place ${set.name}`, ...commandsOf(theCore().placeSet(document, set.id, set.name, number))))
      say(`${set.name} ${numbered(number)} stands here.`);
  });
}

/** What taking another version of a placed set would do. */
export async function lookAtVersion(placed: PlacedSet, number: number): Promise<Taking> {
  const [was, next] = await Promise.all([
    versionOf(placed.set, placed.version),
    versionOf(placed.set, number),
  ]);
  return answer<Taking>(theCore().takeSet(placed.id, was, next, number));
}

/** Keeps a placed set as it is here as its next version, with what else is selected. */
export async function keepVersion(placed: PlacedSet, note: string, also: string[]): Promise<number> {
  const ids = JSON.stringify(also);
  const was = await versionOf(placed.set, placed.version);
  const document = documentOf(theCore().keptSet(placed.id, was, ids));
  const kept = await postJson<Kept>(`${path()}/${placed.set}/versions`, { note, document });
  edit(
    `Keep ${placed.name} as ${numbered(kept.number)}`,
    ...commandsOf(theCore().setKept(placed.id, was, ids, kept.number)),
  );
  return kept.number;
}
