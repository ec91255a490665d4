import { loadCore } from '../../core/load';
import type { Line, Ran, Run } from './answer';
import { loadMachine, run } from './engine';

/** What the page asks of the worker. */
export interface Asked {
  base: string;
  run: Run;
}

/** What the worker tells the page. */
export type Told = { line: Line } | { progress: number } | { ran: Ran } | { failed: string };

const tell = (told: Told) => postMessage(told);

/** Assets whose nodes and clips the core knows. */
const known = new Set<string>();

addEventListener('message', (e: MessageEvent<Asked>) => {
  const { base, run: asked } = e.data;
  void (async () => {
    try {
      const [core, machine] = await Promise.all([loadCore(base), loadMachine()]);
      for (const [asset, rig] of Object.entries(asked.models))
        if (!known.has(asset)) {
          core.registerModel(asset, rig);
          known.add(asset);
        }
      tell({
        ran: run(machine, core, asked, {
          line: (line) => tell({ line }),
          progress: (progress) => tell({ progress }),
        }),
      });
    } catch (fault) {
      console.error('A recipe could not be run', fault);
      tell({ failed: fault instanceof Error ? fault.message : String(fault) });
    }
  })();
});
