import { useSequence } from '../session/state';
import { onReel } from '../session/time';
import { ReelTime } from './ReelTime';
import { SceneTime } from './SceneTime';

/** Transport and lanes: of the programme on the Cut desk, of the scene on all others and where there is no programme. */
export function Time() {
  useSequence((s) => s.version); // a first shot makes a programme
  return useSequence(onReel) ? <ReelTime /> : <SceneTime />;
}
