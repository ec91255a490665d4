import { call } from '../../session/http';
import type { Command, Entity } from '../../core/types';
import type { Ran, Run } from './answer';
import type { Telling } from './engine';
import type { Asked, Told } from './worker';

/** Whether a recipe was stopped before it had ended. */
export class Stopped extends Error {}

const rigs = new Map<string, string>();

/** Nodes and clips of the models that pieces name, as the server gives them. */
async function modelsOf(entities: Entity[]): Promise<Record<string, string>> {
  const assets = new Set(
    entities.flatMap((e) => (e.kind === 'piece' && e.shape.kind === 'model' ? [e.shape.asset] : [])),
  );
  await Promise.all(
    [...assets]
      .filter((a) => !rigs.has(a))
      .map(async (a) => rigs.set(a, await (await call('GET', `/api/assets/${a}/rig`)).text())),
  );
  return Object.fromEntries([...assets].map((a) => [a, rigs.get(a)!]));
}

/** Runs recipes in a worker, one at a time. */
export class Runner {
  private worker: Worker | null = null;
  private stopping: (() => void) | null = null;
  private nth = 0;

  private theWorker(): Worker {
    return (this.worker ??= new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' }));
  }

  /**
   * Loads what a recipe needs and runs one that nobody asked for: code that has never run is several times slower.
   *
   * @param made takes what it makes, as long as no other is run
   */
  begin(run: Omit<Run, 'models'>, made: (commands: Command[]) => void): void {
    if (this.stopping) return; // somebody was quicker
    const worker = this.theWorker();
    const nth = ++this.nth;
    worker.onmessage = (e: MessageEvent<Told>) => {
      if ('made' in e.data) made(JSON.parse(e.data.made) as Command[]);
    };
    const asked: Asked = {
      nth,
      base: document.baseURI,
      run: { ...run, models: {} },
      pieces: true,
      quietly: true,
    };
    worker.postMessage(asked);
  }

  async run(run: Omit<Run, 'models'>, told: Partial<Telling> = {}): Promise<Ran> {
    const models = await modelsOf(run.document.entities);
    this.stop();
    const worker = this.theWorker();
    const nth = ++this.nth;
    return new Promise<Ran>((done, failed) => {
      this.stopping = () => failed(new Stopped('It was stopped.'));
      worker.onmessage = (e: MessageEvent<Told>) => {
        const t = e.data;
        if (t.nth !== nth) return; // of one that nobody asked for
        if ('line' in t) told.line?.(t.line);
        else if ('progress' in t) told.progress?.(t.progress);
        else if ('made' in t) told.made?.(JSON.parse(t.made) as Command[]);
        else {
          this.stopping = null;
          if ('ran' in t) done(JSON.parse(t.ran) as Ran);
          else failed(new Error(t.failed));
        }
      };
      worker.onerror = (e) => failed(new Error(e.message || 'The recipe could not be run. Reload the page.'));
      const asked: Asked = {
        nth,
        base: document.baseURI,
        run: { ...run, models },
        pieces: told.made !== undefined,
        quietly: false,
      };
      worker.postMessage(asked);
    });
  }

  /** Ends what runs, whatever it is doing. */
  stop(): void {
    if (!this.stopping) return;
    this.worker?.terminate();
    this.worker = null;
    this.stopping();
    this.stopping = null;
  }

  end(): void {
    this.stop();
    this.worker?.terminate();
    this.worker = null;
  }
}
