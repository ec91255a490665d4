import { useEffect, useState } from 'react';
import type { ShotFacts, ShotRow } from '../core/types';
import { core, takeOf } from '../session/evaluated';
import { useSequence } from '../session/state';

/** How long nobody has edited anything before it is told anew, ms: an edit in hand is not held up. */
const QUIET_MS = 400;

/** What has become known is shown so often, ms: a long list is not drawn anew for each of its shots. */
const SHOW_MS = 200;

/** After the page has had its turn: shots are told one by one. */
const soon = (work: () => void): (() => void) => {
  const t = setTimeout(work, 0);
  return () => clearTimeout(t);
};

/** What is said of each shot with a camera, by its id, as it becomes known. What was said stays until it is said anew. */
export function useTold(rows: ShotRow[]): Record<string, ShotFacts> {
  const version = useSequence((s) => s.version);
  const [told, setTold] = useState<Record<string, ShotFacts>>({});
  const asked = rows.map((r) => `${r.id} ${r.camera} ${r.sceneFirst} ${r.sceneLast}`).join();
  useEffect(() => {
    const waiting = rows.filter((r) => r.camera);
    let leave = () => {};
    let [known, shown]: [Record<string, ShotFacts>, number] = [{}, performance.now()];
    const next = () => {
      const row = waiting.shift();
      if (row) known[row.id] = core().shotFacts(row.camera!, takeOf(row.id), row.sceneFirst, row.sceneLast);
      if (!row || performance.now() - shown > SHOW_MS) {
        const some = known;
        setTold((t) => ({ ...t, ...some }));
        [known, shown] = [{}, performance.now()];
      }
      if (row) leave = soon(next);
    };
    const quiet = setTimeout(next, QUIET_MS);
    return () => {
      clearTimeout(quiet);
      leave();
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the rows are what `asked` says
  }, [version, asked]);
  return told;
}
