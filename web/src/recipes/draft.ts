import { create } from 'zustand';
import { persist } from 'zustand/middleware';

interface Draft {
  /** Of a recipe that the server keeps; null for one that it does not. */
  id: string | null;
  /** The version that was taken from the server, or stored there. */
  version: number;
  name: string;
  text: string;
  notes: string;
  shared: boolean;
  /** Whether it is another than the one that is kept. */
  changed: boolean;
  /** Grows when another text comes into the editor from outside. */
  opened: number;
}

const FIRST = `// A recipe makes a scene, or changes one. Ctrl+Enter tries it in the views; nothing is changed before you keep it.
const deck = kite.standIn('box', 'Deck', { width: '12m', height: '0.2m', depth: '6m', at: [0, -0.2, 0] });
const pim = kite.standIn('child', 'Little one', { at: [-1, 0, 0] });
const oda = kite.standIn('adult', 'Keeper', { at: [1.5, 0, -1], pan: 40 });

const a = kite.camera('Handing over', { at: [0, '1.6m', '5m'], lens: '35mm' });
a.attention().passTo(pim).passTo(oda, { at: '2s', over: 24 });
a.focus(pim).stop(2.8);
console.log(a.sees(oda, '4s'));
`;

/** What is being written. It stays in the browser until it is kept on the server. */
export const useDraft = create<Draft>()(
  persist(
    (): Draft => ({
      id: null,
      version: 0,
      name: 'New recipe',
      text: FIRST,
      notes: '',
      shared: false,
      changed: false,
      opened: 0,
    }),
    { name: 'jolly-kite.recipe', version: 1 },
  ),
);

/** Brings another recipe into the editor. */
export function openDraft(d: Partial<Draft> & { name: string; text: string }): void {
  useDraft.setState((s) => ({
    id: null,
    version: 0,
    notes: '',
    shared: false,
    changed: false,
    ...d,
    opened: s.opened + 1,
  }));
}

export function write(d: Partial<Draft>): void {
  useDraft.setState({ ...d, changed: true });
}

export const newDraft = (): void => openDraft({ name: 'New recipe', text: FIRST });
