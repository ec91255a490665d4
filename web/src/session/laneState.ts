import { useSequence, type Keying, type LaneState } from './state';

const set = useSequence.setState;

export const setKeying = (keying: Keying): void => set({ keying });

export const mayKey = ({ keying } = useSequence.getState()): boolean => keying === 'all';

/** Puts a lane into a list, or takes it out. */
export const flipLane = (list: Exclude<keyof LaneState, 'keying'>, lane: string): void =>
  set((s) => ({ [list]: s[list].includes(lane) ? s[list].filter((l) => l !== lane) : [...s[list], lane] }));

export const openLane = (lane: string): void => set((s) => ({ openLanes: [...s.openLanes, lane] }));

/** Shows lanes that were hidden. */
export const showLanes = (lanes: string[]): void =>
  set((s) => ({ hiddenLanes: s.hiddenLanes.filter((l) => !lanes.includes(l)) }));
