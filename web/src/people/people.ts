import { useQuery, useQueryClient } from '@tanstack/react-query';
import { getJson } from '../session/http';

/** What somebody with an account may be in a production. */
export type GivenRole = 'lead' | 'artist' | 'reviewer';

/** Each role with what it is for, the widest last. */
export const ROLES: { id: GivenRole; name: string; says: string }[] = [
  { id: 'reviewer', name: 'Reviewer', says: 'looks, approves, asks for small renders' },
  { id: 'artist', name: 'Artist', says: 'edits' },
  { id: 'lead', name: 'Lead', says: 'edits, and decides about people and standards' },
];

export interface Person {
  account: string;
  name: string;
  shown: string;
  role: GivenRole;
}

export interface Invited {
  id: string;
  role: GivenRole;
  note: string;
  by: string;
  endsAt: string;
}

export interface People {
  people: Person[];
  administrators: string[];
  invited: Invited[];
  /** Whether links can be sent by mail from here. */
  mails: boolean;
}

/** A link whose secret is told this once. */
export interface Made {
  id: string;
  secret: string;
  endsAt: string;
}

export const usePeople = (production: string) =>
  useQuery({
    queryKey: ['people', production],
    queryFn: () => getJson<People>(`/api/productions/${production}/people`),
    staleTime: 0,
  });

/** To be called when the people of a production have changed. */
export function usePeopleChanged(production: string): () => Promise<void> {
  const client = useQueryClient();
  return () => client.invalidateQueries({ queryKey: ['people', production] });
}
