import type { Ask, Completion, Fault, Hover, Reply } from './answer';

let worker: Worker | null = null;
let asked = 0;
const waiting = new Map<number, { done: (r: Reply) => void; failed: (e: Error) => void }>();

function theWorker(): Worker {
  if (worker) return worker;
  worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
  worker.onmessage = (e: MessageEvent<{ id: number; reply: Reply; failed?: string }>) => {
    const w = waiting.get(e.data.id);
    waiting.delete(e.data.id);
    if (e.data.failed) w?.failed(new Error(e.data.failed));
    else w?.done(e.data.reply);
  };
  worker.onerror = (e) => {
    for (const w of waiting.values())
      w.failed(new Error(e.message || 'The words of recipes could not be loaded.'));
    waiting.clear();
    worker = null; // whoever asks next tries again
  };
  return worker;
}

const ask = <R extends Reply>(what: Ask): Promise<R> =>
  new Promise((done, failed) => {
    const id = ++asked;
    waiting.set(id, { done: done as (r: Reply) => void, failed });
    theWorker().postMessage({ id, ask: what });
  });

/** Types of recipes: what can be written, what a word means, what is wrong. */
export const typing = {
  completions: (text: string, at: number) =>
    ask<{ from: number; all: Completion[] }>({ what: 'completions', text, at }),
  described: (text: string, at: number, name: string) => ask<string>({ what: 'described', text, at, name }),
  hover: (text: string, at: number) => ask<Hover | null>({ what: 'hover', text, at }),
  faults: (text: string) => ask<Fault[]>({ what: 'faults', text }),
  stripped: (text: string) => ask<{ code: string } | { fault: Fault }>({ what: 'stripped', text }),
};
