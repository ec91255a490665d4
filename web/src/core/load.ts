import { bridge, type Core } from './bridge';
import type { KiteCore } from './types';

/** The least module with a garbage-collected type: a struct of one byte. A browser that can run the core takes it. */
const A_STRUCT = new Uint8Array([0, 97, 115, 109, 1, 0, 0, 0, 1, 5, 1, 95, 1, 120, 0]);

let core: Core | undefined;
let coming: Promise<Core> | undefined;

/**
 * Loads the core's WebAssembly once. Fails with a sentence where the browser cannot run it.
 *
 * @param base address of the page; a worker has none of its own
 */
export function loadCore(base = document.baseURI): Promise<Core> {
  return (coming ??= fetchCore(base).catch((e: unknown) => {
    coming = undefined; // whoever asks next tries again
    throw e;
  }));
}

async function fetchCore(base: string): Promise<Core> {
  try {
    const runtime = (await import(/* @vite-ignore */ new URL('core/kite-core.js', base).href)) as {
      load(path: string): Promise<{ exports: KiteCore }>;
    };
    core = bridge((await runtime.load(new URL('core/kite-core.wasm', base).href)).exports);
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
export function theCore(): Core {
  if (!core) throw new Error('The core is not loaded yet.');
  return core;
}
