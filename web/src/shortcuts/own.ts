import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { ShortcutId } from './list';

interface Own {
  /** Keys chosen instead of the usual ones; an empty list where somebody wants none. */
  keys: Partial<Record<ShortcutId, string[]>>;
}

/** What a person has changed about the keys, kept in their browser. */
export const useOwnKeys = create<Own>()(
  persist((): Own => ({ keys: {} }), { name: 'jolly-kite.keys', version: 1 }),
);

export function chooseKeys(id: ShortcutId, keys: string[]): void {
  useOwnKeys.setState((s) => ({ keys: { ...s.keys, [id]: keys } }));
}

/** Gives a shortcut its usual keys back, or all of them. */
export function usualAgain(id?: ShortcutId): void {
  useOwnKeys.setState((s) => {
    const keys = { ...s.keys };
    if (id) delete keys[id];
    return { keys: id ? keys : {} };
  });
}
