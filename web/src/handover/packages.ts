import { useQuery, useQueryClient } from '@tanstack/react-query';
import { at, getJson, postJson } from '../session/http';
import { allStored } from '../session/outbox';
import { say } from '../session/said';
import { useSequence } from '../session/state';

/** What of a sequence is handed over, with a sentence for each. */
export const PARTS = [
  { value: 'CUT', shows: 'Cut', tip: 'OpenTimelineIO and an edit decision list' },
  { value: 'CAMERAS', shows: 'Cameras', tip: 'Baked on every frame: OpenUSD, glTF and a table, by shot' },
  { value: 'SHOT_LIST', shows: 'Shot list', tip: 'To print, with pictures, and as a table' },
  {
    value: 'PLACES',
    shows: 'Guides and marks',
    tip: 'Where they are on every frame, in the world and in the picture, and whether something hides them',
  },
  {
    value: 'LENS',
    shows: 'Lens data',
    tip: 'Film back, squeeze, window and plates, for whoever adds effects',
  },
  {
    value: 'SET',
    shows: 'Set',
    tip: 'Everything that is rendered, with its motion, as OpenUSD; and one .usdz of it with the cameras',
  },
  { value: 'NOTES', shows: 'Notes', tip: 'Notes, status and markers, and a small picture of each shot' },
  { value: 'SOUND', shows: 'Sound', tip: 'What is heard from the first frame to the last, as one WAV' },
  { value: 'PICTURES', shows: 'Pictures and films', tip: 'The newest finished version of each' },
] as const;

export type Part = (typeof PARTS)[number]['value'];

/** Something that is pointed out before it is handed over. */
export interface Check {
  about: string;
  id: string;
  of: string;
  /** The code of the shot it belongs to. */
  shot: string | null;
  programme: number | null;
  scene: number | null;
  severity: 'wrong' | 'look' | 'know';
  text: string;
  advice: string;
  /** What a click mends, where something is sure to be better. */
  mend: string | null;
  accepted: string | null;
}

export interface Manifest {
  files: { path: string; kind: string; shot: string | null; sha256: string; bytes: number }[];
  shots: { code: string }[];
  checks: Check[];
  since: {
    number: number;
    leftOut: boolean;
    added: string[];
    changed: string[];
    same: string[];
    removed: string[];
  } | null;
}

/** A package in the list; what it holds is known once its file was fetched. */
export interface PackageShown {
  number: number;
  by: string;
  at: string;
  revision: number;
  manifest: Manifest | null;
}

/** How a package is made. */
export interface How {
  parts: Part[];
  marks: string[];
  handles: boolean;
  /** Whether what is bent by joints or shapes is in the set with its points on every frame. */
  bend: boolean;
  /** Number of an earlier one that it is compared with; null for none. */
  since: number | null;
  leaveOut: boolean;
}

export const USUAL: How = {
  parts: ['CUT', 'CAMERAS', 'SHOT_LIST', 'LENS'],
  marks: [],
  handles: true,
  bend: true,
  since: null,
  leaveOut: false,
};

/** While a file is being fetched it is asked so often whether it is whole. */
const LOOK_MS = 1000;

/** What was handed over of the open sequence, the newest first. */
export function usePackages() {
  const id = useSequence((s) => s.id);
  const client = useQueryClient();
  const list = useQuery({
    queryKey: ['packages', id],
    queryFn: () => getJson<PackageShown[]>(`/api/sequences/${id}/packages`),
    refetchInterval: (q) => (q.state.data?.[0]?.manifest === null ? LOOK_MS : false),
  });
  return { list, renew: () => client.invalidateQueries({ queryKey: ['packages', id] }) };
}

/** What is pointed out about the sequence as it is stored; asked for anew after every edit that was. */
export function useChecks() {
  const id = useSequence((s) => s.id);
  const revision = useSequence((s) => s.revision);
  return useQuery({
    queryKey: ['checks', id, revision],
    queryFn: () => getJson<Check[]>(`/api/sequences/${id}/checks`),
    placeholderData: (before) => before,
  });
}

export const fileOf = (sequence: string, number: number): string =>
  at(`/api/sequences/${sequence}/packages/${number}/file.zip`);

/** Hands over the sequence as it is now, or some of its shots: its file is fetched at once. Gives whether it was begun. */
export async function handOver(how: How, shots: string[]): Promise<boolean> {
  const { id } = useSequence.getState();
  try {
    await allStored();
    const { number } = await postJson<{ number: number }>(`/api/sequences/${id}/packages`, { ...how, shots });
    const link = document.createElement('a');
    link.href = fileOf(id, number);
    link.download = '';
    link.click();
    return true;
  } catch (e) {
    say((e as Error).message, true);
    return false;
  }
}
