import type { Command, Sound, SoundTrack } from '../core/types';
import { edit, LOOKS_ONLY } from '../session/document';
import { core } from '../session/evaluated';
import { call } from '../session/http';
import { newId } from '../session/ids';
import { programme } from '../session/programme';
import { editProposed } from '../session/proposals';
import { say } from '../session/said';
import { select } from '../session/selection';
import { useSequence } from '../session/state';

const get = useSequence.getState;

export const SOUNDS = /\.(wav|flac|mp3|ogg|oga)$/i;
export const SOUND_FILES = '.wav,.flac,.mp3,.ogg,.oga';

/** What the server says of a recording. */
interface Recording {
  asset: string;
  name: string;
  seconds: number;
  warnings: string[];
}

/** The sound that is selected, or undefined. */
export function selectedSound(): Sound | undefined {
  const e = get().entities[get().selected[0]];
  return e?.kind === 'sound' ? e : undefined;
}

/** The tracks from the top down. */
export const tracks = (): SoundTrack[] =>
  core()
    .soundTracks()
    .map((id) => get().entities[id])
    .filter((e): e is SoundTrack => e?.kind === 'soundTrack');

/** The sounds of a track, in their order. */
export const soundsOf = (track: string): Sound[] =>
  Object.values(get().entities)
    .filter((e): e is Sound => e.kind === 'sound' && e.track === track)
    .sort((a, b) => a.at - b.at);

/** Where a sound has ended, a frame of the programme. */
export const endOf = (s: Sound, fps: number): number => s.at + s.lastsS * fps;

/**
 * Has the server read recordings, and lays them on the programme, each on the first track that has room for it.
 *
 * @param at a frame of the programme; the playhead's where it is left out
 * @param track the one they were dropped on
 */
export async function bringSounds(files: File[], at?: number, track = ''): Promise<void> {
  const { mayEdit, id: sequence, reel } = get();
  if (!mayEdit) {
    say(LOOKS_ONLY, true);
    return;
  }
  if (!programme().length) {
    say('Sounds lie over the programme, and there is no shot yet. Cut to a camera first.', true);
    return;
  }
  const frame = at ?? reel ?? programme()[0].first;
  const wrong: string[] = [];
  const came: string[] = [];
  for (const file of files) {
    say(`${file.name} is being read …`);
    let r: Recording;
    try {
      const answer = await call(
        'POST',
        `/api/assets/sounds?name=${encodeURIComponent(file.name)}&sequence=${sequence}`,
        file,
        'application/octet-stream',
      );
      r = (await answer.json()) as Recording;
    } catch (e) {
      wrong.push(e instanceof Error ? e.message : String(e));
      continue; // the others are taken all the same
    }
    if (get().id !== sequence) return; // another sequence is open by now
    const id = newId('sound');
    const name = r.name.replace(/\.[^.]+$/, '') || 'Sound';
    const made = editProposed(`Lay ${name}`, () =>
      core().laySound(r.asset, r.seconds, name, frame, track, id, newId('track')),
    );
    if (!made) return;
    select(id);
    came.push(`${name} is in, ${core().showNumber(r.seconds, 'seconds')}.`);
    wrong.push(...r.warnings.map((w) => `${name}: ${w}`));
  }
  say([...wrong, ...came].join(' '), wrong.length > 0);
}

/** Changes what there is to a sound. */
export const putSound = (label: string, s: Sound, by: Partial<Sound>): boolean =>
  edit(label, { kind: 'replace', entity: { ...s, ...by } });

/** Changes what there is to a track. */
export const putTrack = (label: string, t: SoundTrack, by: Partial<SoundTrack>): boolean =>
  edit(label, { kind: 'replace', entity: { ...t, ...by } });

export const newTrack = (): unknown =>
  editProposed('A track for sounds', () => core().newSoundTrack(newId('track')));

/** Takes a track away, with the sounds on it. */
export function removeTrack(t: SoundTrack): void {
  const command: Command = { kind: 'remove', ids: [t.id], letGo: true };
  const lost = soundsOf(t.id).length;
  if (edit(`Remove ${t.name}`, command) && lost)
    say(`${t.name} is gone with ${lost === 1 ? 'its sound' : `its ${lost} sounds`}. Undo brings it back.`);
}

/** Two sounds of one, where the playhead is. */
export function splitSound(s: Sound): void {
  const { reel } = get();
  if (reel === null) return;
  const id = newId('sound');
  if (editProposed(`Split ${s.name}`, () => core().splitSound(s.id, reel, id))) select(id);
}

export function removeSound(s: Sound): void {
  edit(`Remove ${s.name}`, { kind: 'remove', ids: [s.id], letGo: true });
}
