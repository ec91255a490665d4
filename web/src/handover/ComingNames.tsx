import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { asked, type How } from '../doing/renders';
import { NamesShown } from '../fields/NamesShown';
import { postJson } from '../session/http';
import { shownShot } from '../session/programme';
import { useSequence } from '../session/state';

const OF = { shot: 'This shot, its first frame:', cut: 'The cut, its first frame:', frame: 'This frame:' };

/** What the files of this shot's, or the cut's, first frame will be called, or of a frame where there is no cut yet; or why they cannot be. */
export function ComingNames({ how }: { how: How }) {
  const sequence = useSequence((s) => s.id);
  const revision = useSequence((s) => s.revision);
  const shot = useSequence(() => shownShot()?.id ?? '');
  const anyShot = useSequence((s) => Object.values(s.entities).some((e) => e.kind === 'shot'));
  const what = shot ? 'shot' : anyShot ? 'cut' : 'frame';
  const frame = useSequence((s) => (what === 'frame' ? s.frame : null));
  const coming = useQuery({
    queryKey: [
      'renders',
      sequence,
      'names',
      revision,
      what,
      shot,
      frame,
      how.names,
      how.kept,
      how.every,
      how.handles,
    ],
    queryFn: () =>
      postJson<{ first: string[] }>(`/api/sequences/${sequence}/renders/names`, { ...asked(what), ...how }),
    placeholderData: keepPreviousData,
    retry: false,
  });
  const fault = coming.isError ? coming.error.message : '';
  return <NamesShown names={coming.data?.first ?? []} fault={fault} of={OF[what]} />;
}
