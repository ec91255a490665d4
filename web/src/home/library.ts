import { keepPreviousData, useInfiniteQuery, useQuery, useQueryClient } from '@tanstack/react-query';
import { call, getJson, postJson } from '../shell/http';

export interface Production {
  id: string;
  name: string;
  code: string;
  sequences: number;
}

/** A sequence as a list shows it. */
export interface Listed {
  id: string;
  productionId: string;
  production: string;
  code: string;
  title: string;
  author: string | null;
  editedAt: string | null;
  archivedAt: string | null;
  binnedAt: string | null;
}

export type Where = 'here' | 'archive' | 'bin';
export type Sort = 'code' | 'recent';

/** What the server gives at a time. */
const PAGE = 60;

export const useProductions = () =>
  useQuery({ queryKey: ['productions'], queryFn: () => getJson<Production[]>('/api/productions') });

/** Sequences page by page; the next one comes when it is asked for. */
export function useSequences(production: string | null, find: string, where: Where, sort: Sort) {
  return useInfiniteQuery({
    queryKey: ['sequences', production, find, where, sort],
    queryFn: ({ pageParam }) => {
      const asked = new URLSearchParams({ find, where, sort, page: String(pageParam) });
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

export const removeForGood = (id: string, code: string) =>
  call('DELETE', `/api/sequences/${id}?code=${encodeURIComponent(code)}`);
