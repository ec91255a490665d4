import { lazy, type ComponentType, type LazyExoticComponent } from 'react';
import { say } from '../session/said';

/** How long until a part that did not come is asked for again. */
const AGAIN_MS = 1500;

const LATER =
  'A part of the page could not be fetched. It opens as soon as the server answers; where the server is newer than this page, reload the page.';

const wait = (ms: number) => new Promise<void>((r) => setTimeout(r, ms));

/** A part of the page, to be shown or to be fetched ahead of that. */
type Fetched<P> = LazyExoticComponent<ComponentType<P>> & { ahead: () => Promise<unknown> };

const asked: (() => Promise<unknown>)[] = [];

/**
 * A part of the page that is fetched when it is first shown, or by {@link fetchAhead}; where the server is away it comes as
 * soon as it answers.
 */
export function fetched<P>(load: () => Promise<ComponentType<P>>): Fetched<P> {
  let coming: Promise<{ default: ComponentType<P> }> | undefined;
  let [wanted, said] = [false, false];
  const get = () =>
    (coming ??= (async () => {
      for (;;) {
        try {
          return { default: await load() };
        } catch (e) {
          console.warn('A part of the page did not come', e);
          if (wanted && !said) say(LATER, true);
          said ||= wanted;
          await wait(AGAIN_MS);
        }
      }
    })());
  asked.push(get);
  const part = lazy(() => {
    wanted = true;
    return get();
  });
  return Object.assign(part, { ahead: get });
}

/** Fetches one after the other what nobody has needed yet, so that it opens at once, and while the server is away, too. */
export async function fetchAhead(): Promise<void> {
  for (const get of asked) await get();
}
