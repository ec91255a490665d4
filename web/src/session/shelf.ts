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
    if (Array.isArray(kept) && kept.every(isPending)) return kept;
  } catch {
    // told below
  }
  localStorage.setItem(`${shelf(sequence)}.unreadable`, text);
  localStorage.removeItem(shelf(sequence));
  unreadable();
  return [];
}

const isPending = (e: unknown): e is PendingEdit =>
  typeof e === 'object' &&
  e !== null &&
  ['id', 'label', 'commands'].every((k) => typeof (e as Record<string, unknown>)[k] === 'string');
