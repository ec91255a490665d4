import { keepPreviousData, useInfiniteQuery, useQuery, useQueryClient } from '@tanstack/react-query';
import type { Role } from '../session/desks';
import { call, getJson, postJson } from '../session/http';

export interface Production {
  id: string;
  name: string;
  code: string;
  sequences: number;
  role: Role;
}

/** Whether one may edit what is in a production. */
export const mayEditIn = (p: Production | undefined) => p?.role === 'artist' || p?.role === 'lead';

/** A sequence as a list shows it. */
export interface Listed {
  id: string;
  productionId: string;
  production: string;
  code: string;
  title: string;
  status: Status;
  /** Of the cut; null before they were first counted. */
  shots: number | null;
  frames: number | null;
  favourite: boolean;
  author: string | null;
  editedAt: string | null;
  archivedAt: string | null;
  binnedAt: string | null;
}

/** How far a sequence is, as those who work on it say. */
export type Status = 'begun' | 'in-work' | 'for-review' | 'approved' | 'handed-on';

export const STATUSES: { id: Status; name: string }[] = [
  { id: 'begun', name: 'Begun' },
  { id: 'in-work', name: 'In work' },
  { id: 'for-review', name: 'For review' },
  { id: 'approved', name: 'Approved' },
  { id: 'handed-on', name: 'Handed on' },
];

export type Where = 'here' | 'archive' | 'bin';
export type Sort = 'code' | 'recent';

/** What the server gives at a time. */
const PAGE = 60;

export const useProductions = () =>
  useQuery({ queryKey: ['productions'], queryFn: () => getJson<Production[]>('/api/productions') });

/** Sequences page by page; the next one comes when it is asked for. */
export function useSequences(
  production: string | null,
  find: string,
  where: Where,
  sort: Sort,
  status: Status | '' = '',
  favourites = false,
) {
  return useInfiniteQuery({
    queryKey: ['sequences', production, find, where, sort, status, favourites],
    queryFn: ({ pageParam }) => {
      const asked = new URLSearchParams({ find, where, sort, page: String(pageParam) });
      if (status) asked.set('status', status);
      if (favourites) asked.set('favourites', 'true');
      if (production) asked.set('production', production);
      return getJson<Listed[]>(`/api/sequences?${asked.toString()}`);
    },
    initialPageParam: 0,
    getNextPageParam: (last, all) => (last.length < PAGE ? undefined : all.length),
    staleTime: 0,
    placeholderData: keepPreviousData, // the tiles stay while more is typed
  });
}

/** To be called when something of the library has changed. */
export function useChanged(): () => Promise<void> {
  const client = useQueryClient();
  return async () => {
    await client.invalidateQueries({ queryKey: ['sequences'] });
    await client.invalidateQueries({ queryKey: ['productions'] });
  };
}

export const move = (id: string, to: Where) => postJson(`/api/sequences/${id}/place`, { to });

export const sayStatus = (id: string, status: Status) => postJson(`/api/sequences/${id}/status`, { status });

export const setFavourite = (id: string, favourite: boolean) =>
  postJson(`/api/sequences/${id}/favourite`, { favourite });

export const removeForGood = (id: string, code: string) =>
  call('DELETE', `/api/sequences/${id}?code=${encodeURIComponent(code)}`);
