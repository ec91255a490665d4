import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useId } from 'react';
import { asked, type How } from '../doing/renders';
import { Fault } from '../fields/Fault';
import { postJson } from '../session/http';
import { shownShot } from '../session/programme';
import { useSequence } from '../session/state';

/** As many of a frame's files are shown; of more it is said how many. */
const SHOWN = 3;

/** What the files of the cut's, or this shot's, first frame will be called, or why they cannot be. */
export function ComingNames({ how }: { how: How }) {
  const id = useId();
  const sequence = useSequence((s) => s.id);
  const revision = useSequence((s) => s.revision);
  const what = shownShot() ? 'shot' : 'cut';
  const of = asked(what);
  const coming = useQuery({
    queryKey: ['renders', sequence, 'names', revision, what, how.names, how.kept, how.every, how.handles],
    queryFn: () =>
      postJson<{ first: string[] }>(`/api/sequences/${sequence}/renders/names`, { ...of, ...how }),
    placeholderData: keepPreviousData,
    retry: false,
  });
  if (coming.isError) return <Fault id={id} text={coming.error.message} />;
  const first = coming.data?.first ?? [];
  return (
    <p className="says mono file-name" title={first.join('\n')}>
      {first.slice(0, SHOWN).map((name) => (
        <span key={name}>
          {name}
          <br />
        </span>
      ))}
      {first.length > SHOWN ? `and ${first.length - SHOWN} more of a frame` : null}
    </p>
  );
}
