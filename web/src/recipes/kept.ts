import { useQuery } from '@tanstack/react-query';
import { getJson } from '../session/http';
import { useSequence } from '../session/state';

/** A recipe of one's own, or that somebody shares with the production, as a list shows it. */
export interface Shown {
  id: string;
  name: string;
  owner: string;
  shared: boolean;
  version: number;
  author: string;
  at: string;
  notes: string;
}

export interface Whole extends Shown {
  script: string;
}

export const keptPath = (sequence: string) => `/api/sequences/${sequence}/recipes/kept`;

/** What is kept that one may open here. */
export function useKept() {
  const id = useSequence((s) => s.id);
  const enabled = useSequence((s) => s.role !== 'guest');
  return useQuery({ queryKey: ['recipes', id], queryFn: () => getJson<Shown[]>(keptPath(id)), enabled });
}
