import type { Core } from '../../core/bridge';
import type { Command, Entity, SequenceDocument, Unit } from '../../core/types';
import type { usualGroup, usualMark, usualStandIn } from '../../core/usual';

/** What stands outside a recipe: text goes out, text comes back. */
export interface Outside {
  make(commands: string, stack: string): void;
  ask(question: string, given: string): string;
  thing(id: string): string | null;
  things(): string;
  header(): string;
  /** What new ids are made of: a word of this run, and those of the sequence that have it already. */
  ids(): string;
  /** Whether it is asked where in the recipe each thing is made: 1 or 0. */
  lines(): number;
  /** Adds things as they usually come, each of its id and what is said of it. */
  usual(all: string, stack: string): void;
  say(level: string, text: string): void;
  wish(what: string): void;
  /** Gives what was chosen for parameters, or stops the recipe where it is only asked for them. */
  parameters(declared: string): string;
  now(): string;
  progress(share: number): void;
  random(): number;
}

declare const __outside: Outside;

/** Told there are all things that wait to be, so that it answers as if each had been told at once. */
export function outside(): Outside {
  told();
  return __outside;
}

/** 0 to 1, by the seed: nothing has to be told for it. */
export const chance = (): number => __outside.random();

/** Whether it is asked where in the recipe each thing is made. */
const LINES = __outside.lines() !== 0;

/** So many things are told outside at once, where nobody asks for their lines: the way there is what costs. */
const TOGETHER = LINES ? 1 : 200;

/** Where in the recipe this is, if that is asked. */
const here = (): string => (LINES ? (new Error().stack ?? '') : '');

let waiting: [what: string, id: string, said: unknown[]][] = [];

/** Tells what waits. */
export function told(): void {
  if (!waiting.length) return;
  const all = JSON.stringify(waiting);
  waiting = [];
  __outside.usual(all, here());
}

/** Questions of the core that change nothing. Those that propose commands are among them: `kite.make` makes what they give. */
export interface Questions extends Asked {
  /** Brings the sequence to a frame: what is asked about places and frames is answered for it. */
  evaluate(frame: number): void;
}

type Asked = Omit<
  Core,
  | 'evaluate'
  | 'open'
  | 'apply'
  | 'applyDelta'
  | 'preview'
  | 'layMore'
  | 'planLaid'
  | 'showLaid'
  | 'dropLaid'
  | 'endPreview'
  | 'registerModel'
  | 'compare'
  | 'comparedCamera'
  | 'endComparing'
>;

/** Fields of a command of a kind, without the kind itself. */
export type FieldsOf<K extends Command['kind']> = Omit<Extract<Command, { kind: K }>, 'kind'>;

/** Every command that the application has, by its name. */
export type Commands = { [K in Command['kind']]: (fields: FieldsOf<K>) => void };

/** Makes commands part of the edit that the recipe becomes. */
export function make(...commands: Command[]): void {
  if (commands.length) outside().make(JSON.stringify(commands), here());
}

/** What comes as it usually does, of what is said of it. */
export interface Usual {
  standIn: Said<typeof usualStandIn>;
  group: Said<typeof usualGroup>;
  mark: Said<typeof usualMark>;
}

/** What stands behind the id. */
type Said<F> = F extends (id: string, ...said: infer S) => unknown ? S : never;

/** What the ids begin with of what comes as it usually does. */
const BEGINS: Record<keyof Usual, string> = { standIn: 'piece', group: 'piece', mark: 'mark' };

/**
 * Adds something as it usually comes; gives its id. It is put together outside, since thousands may come and the machine that
 * recipes run in is slow.
 */
export function usual<W extends keyof Usual>(what: W, ...said: Usual[W]): string {
  const id = newId(BEGINS[what]);
  waiting.push([what, id, said]);
  if (waiting.length >= TOGETHER) told();
  return id;
}

function asked(question: string, given: unknown[]): unknown {
  const sent = given.map((x) => (x instanceof Float64Array ? { room: x.length } : x));
  const { value, rooms } = JSON.parse(outside().ask(question, JSON.stringify(sent))) as {
    value?: unknown;
    rooms: number[][];
  };
  let room = 0;
  for (const x of given) if (x instanceof Float64Array) x.set(rooms[room++].map((n) => n ?? NaN));
  return value ?? null;
}

/** What the core answers about the sequence as the recipe has made it so far. */
export const questions = new Proxy({} as Questions, {
  get:
    (_, question: string) =>
    (...given: unknown[]) =>
      asked(question, given),
});

export const commands = new Proxy({} as Commands, {
  get:
    (_, kind: string) =>
    (fields: object): void =>
      make({ kind, ...fields } as Command),
});

/** A thing as it is kept, or null where there is none of the id. */
export function kept(id: string): Entity | null {
  const text = outside().thing(id);
  return text === null ? null : (JSON.parse(text) as Entity);
}

/** Everything in the sequence, in the order of the roster. */
export const allKept = (): Entity[] => JSON.parse(outside().things()) as Entity[];

export const header = (): SequenceDocument['header'] =>
  JSON.parse(outside().header()) as SequenceDocument['header'];

let ids: { word: string; taken: Set<string> } | undefined;
let given = 0;

/** The same ids for the same recipe on the same sequence. */
export function newId(kind: string): string {
  if (!ids) {
    const { word, taken } = JSON.parse(__outside.ids()) as { word: string; taken: string[] };
    ids = { word, taken: new Set(taken) };
  }
  let id: string;
  do id = `${kind}-${ids.word}-${(given++).toString(36)}`;
  while (ids.taken.has(id));
  return id;
}

/** A number, or one as it is typed, with a unit: `'6ft'`, `'35mm'`, `'182cm'`. */
export type Amount = number | string;

/** A frame or a number of frames, or one as it is typed: `'2s'`, `'01:00:00:12'`. */
export type Frames = number | string;

export function amount(given: Amount, unit: Unit): number {
  if (typeof given === 'number') {
    if (!Number.isFinite(given)) throw new TypeError(`${given} is not a number that can be used here.`);
    return given;
  }
  return questions.readNumber(given, unit, 0);
}

export const metres = (given: Amount): number => amount(given, 'metres');

/** How many frames: `'2s'` is 48 at 24 a second. */
export const frames = (given: Frames): number =>
  typeof given === 'number' ? amount(given, 'factor') : questions.readFrames(given, 0, true);

/** Which frame of the scene: `'2s'` is two seconds after the sequence's first. */
export const frame = (given: Frames): number =>
  typeof given === 'number'
    ? amount(given, 'factor')
    : questions.readFrames(given, header().firstFrame, false);
