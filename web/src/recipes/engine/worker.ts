import { loadCore } from '../../core/load';
import type { Line, Run } from './answer';
import { loadMachine, run } from './engine';

/** What the page asks of the worker. */
export interface Asked {
  /** Which one of the page's it is; all that is told of it says so. */
  nth: number;
  base: string;
  run: Run;
  /** Whether what is made is told while it is made. */
  pieces: boolean;
  /** Whether nobody waits for it: it is run so that the next one finds everything loaded and compiled. Then nothing is told but what it makes. */
  quietly: boolean;
}

/** What the worker tells the page; commands as text, since many small things are slow to be copied. */
export type Told = { nth: number } & (
  { line: Line } | { progress: number } | { made: string } | { ran: string } | { failed: string }
);

/** Assets whose nodes and clips the core knows. */
const known = new Set<string>();

addEventListener('message', (e: MessageEvent<Asked>) => {
  const { nth, base, run: asked, pieces, quietly } = e.data;
  const always = (told: Told) => postMessage(told);
  const tell = quietly ? () => {} : always;
  void (async () => {
    try {
      const [core, machine] = await Promise.all([loadCore(base), loadMachine()]);
      for (const [asset, rig] of Object.entries(asked.models))
        if (!known.has(asset)) {
          core.registerModel(asset, rig);
          known.add(asset);
        }
      const ran = run(machine, core, asked, {
        line: (line) => tell({ nth, line }),
        progress: (progress) => tell({ nth, progress }),
        ...(pieces ? { made: (commands) => always({ nth, made: JSON.stringify(commands) }) } : {}),
      });
      tell({ nth, ran: JSON.stringify(ran) });
    } catch (fault) {
      if (quietly) return; // whoever runs one next tries again, and is told
      console.error('A recipe could not be run', fault);
      tell({ nth, failed: fault instanceof Error ? fault.message : String(fault) });
    }
  })();
});
