import { SHORTCUTS, type ShortcutId } from './list';
import { useOwnKeys } from './own';
import { keysOf } from './press';

const ON_MAC = /Mac|iP(hone|ad)/.test(navigator.platform);

const SAID: Record<string, string> = {
  $mod: ON_MAC ? '⌘' : 'Ctrl',
  Space: 'Space',
  ArrowLeft: '←',
  ArrowRight: '→',
  ArrowUp: '↑',
  ArrowDown: '↓',
  Escape: 'Esc',
};

/** A key as people read it: `$mod+Shift+z` is “Ctrl+Shift+Z”. */
export function said(key: string): string {
  return key
    .split('+')
    .map((part) => SAID[part] ?? (part.length === 1 ? part.toUpperCase() : part))
    .join('+')
    .replace(/^Shift\+\?$/, '?');
}

/** The keys of a shortcut as people read them, as they are now; '' when it has none. */
export function keysSaid(id: ShortcutId, own = useOwnKeys.getState().keys): string {
  return keysOf(
    SHORTCUTS.find((s) => s.id === id)!,
    own,
  )
    .map(said)
    .join(' or ');
}

/** A tooltip with the key that does the same. */
export function withKeys(text: string, id: ShortcutId, own = useOwnKeys.getState().keys): string {
  const keys = keysSaid(id, own);
  return keys ? `${text} (${keys})` : text;
}

/** As {@link withKeys}, in what shall be said anew when somebody changes a key. */
export function useWithKeys(): (text: string, id: ShortcutId) => string {
  const own = useOwnKeys((s) => s.keys);
  return (text, id) => withKeys(text, id, own);
}

/** What was pressed, as the list writes it; '' for a modifier alone. */
export function pressed(e: KeyboardEvent): string {
  if (['Control', 'Shift', 'Alt', 'Meta', 'AltGraph', 'Dead', 'Unidentified'].includes(e.key)) return '';
  const key = e.key === ' ' ? 'Space' : e.key.length === 1 ? e.key.toLowerCase() : e.key;
  return [
    ...((ON_MAC ? e.metaKey : e.ctrlKey) ? ['$mod'] : []),
    ...(ON_MAC && e.ctrlKey ? ['Control'] : []),
    ...(e.altKey ? ['Alt'] : []),
    ...(e.shiftKey ? ['Shift'] : []),
    key === '+' ? e.code : key, // a plus joins the parts of a key as it is written
  ].join('+');
}
