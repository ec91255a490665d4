import { loadCore } from '../../core/load';
import type { Line, Run } from './answer';
import { loadMachine, run } from './engine';

/** What the page asks of the worker. */
export interface Asked {
  base: string;
  run: Run;
  /** Whether what is made is told while it is made. */
  pieces: boolean;
  /** Whether nobody waits for it: it is run so that the next one finds everything loaded and compiled. */
  quietly: boolean;
}

/** What the worker tells the page; commands as text, since many small things are slow to be copied. */
export type Told =
  { line: Line } | { progress: number } | { made: string } | { ran: string } | { failed: string };

/** Assets whose nodes and clips the core knows. */
const known = new Set<string>();

addEventListener('message', (e: MessageEvent<Asked>) => {
  const { base, run: asked, pieces, quietly } = e.data;
  const tell = (told: Told) => quietly || postMessage(told);
  void (async () => {
    try {
      const [core, machine] = await Promise.all([loadCore(base), loadMachine()]);
      for (const [asset, rig] of Object.entries(asked.models))
        if (!known.has(asset)) {
          core.registerModel(asset, rig);
          known.add(asset);
        }
      const ran = run(machine, core, asked, {
        line: (line) => tell({ line }),
        progress: (progress) => tell({ progress }),
        ...(pieces ? { made: (commands) => tell({ made: JSON.stringify(commands) }) } : {}),
      });
      tell({ ran: JSON.stringify(ran) });
    } catch (fault) {
      if (quietly) return; // whoever runs one next tries again, and is told
      console.error('A recipe could not be run', fault);
      tell({ failed: fault instanceof Error ? fault.message : String(fault) });
    }
  })();
});
