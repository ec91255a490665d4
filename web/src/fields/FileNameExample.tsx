import { useQuery } from '@tanstack/react-query';
import type { FileNames } from '../core/types';
import { useCore } from '../session/evaluated';
import { getJson } from '../session/http';
import { useSequence } from '../session/state';
import type { Session } from '../session/who';
import { NamesShown } from './NamesShown';

/** What the file of a first frame would be called, or what is wrong with the pattern. */
export function FileNameExample({ of }: { of: FileNames }) {
  const sequence = useSequence((s) => s.id);
  const agreed = useQuery({
    queryKey: ['standards', sequence],
    queryFn: () => getJson<{ name: string }>(`/api/sequences/${sequence}/standards`),
  });
  const session = useQuery({ queryKey: ['session'], queryFn: () => getJson<Session>('/api/session') });
  const said = useCore((core) =>
    core.fileName(of.pattern, of.counts, agreed.data?.name ?? '', session.data?.name ?? ''),
  );
  return <NamesShown names={[said.name]} fault={said.fault} />;
}
