import { useQuery } from '@tanstack/react-query';
import { getJson } from '../session/http';

/** An account, as those see it who administer the studio. */
export interface AccountShown {
  id: string;
  name: string;
  shown: string;
  email: string;
  administers: boolean;
  endedAt: string | null;
  demo: boolean;
  productions: number;
}

export const useAccounts = () =>
  useQuery({
    queryKey: ['accounts'],
    queryFn: () => getJson<AccountShown[]>('/api/administration/accounts'),
    staleTime: 0,
  });
