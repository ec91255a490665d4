import { spanAt } from './cut';
import { useSequence, type SequenceState, type ViewState } from './state';

/** Changes what is looked at, or how. */
export const setView = (by: Partial<ViewState>): void => useSequence.setState(by);

/** Lays something over both views, or takes it away again. */
export const layOver = (what: NonNullable<ViewState['over']>): void =>
  useSequence.setState((s) => ({ over: s.over === what ? null : what }));

/** The lens view shows this camera from now on. */
export const lookThrough = (camera: string): void => setView({ camera, followCut: false });

/** The camera the lens view shows: the cut's at this frame when it follows the cut. */
export function lensCamera(s: SequenceState): string {
  if (!s.followCut) return s.camera;
  return spanAt(s.frame)?.camera ?? '';
}
