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
  newId(kind: string): string;
  /** Adds something as it usually comes, of what is said of it; gives its id. */
  usual(what: string, said: string, stack: string): string;
  say(level: string, text: string): void;
  wish(what: string): void;
  /** Gives what was chosen for parameters, or stops the recipe where it is only asked for them. */
  parameters(declared: string): string;
  now(): string;
  progress(share: number): void;
  random(): number;
}

declare const __outside: Outside;

export const outside = (): Outside => __outside;

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
  | 'previewMore'
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
  if (commands.length) __outside.make(JSON.stringify(commands), new Error().stack ?? '');
}

/** What comes as it usually does, of what is said of it. */
export interface Usual {
  standIn: Said<typeof usualStandIn>;
  group: Said<typeof usualGroup>;
  mark: Said<typeof usualMark>;
}

/** What stands behind the id. */
type Said<F> = F extends (id: string, ...said: infer S) => unknown ? S : never;

/**
 * Adds something as it usually comes; gives its id. It is put together outside, since thousands may come and the machine that
 * recipes run in is slow.
 */
export const usual = <W extends keyof Usual>(what: W, ...said: Usual[W]): string =>
  __outside.usual(what, JSON.stringify(said), new Error().stack ?? '');

function asked(question: string, given: unknown[]): unknown {
  const sent = given.map((x) => (x instanceof Float64Array ? { room: x.length } : x));
  const { value, rooms } = JSON.parse(__outside.ask(question, JSON.stringify(sent))) as {
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
  const text = __outside.thing(id);
  return text === null ? null : (JSON.parse(text) as Entity);
}

/** Everything in the sequence, in the order of the roster. */
export const allKept = (): Entity[] => JSON.parse(__outside.things()) as Entity[];

export const header = (): SequenceDocument['header'] =>
  JSON.parse(__outside.header()) as SequenceDocument['header'];

export const newId = (kind: string): string => __outside.newId(kind);

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
