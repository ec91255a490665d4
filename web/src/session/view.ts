import type { Desk } from './desks';
import { shownShot } from './programme';
import { useSequence, type SequenceState, type ViewState } from './state';

/** Changes what is looked at, or how. */
export const setView = (by: Partial<ViewState>): void => useSequence.setState(by);

/** Lays something over both views, or takes it away again. */
export const layOver = (what: NonNullable<ViewState['over']>): void =>
  useSequence.setState((s) => ({ over: s.over === what ? null : what }));

/**
 * Opens the recipes in the panel on the right.
 *
 * @param which id of one that ships; as they were left where it is left out
 */
export const openRecipes = (which = ''): void => setView({ recipes: which });

export const closeRecipes = (): void => setView({ recipes: null });

/** Opens the recipes or closes them. */
export const turnRecipes = (): void =>
  setView({ recipes: useSequence.getState().recipes === null ? '' : null });

/** Opens the dailies with something that was rendered. */
export const lookAt = (render: string): void => setView({ over: 'dailies', lookedAt: render });

/** Opens a desk. On the Cut desk the lens view shows the programme. */
export const openDesk = (desk: Desk): void => setView(desk === 'cut' ? { desk, followCut: true } : { desk });

/** The lens view shows this camera from now on. */
export const lookThrough = (camera: string): void => setView({ camera, followCut: false });

/** The camera the lens view shows: the cut's at this frame when it follows the cut. */
export function lensCamera(s: SequenceState): string {
  if (!s.followCut) return s.camera;
  return shownShot()?.camera ?? '';
}
