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

/** What recipes have at least to be written in, pixels, where the window has it; the lanes are as low as this meanwhile. */
const [RECIPES_PX, LANES_PX] = [470, 150];

/** How the desk that is open is arranged now, and the window's size in pixels. */
export function useArrangement(): { arrangement: Arrangement; width: number; height: number } {
  const desk = useSequence((s) => s.desk);
  const own = useArrangements((s) => s.own);
  const room = useRoom();
  const recipes = useSequence((s) => s.recipes !== null);
  const kept = own[desk] ?? {};
  const wide = {
    ...kept,
    rosterFolded: true,
    sideFolded: false,
    side: Math.max(RECIPES_PX, kept.side ?? 0),
    time: LANES_PX,
  };
  const taken = recipes ? { ...own, [desk]: wide } : own;
  return { arrangement: arrangementOf(desk, room.width, room.height, taken), ...room };
}
