import { useEffect } from 'react';
import { followMain } from '../session/together';
import { press } from '../shortcuts/press';
import { LensView } from '../views/LensView';
import { theHelper } from './helper';
import { RUNS } from './runs';
import { Panel } from './Panel';

/** A lens view in a window of its own: what the main window shows, on its frame. */
export function LensWindow() {
  useEffect(() => {
    theHelper();
    const leave = followMain();
    // nothing is removed from here: what is selected is not to be seen in this window
    const key = (e: KeyboardEvent) => press(e, RUNS, ['remove', 'commands', 'keys']);
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
