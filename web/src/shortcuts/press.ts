import { matchKeyBindingPress, parseKeybinding, type KeyBindingPress } from 'tinykeys';
import { SHORTCUTS, type Shortcut, type ShortcutId } from './list';
import { useOwnKeys } from './own';
import { useSequence } from '../session/state';

/** The keys of a shortcut as they are now. */
export function keysOf(s: Shortcut, own = useOwnKeys.getState().keys): string[] {
  return own[s.id] ?? s.keys;
}

/** Whether keys go into what has the keyboard: only where text is typed they do. */
function takesText(at: HTMLElement): boolean {
  if (at instanceof HTMLTextAreaElement || at instanceof HTMLSelectElement || at.isContentEditable)
    return true;
  return (
    at instanceof HTMLInputElement && !['checkbox', 'radio', 'range', 'color', 'button'].includes(at.type)
  );
}

/** Menus, and panels beside what opened them. */
const FLOATS = '.MuiModal-root, .MuiPopper-root';

/** Keys that write nothing wherever they are pressed. */
const FUNCTION_KEY = /^F[0-9]+$/;

const parsed = new Map<string, KeyBindingPress>();
const pressOf = (key: string): KeyBindingPress => {
  let press = parsed.get(key);
  if (!press) parsed.set(key, (press = parseKeybinding(key)[0]));
  return press;
};

/**
 * Runs what a key stands for, unless someone is typing. What belongs to the control that has the keyboard comes first.
 *
 * @param runs gives false where a shortcut means nothing now
 * @param without shortcuts that do nothing in this window
 * @param first what takes keys before any shortcut; gives whether it did
 */
export function press(
  e: KeyboardEvent,
  runs: Record<ShortcutId, (e: KeyboardEvent) => boolean | void>,
  without: ShortcutId[] = [],
  first: (e: KeyboardEvent) => boolean = () => false,
): void {
  const at = e.target as HTMLElement;
  const types = takesText(at) && !FUNCTION_KEY.test(e.key);
  if (types || (e.key === ' ' && at instanceof HTMLButtonElement)) return;
  // a window has keys of its own, and so has what floats over the desk
  if (useSequence.getState().dialog || at.closest?.(FLOATS)) return;
  if (first(e)) return;
  for (const place of ['lens', undefined] as const)
    for (const s of SHORTCUTS) {
      if (s.within !== place || without.includes(s.id)) continue;
      if (place && !at.closest?.(`[data-keys="${place}"]`)) continue;
      if (!keysOf(s).some((k) => matchKeyBindingPress(e, pressOf(k)))) continue;
      if (runs[s.id](e) === false) continue;
      e.preventDefault();
      return;
    }
}
