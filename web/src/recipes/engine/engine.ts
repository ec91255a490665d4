import variant from '@jitl/quickjs-singlefile-mjs-release-sync';
import {
  DefaultIntrinsics,
  newQuickJSWASMModuleFromVariant,
  type QuickJSContext,
  type QuickJSHandle,
  type QuickJSWASMModule,
} from 'quickjs-emscripten-core';
import { vocabulary } from 'virtual:vocabulary';
import type { Core } from '../../core/bridge';
import type { Command } from '../../core/types';
import type { Declared } from '../vocabulary/parameters';
import type { Fault, Line, Ran, Run, Wish } from './answer';
import { LIMITS } from './limits';
import { chance } from './chance';
import { lineIn, World, Wrong } from './world';

let loading: Promise<QuickJSWASMModule> | undefined;

/** The machine that recipes run in: a JavaScript of its own that has nothing but what it is given. */
export const loadMachine = (): Promise<QuickJSWASMModule> =>
  (loading ??= newQuickJSWASMModuleFromVariant(variant));

/** What is told while a recipe runs. */
export interface Telling {
  line(line: Line): void;
  progress(share: number): void;
  /**
   * Hears of what is made, piece by piece, and takes it upon itself whether all of it can be: what comes of the
   * recipe has no commands then. Without it the core takes them at the end, and says which line is at fault.
   */
  made?(commands: Command[]): void;
}

/** Thrown into a recipe that is only asked for its parameters. */
const ONLY_ASKED = 'only its parameters are asked for';

/** Runs a recipe on a sequence of its own: nothing outside changes. */
export function run(machine: QuickJSWASMModule, core: Core, asked: Run, telling: Telling): Ran {
  try {
    return once(machine, core, asked, telling);
  } catch (e) {
    if (!(e instanceof Unplaced)) throw e;
    return once(machine, core, asked, { ...telling, line: () => {}, made: undefined });
  }
}

/** A command was refused while nobody asked for lines: the recipe is run once more to say at which one. */
class Unplaced extends Error {}

function once(machine: QuickJSWASMModule, core: Core, asked: Run, telling: Telling): Ran {
  const { made = null } = telling;
  const ran: Ran = { commands: [], said: [], wishes: [], value: '', declared: {}, fault: null };
  const fault = (line: number, text: string): Ran => ({
    ...ran,
    commands: [],
    wishes: [],
    fault: { line, text },
  });
  const refused = (w: Wrong, line = 0): Ran => {
    if (made) throw new Unplaced(w.message, { cause: w });
    return fault(w.line || line, w.message);
  };
  if (asked.code.length > LIMITS.characters)
    return fault(0, `A recipe has at the most ${LIMITS.characters.toLocaleString('en')} characters.`);
  const world = new World(core, asked, made);
  const runtime = machine.newRuntime();
  runtime.setMemoryLimit(LIMITS.bytes);
  runtime.setMaxStackSize(LIMITS.stackBytes);
  let quiet = performance.now();
  runtime.setInterruptHandler(() => performance.now() - quiet > LIMITS.silentMs);
  runtime.setModuleLoader(
    (name) => vocabulary[name] ?? { error: new Error('A recipe imports nothing: it has kite.') },
    (_, name) => name.slice(name.lastIndexOf('/') + 1), // files lie beside each other there
  );
  const context = runtime.newContext({ intrinsics: { ...DefaultIntrinsics, Date: false } });
  let told: QuickJSHandle | undefined; // what the recipe calls at its end, taken before it can be another
  let wrong: Wrong | null = null; // thrown again where a recipe caught it
  let only = false;
  const random = chance(asked.seed);
  const outside = {
    make: (commands: string, stack: string) => world.make(commands, stack),
    ask: (question: string, given: string) => world.ask(question, given),
    thing: (id: string) => world.thing(id),
    things: () => world.things(),
    header: () => world.header(),
    ids: () => world.ids(),
    lines: () => (made ? 0 : 1),
    usual: (all: string, stack: string) => world.usual(all, stack),
    say: (level: string, text: string) => {
      if (ran.said.length > LIMITS.lines) return;
      const whole = ran.said.length === LIMITS.lines ? '… more is not shown' : text;
      const line: Line = {
        level: level === 'warns' ? 'warns' : 'says',
        text: whole.slice(0, LIMITS.lineCharacters),
      };
      ran.said.push(line);
      telling.line(line);
    },
    wish: (what: string) => void ran.wishes.push(JSON.parse(what) as Wish),
    parameters: (declared: string) => {
      ran.declared = JSON.parse(declared) as Record<string, Declared>;
      if (asked.chosen) return JSON.stringify(asked.chosen);
      only = true;
      throw new Error(ONLY_ASKED);
    },
    now: () => JSON.stringify(asked.now),
    progress: (share: number) => {
      quiet = performance.now();
      telling.progress(Math.min(1, Math.max(0, share)));
    },
    random,
  };
  try {
    give(context, outside, (e) => (wrong = e));
    const begun = context.evalCode('import "begin"', 'entry', { type: 'module' });
    if (begun.error) {
      const why = text(context, begun.error);
      throw new Error(`The vocabulary fails: ${why}`);
    }
    begun.value.dispose();
    told = context.getProp(context.global, '__told');
    const failed = (error: QuickJSHandle): Ran => {
      const why: Fault = faultOf(context, error, asked.name);
      if (only) return ran;
      if (wrong) return refused(wrong, why.line);
      return fault(why.line, why.text);
    };
    const came = context.evalCode(asked.code, asked.name, { type: 'global', strict: true });
    if (came.error) return failed(came.error);
    const last = context.callFunction(told, context.undefined);
    if (last.error) return failed(last.error);
    last.value.dispose();
    ran.value = shown(context, came.value);
    if (made) world.telling();
    else world.taking();
    if (only) return ran;
    if (wrong) throw wrong as Wrong; // whether it was caught or not
    return { ...ran, commands: made ? [] : world.made };
  } catch (e) {
    if (e instanceof Wrong) return refused(e);
    throw e;
  } finally {
    try {
      told?.dispose();
      context.dispose();
      runtime.dispose();
    } catch {
      loading = undefined; // what ran out of memory leaves something behind: the next has a machine of its own
    }
  }
}

type Given = string | number | null | void;

/** Puts functions into the machine as `__outside`; text and numbers go in and out. */
function give(
  context: QuickJSContext,
  functions: Record<string, (...all: never[]) => Given>,
  failed: (e: Wrong) => void,
): void {
  const all = context.newObject();
  for (const [name, f] of Object.entries(functions)) {
    const made = context.newFunction(name, (...handles: QuickJSHandle[]) => {
      try {
        const back = f(...(handles.map((h) => context.dump(h) as unknown) as never[]));
        if (typeof back === 'string') return context.newString(back);
        if (typeof back === 'number') return context.newNumber(back);
        return back === null ? context.null : context.undefined;
      } catch (e) {
        if (e instanceof Wrong) failed(e);
        return { error: context.newError(e instanceof Error ? e.message : String(e)) };
      }
    });
    context.setProp(all, name, made);
    made.dispose();
  }
  context.setProp(context.global, '__outside', all);
  all.dispose();
}

function text(context: QuickJSContext, error: QuickJSHandle): string {
  const e = context.dump(error) as { message?: string };
  error.dispose();
  return e?.message ?? String(e);
}

/** Names that a page or a server would have, and a recipe has not. */
const NOT_HERE =
  /'(fetch|XMLHttpRequest|WebSocket|indexedDB|localStorage|document|window|self|process|require|importScripts|Worker|navigator|Date|setTimeout|setInterval)' is not defined/;

/** Why a recipe ended, in words, and on which of its lines. */
function faultOf(context: QuickJSContext, error: QuickJSHandle, name: string): Fault {
  const e = context.dump(error) as { message?: string; stack?: string } | null;
  error.dispose();
  const said = e?.message ?? String(e);
  const line = lineIn(e?.stack ?? '', name);
  const missing = NOT_HERE.exec(said);
  if (missing)
    return {
      line,
      text: `There is no “${missing[1]}” in a recipe: it has no network, storage, page or clock, only kite.`,
    };
  if (said === 'interrupted')
    return {
      line,
      text: `It ran for ${LIMITS.silentMs / 1000} seconds without a word. Is there a loop that never ends? A long one says how far it is: kite.progress(0.5).`,
    };
  if (/stack overflow|Maximum call stack/i.test(said))
    return { line, text: 'It calls itself without an end.' };
  if (/out of memory/i.test(said) || e === null)
    return { line, text: `It takes more than ${LIMITS.bytes >> 20} MB of memory.` };
  return { line, text: said };
}

/** A value in words, as the recipe's own console shows it. */
function shown(context: QuickJSContext, value: QuickJSHandle): string {
  const type = context.typeof(value);
  if (type === 'undefined') {
    value.dispose();
    return '';
  }
  const show = context.getProp(context.global, '__shown');
  const words = context.callFunction(show, context.undefined, value);
  show.dispose();
  value.dispose();
  if (words.error) return text(context, words.error);
  const out = String(context.dump(words.value));
  words.value.dispose();
  return out.slice(0, LIMITS.lineCharacters);
}
