import { useEffect, useState } from 'react';
import type { Note } from '../core/types';
import { previewing } from '../session/document';
import { core } from '../session/evaluated';
import { programme } from '../session/programme';
import { useSequence } from '../session/state';

/** Nobody has edited anything for so long before it is looked at anew, ms. */
const QUIET_MS = 600;

/** How long the page may be kept by it at a time, ms. */
const SLICE_MS = 8;

/** Between two slices, ms: whatever else the page does comes first. */
const REST_MS = 24;

/** What an editor would point out about the reel, looked at shot by shot while nothing else is done. */
export function useCutNotes(): { notes: Note[]; looking: boolean } {
  const version = useSequence((s) => s.version);
  const playing = useSequence((s) => s.playing);
  const [found, setFound] = useState<{ notes: Note[]; looking: boolean }>({ notes: [], looking: true });
  useEffect(() => {
    if (playing) return;
    let timer = 0;
    let next = 0;
    const notes: Note[] = [];
    const slice = () => {
      if (previewing()) return; // the edit that comes of it asks again
      const until = performance.now() + SLICE_MS;
      const count = programme().length;
      while (next < count && performance.now() < until) notes.push(...core().cutNotes(next++));
      if (next < count) {
        timer = window.setTimeout(slice, REST_MS);
        return;
      }
      setFound({ notes: [...notes, ...core().otherNotes()], looking: false });
    };
    timer = window.setTimeout(slice, QUIET_MS);
    return () => clearTimeout(timer);
  }, [version, playing]);
  return found;
}
