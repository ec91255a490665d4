import { useEffect, useState } from 'react';
import { arrangementOf, useArrangements, type Arrangement } from '../session/arrangement';
import { useSequence } from '../session/state';

/** The size of the window. */
function useRoom(): { width: number; height: number } {
  const [room, setRoom] = useState({ width: window.innerWidth, height: window.innerHeight });
  useEffect(() => {
    const look = () => setRoom({ width: window.innerWidth, height: window.innerHeight });
    window.addEventListener('resize', look);
    return () => window.removeEventListener('resize', look);
  }, []);
  return room;
}

/** What recipes have at least to be written in, pixels, where the window has it. */
const RECIPES_PX = 470;

/** How the desk that is open is arranged now, and the window's size in pixels. */
export function useArrangement(): { arrangement: Arrangement; width: number; height: number } {
  const desk = useSequence((s) => s.desk);
  const own = useArrangements((s) => s.own);
  const room = useRoom();
  const recipes = useSequence((s) => s.recipes);
  const kept = own[desk] ?? {};
  const wide = { ...kept, sideFolded: false, side: Math.max(RECIPES_PX, kept.side ?? 0), rosterFolded: true };
  const taken = recipes ? { ...own, [desk]: wide } : own;
  return { arrangement: arrangementOf(desk, room.width, room.height, taken), ...room };
}
