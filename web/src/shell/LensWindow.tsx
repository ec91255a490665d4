import { useEffect } from 'react';
import { followMain } from '../session/together';
import type { ShortcutId } from '../shortcuts/list';
import { press } from '../shortcuts/press';
import { LensView } from '../frame/LensView';
import { theHelper } from './helper';
import { RUNS } from './runs';
import { Panel } from './Panel';

/** Nothing is removed from here, since what is selected is not to be seen; and what opens or folds is in the main window. */
const NOT_HERE: ShortcutId[] = ['remove', 'commands', 'keys', 'sheet', 'roster', 'side'];

/** A lens view in a window of its own: what the main window shows, on its frame. */
export function LensWindow() {
  useEffect(() => {
    theHelper();
    const leave = followMain();
    const key = (e: KeyboardEvent) => press(e, RUNS, NOT_HERE);
    document.addEventListener('keydown', key);
    return () => {
      leave();
      document.removeEventListener('keydown', key);
    };
  }, []);
  return (
    <div className="lens-window">
      <Panel name="The lens view" area="view">
        <LensView alone />
      </Panel>
    </div>
  );
}
