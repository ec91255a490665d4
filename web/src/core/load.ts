import type { KiteCore } from './types';

/** What the core gives where it can refuse: a result, or a reason. */
export interface Refusal {
  code: string;
  entity: string;
  field: string;
  text: string;
}

/** The least module with a garbage-collected type: a struct of one byte. A browser that can run the core takes it. */
const A_STRUCT = new Uint8Array([0, 97, 115, 109, 1, 0, 0, 0, 1, 5, 1, 95, 1, 120, 0]);

let core: KiteCore | undefined;
let coming: Promise<KiteCore> | undefined;

/** Loads the core's WebAssembly once. Fails with a sentence where the browser cannot run it. */
export function loadCore(): Promise<KiteCore> {
  return (coming ??= fetchCore().catch((e: unknown) => {
    coming = undefined; // whoever asks next tries again
    throw e;
  }));
}

async function fetchCore(): Promise<KiteCore> {
  try {
    const runtime = (await import(
      /* @vite-ignore */ new URL('core/kite-core.js', document.baseURI).href
    )) as {
      load(path: string): Promise<{ exports: KiteCore }>;
    };
    core = (await runtime.load(new URL('core/kite-core.wasm', document.baseURI).href)).exports;
    return core;
  } catch (e) {
    const tooOld = typeof WebAssembly === 'undefined' || !WebAssembly.validate(A_STRUCT);
    throw new Error(
      tooOld
        ? 'This browser cannot run Jolly Kite: it lacks WebAssembly garbage collection. Use a Chromium-based browser from version 119 on, Firefox from 120, or Safari from 18.2.'
        : `The core of the page could not be loaded (${e instanceof Error ? e.message : e}). Reload the page.`,
      { cause: e },
    );
  }
}

/** The core, once {@link loadCore} has finished. */
export function theCore(): KiteCore {
  if (!core) throw new Error('The core is not loaded yet.');
  return core;
}

/** Parses an answer of the core; a refusal is thrown as an error that carries it. */
export function answer<T>(json: string): T {
  const parsed = JSON.parse(json) as T & { refusal?: Refusal };
  if (parsed && typeof parsed === 'object' && parsed.refusal) throw new Refused(parsed.refusal);
  return parsed;
}

/** An edit or a value that was not taken. */
export class Refused extends Error {
  constructor(readonly refusal: Refusal) {
    super(refusal.text);
  }
}
