import { useQuery, useQueryClient } from '@tanstack/react-query';
import { getJson } from '../session/http';

export type Kind = 'edit' | 'version' | 'render' | 'approval' | 'handover';

/** Each kind of thing with when it is told. */
export const KINDS: { id: Kind; name: string; says: string }[] = [
  { id: 'edit', name: 'Edits', says: 'whenever somebody edits a sequence' },
  { id: 'version', name: 'Versions', says: 'when a version is kept' },
  { id: 'render', name: 'Renders', says: 'when a render or a preview film has ended, well or not' },
  { id: 'approval', name: 'Approvals', says: 'when a shot or a camera is approved or reopened' },
  { id: 'handover', name: 'Hand-overs', says: 'when a package is made' },
];

/** What a person decides about a watcher. */
export interface Given {
  name: string;
  address: string;
  kinds: Kind[];
  active: boolean;
}

export interface Watcher extends Given {
  id: string;
  madeBy: string;
  madeAt: string;
  /** How much is still to be told. */
  waiting: number;
  /** How often it failed since it last answered. */
  tries: number;
  /** What came of the last try; '' before the first. */
  says: string;
  toldAt: string | null;
  /** When it is tried again, where it failed. */
  nextAt: string | null;
}

/** A watcher whose secret is told this once. */
export interface Made {
  watcher: Watcher;
  secret: string;
}

export interface Told {
  id: string;
  number: number;
  kind: Kind | 'hello';
  /** What it is told, as text. */
  message: string;
  happenedAt: string;
  state: 'WAITING' | 'TOLD' | 'REFUSED' | 'GIVEN_UP';
  tries: number;
  says: string;
}

/** Where something happened and who did it, as “SW010 · pim”. */
export function sayAbout(told: Told): string {
  const { data } = JSON.parse(told.message) as {
    data: { sequence?: { code: string }; by: string | null };
  };
  return [data.sequence?.code, data.by].filter(Boolean).join(' · ');
}

/** How often the lists are looked at again while they are shown, milliseconds. */
const AGAIN_MS = 2000;

export const watchersPath = (production: string) => `/api/productions/${production}/watchers`;

export const useWatchers = (production: string) =>
  useQuery({
    queryKey: ['watchers', production],
    queryFn: () => getJson<Watcher[]>(watchersPath(production)),
    staleTime: 0,
    refetchInterval: AGAIN_MS,
  });

export const useTold = (production: string, watcher: string) =>
  useQuery({
    queryKey: ['watchers', production, watcher],
    queryFn: () => getJson<Told[]>(`${watchersPath(production)}/${watcher}/tellings`),
    staleTime: 0,
    refetchInterval: AGAIN_MS,
  });

/** To be called when the watchers of a production have changed. */
export function useWatchersChanged(production: string): () => Promise<void> {
  const client = useQueryClient();
  return () => client.invalidateQueries({ queryKey: ['watchers', production] });
}
