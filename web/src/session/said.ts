import { Refused } from '../core/answer';
import { useSequence } from './state';

const set = useSequence.setState;
const get = useSequence.getState;

/** Shows one sentence at the foot of the window. */
export function say(text: string, bad = false): void {
  set({ message: { text, bad, at: Date.now() } });
}

/** Takes the last refusal away from where messages show, to be said where it belongs. */
export function takeRefusal(): string {
  const { message } = get();
  if (!message?.bad) return '';
  set({ message: null });
  return message.text;
}

/** Runs something that may be refused, and says why when it is. */
export function attempt<T>(work: () => T): T | undefined {
  try {
    return work();
  } catch (e) {
    if (e instanceof Refused) say(e.message, true);
    else throw e;
    return undefined;
  }
}

/** Puts the message away. */
export const saidEnough = (): void => set({ message: null });
