import { create } from 'zustand';
import { postJson } from '../session/http';
import { core } from '../session/evaluated';
import { edit, endPreview, previewing, undo } from '../session/document';
import { laidOnce, Laying } from '../session/laying';
import { useHistory } from '../session/history';
import { say } from '../session/said';
import { useSequence } from '../session/state';
import { lensCamera } from '../session/view';
import { Refused } from '../core/answer';
import type { Command } from '../core/types';
import type { Telling } from './engine/engine';
import { Runner, Stopped } from './engine/runner';
import type { Fault, Line, Ran, Wish } from './engine/answer';
import type { Declared } from './vocabulary/parameters';
import { typing } from './typing/typing';

/** What a recipe of this page is called in faults. */
const NAME = 'recipe.ts';

interface Running {
  state: 'idle' | 'running' | 'tried' | 'kept';
  /** 0 to 1, of a recipe that says so. */
  progress: number | null;
  lines: Line[];
  fault: Fault | null;
  /** What the last run would change, while it is tried. */
  made: number;
  /** What the recipe asks for, and what is chosen. */
  declared: Record<string, Declared>;
  chosen: Record<string, unknown>;
  seed: number;
}

export const useRunning = create<Running>(() => ({
  state: 'idle',
  progress: null,
  lines: [],
  fault: null,
  made: 0,
  declared: {},
  chosen: {},
  seed: 1,
}));

const set = useRunning.setState;
const get = useRunning.getState;

const runner = new Runner();
/** What is asked while somebody types has a worker of its own, so that it waits for no recipe. */
const asking = new Runner();

let tried: { commands: Command[]; wishes: Wish[]; label: string } | null = null;

/** The edit of the last recipe that was kept, by its label and how many could be taken back with it. */
let kept: { label: string; edits: number } | null = null;

export const MOST_LINES = 300;

const saying = (line: Line) => set((s) => ({ lines: [...s.lines, line].slice(-MOST_LINES) }));

function now() {
  const s = useSequence.getState();
  return { frame: s.frame, camera: lensCamera(s), selected: s.selected };
}

/** Runs a recipe on the sequence as it is shown, with what is tried. */
async function ran(
  text: string,
  chosen: Record<string, unknown> | null,
  with_: Runner,
  told: Partial<Telling> = {},
): Promise<Ran> {
  const made = await typing.stripped(text);
  if ('fault' in made) {
    const line = text.slice(0, made.fault.from).split('\n').length;
    return {
      commands: [],
      said: [],
      wishes: [],
      value: '',
      declared: {},
      fault: { line, text: made.fault.text },
    };
  }
  return with_.run(
    { code: made.code, name: NAME, document: core().document(), chosen, seed: get().seed, now: now() },
    told,
  );
}

/** Takes what is tried out of the views again. */
export function dropTry(): void {
  if (!tried) return;
  tried = null;
  if (previewing()) endPreview();
  if (get().state === 'tried') set({ state: 'idle', made: 0 });
}

/** Shows in the views what a recipe would do. */
export async function tryOut(text: string, name: string): Promise<void> {
  dropTry();
  set({ state: 'running', progress: null, lines: [], fault: null, made: 0 });
  const label = `Recipe: ${name}`;
  const laying = new Laying();
  try {
    const r = await ran(text, get().chosen, runner, {
      line: saying,
      progress: (progress) => set({ progress }),
      made: (commands) => laying.more(commands),
    });
    if (Object.keys(r.declared).length) declaredNow(r.declared);
    if (r.fault) {
      laying.drop();
      set({ state: 'idle', fault: r.fault });
      return;
    }
    if (r.value) saying({ level: 'says', text: `→ ${r.value}` });
    const { commands } = laying;
    if (!commands.length) {
      set({ state: 'idle' });
      granted(r.wishes);
    } else if (await shown(laying, label, text)) {
      tried = { commands, wishes: r.wishes, label };
      set({ state: 'tried', made: commands.length });
    } else set({ state: 'idle' });
  } catch (e) {
    laying.drop();
    const text_ = e instanceof Error ? e.message : String(e);
    set({ state: 'idle', fault: e instanceof Stopped ? null : { line: 0, text: text_ } });
    if (e instanceof Stopped) saying({ level: 'warns', text: 'It was stopped. Nothing was changed.' });
  }
}

/** Shows what a recipe has made; where it is refused it is run once more, to say at which line. */
async function shown(laying: Laying, label: string, text: string): Promise<boolean> {
  try {
    return await laying.show(label);
  } catch (e) {
    if (!(e instanceof Refused)) throw e;
    const { fault } = await ran(text, get().chosen, runner);
    set({ fault: fault ?? { line: 0, text: e.message } });
    return false;
  }
}

/** Makes what is tried an edit. */
export function keep(): void {
  if (!tried) return;
  const { commands, wishes, label } = tried;
  tried = null;
  if (!edit(label, ...commands)) {
    set({ state: 'idle', made: 0 });
    return;
  }
  kept = { label, edits: useHistory.getState().undo.length };
  set({ state: 'kept' });
  granted(wishes);
}

/** Runs and keeps; a run of before that is still the last edit is taken back first. */
export async function runAgain(text: string, name: string): Promise<void> {
  dropTry();
  const history = useHistory.getState().undo;
  if (kept && history.length === kept.edits && history.at(-1)?.label === kept.label) undo();
  kept = null;
  await tryOut(text, name);
  keep();
}

/** Stands for the first recipe: what most of them do, so often that the browser makes it quick. */
const FIRST =
  "for (let i = 0; i < 1500; i++) kite.standIn('box', `Box ${i}`, { at: [i % 10, 0, -Math.floor(i / 10)] });";

/** Makes ready for the first that is tried. */
export function begin(): void {
  const document = { ...core().document(), entities: [] };
  const run = { code: FIRST, name: NAME, document, chosen: {}, seed: 1, now: { ...now(), selected: [] } };
  runner.begin(run, laidOnce);
}

export function stop(): void {
  runner.stop();
}

/** Ends both workers, since what they hold is large, and begins anew the next time. */
export function leave(): void {
  dropTry();
  runner.end();
  asking.end();
  kept = null;
  set({ state: 'idle', progress: null, lines: [], fault: null, made: 0, declared: {}, chosen: {}, seed: 1 });
}

function granted(wishes: Wish[]): void {
  const { id } = useSequence.getState();
  for (const { render } of wishes)
    if (render)
      postJson(`/api/sequences/${id}/renders`, { what: 'frame', ...render })
        .then(() => say('The recipe’s picture is being rendered: Hand over.'))
        .catch((e: unknown) => say(e instanceof Error ? e.message : String(e), true));
}

function declaredNow(declared: Record<string, Declared>): void {
  const chosen = { ...get().chosen };
  for (const name of Object.keys(chosen)) if (!(name in declared)) delete chosen[name];
  set({ declared, chosen });
}

/** Asks a recipe what it is about. */
export async function askParameters(text: string): Promise<void> {
  if (!text.includes('kite.parameters(')) return declaredNow({});
  if (get().state === 'tried' || get().state === 'running') return;
  try {
    declaredNow((await ran(text, null, asking)).declared);
  } catch {
    // it is asked again with the next letter
  }
}

export function choose(name: string, value: unknown): void {
  set((s) => ({ chosen: { ...s.chosen, [name]: value } }));
}

export const seeded = (seed: number): void => set({ seed });

/** What a line of the console comes to, without doing it. */
export async function look(line: string): Promise<{ value: string; makes: number; fault: string }> {
  if (get().state === 'running') return { value: '', makes: 0, fault: '' };
  const r = await ran(line, {}, asking);
  return { value: r.value, makes: r.commands.length, fault: r.fault?.text ?? '' };
}

/** Does a line of the console. */
export async function does(line: string): Promise<void> {
  dropTry(); // what it changes is of what is stored
  saying({ level: 'says', text: `› ${line}` });
  const r = await ran(line, {}, asking).catch((e: unknown) => {
    saying({ level: 'warns', text: e instanceof Error ? e.message : String(e) });
    return null;
  });
  if (!r) return;
  for (const said of r.said) saying(said);
  if (r.fault) saying({ level: 'warns', text: r.fault.text });
  else if (r.value) saying({ level: 'says', text: r.value });
  if (r.commands.length) edit(`Console: ${line.slice(0, 40)}`, ...r.commands);
  granted(r.wishes);
}

/** Empties what was said. */
export const cleared = (): void => set({ lines: [], fault: null });
