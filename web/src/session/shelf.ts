import type { Command } from '../core/types';
import type { PendingEdit } from './outbox';

const shelf = (sequence: string) => `jolly-kite.unsaved.${sequence}`;

/** Keeps what waits to be sent in the browser, so that it outlives the page. */
export function shelve(sequence: string, pending: PendingEdit[]): void {
  if (pending.length) localStorage.setItem(shelf(sequence), JSON.stringify(pending));
  else localStorage.removeItem(shelf(sequence));
}

/**
 * What an earlier page could not send. What cannot be read is put aside, not thrown away.
 *
 * @param unreadable called when something was put aside
 */
export function shelved(sequence: string, unreadable: () => void): PendingEdit[] {
  const text = localStorage.getItem(shelf(sequence));
  if (!text) return [];
  try {
    const kept = JSON.parse(text) as unknown;
    if (Array.isArray(kept)) {
      const now = kept.map(ofNow);
      if (now.every(isPending)) return now;
    }
  } catch {
    // told below
  }
  localStorage.setItem(`${shelf(sequence)}.unreadable`, text);
  localStorage.removeItem(shelf(sequence));
  unreadable();
  return [];
}

/** Earlier builds kept the commands as text, within an object of their name. */
function ofNow(e: unknown): unknown {
  const { commands } = (e ?? {}) as { commands?: unknown };
  if (typeof commands !== 'string') return e;
  return { ...(e as object), commands: (JSON.parse(commands) as { commands: Command[] }).commands };
}

const isPending = (e: unknown): e is PendingEdit =>
  typeof e === 'object' &&
  e !== null &&
  ['id', 'label'].every((k) => typeof (e as Record<string, unknown>)[k] === 'string') &&
  Array.isArray((e as PendingEdit).commands);
