import { useSequence, type Hit, type Picking } from './state';

const set = useSequence.setState;
const get = useSequence.getState;

export function select(...ids: string[]): void {
  const first = get().entities[ids[0]];
  set({
    selected: ids,
    chosenKeys: {}, // what is worked on is the selection now
    ...(first?.kind === 'camera' ? { camera: first.id, followCut: false } : {}),
  });
}

/** Gives what was clicked, in a view or in the roster, to what waits for it; false when nothing does. */
export function givePicked(hit: Hit): boolean {
  const { picking } = get();
  if (!picking) return false;
  if (!picking.take(hit) && get().picking === picking) set({ picking: null });
  return true;
}

/** Waits for a click in a view or the roster, in place of what was waited for before. */
export const pick = (prompt: string, take: Picking['take']): void => set({ picking: { prompt, take } });

export const endPicking = (): void => set({ picking: null });

/** Chooses keys: those of a lane in place of all others, or with them. */
export function choose(lane: string, frames: number[], more = false): void {
  set((s) => ({
    chosenKeys: more ? { ...s.chosenKeys, [lane]: frames } : frames.length ? { [lane]: frames } : {},
  }));
}

/** Chooses just these keys, by their lanes. */
export const chooseKeys = (chosenKeys: Record<string, number[]>): void => set({ chosenKeys });
