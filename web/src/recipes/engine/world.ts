import type { Core } from '../../core/bridge';
import { Refused } from '../../core/answer';
import { LensRow, type Change, type Command, type Entity, type Header } from '../../core/types';
import { usualGroup, usualMark, usualStandIn } from '../../core/usual';
import type { Usual } from '../vocabulary/host';
import { LIMITS } from './limits';
import type { Run } from './answer';

/** The line of a recipe at which something was asked for: the innermost place in it that a stack names. */
export function lineIn(stack: string, name: string): number {
  const at = stack.indexOf(`${name}:`);
  return at < 0 ? 0 : parseInt(stack.slice(at + name.length + 1), 10) || 0;
}

/** A command that was not taken. */
export class Wrong extends Error {
  constructor(
    readonly line: number,
    text: string,
  ) {
    super(text);
  }
}

/** What comes as it usually does. */
const USUAL = {
  standIn: usualStandIn,
  group: usualGroup,
  mark: usualMark,
} satisfies Record<keyof Usual, unknown>;

/** Questions that would change what is asked about. */
const NOT_ASKED = [
  'open',
  'apply',
  'applyDelta',
  'preview',
  'layMore',
  'planLaid',
  'showLaid',
  'dropLaid',
  'endPreview',
  'registerModel',
  'compare',
  'comparedCamera',
  'endComparing',
];

/**
 * The sequence as a recipe makes it. What it makes is taken by the core in one go, when it asks something or has ended:
 * the core is quickest so.
 */
export class World {
  /** All that the recipe has made so far. */
  readonly made: Command[] = [];
  private stacks: { from: number; stack: string }[] = [];
  /** How many of those the core has taken, and how many were told. */
  private taken = 0;
  private told = 0;
  /** What was added since the core took anything, where nothing but additions was made since. */
  private fresh: Map<string, Entity> | null = new Map();
  private entities: Map<string, Entity>;
  private head: Header;

  /**
   * @param tell hears of what is made, piece by piece; null where nobody does
   */
  constructor(
    private readonly core: Core,
    private readonly run: Run,
    private readonly tell: ((commands: Command[]) => void) | null,
  ) {
    core.open(run.document);
    this.entities = new Map(run.document.entities.map((e) => [e.id, e]));
    this.head = run.document.header;
  }

  make(json: string, stack: string): void {
    this.take(JSON.parse(json) as Command[], stack);
  }

  /** Adds things as they usually come. */
  usual(json: string, stack: string): void {
    const all = JSON.parse(json) as [what: string, id: string, said: unknown[]][];
    const commands = all.map(([what, id, said]): Command => {
      if (!Object.hasOwn(USUAL, what)) throw new Error(`Nothing that is called “${what}” comes by itself.`);
      const of = USUAL[what as keyof Usual] as (id: string, ...said: unknown[]) => Entity;
      return { kind: 'add', entity: of(id, ...said) };
    });
    this.take(commands, stack);
  }

  private take(commands: Command[], stack: string): void {
    this.stacks.push({ from: this.made.length, stack });
    for (const c of commands) {
      this.made.push(c);
      if (c.kind === 'add') this.fresh?.set(c.entity.id, c.entity);
      else this.fresh = null;
    }
    if (this.made.length > LIMITS.commands)
      throw new Wrong(
        lineIn(stack, this.run.name),
        `A recipe makes ${LIMITS.commands.toLocaleString('en')} changes at the most. Make less of it, or several recipes.`,
      );
    if (this.made.length - this.told >= PIECE) this.telling();
  }

  /** Tells what was made since the last time. */
  telling(): void {
    if (!this.tell || this.told === this.made.length) return;
    this.tell(this.made.slice(this.told));
    this.told = this.made.length;
  }

  /** Has the core take what waits. */
  taking(): void {
    if (this.taken === this.made.length) return;
    const commands = this.made.slice(this.taken);
    let change: Change;
    try {
      change = this.core.apply(commands).change;
    } catch (e) {
      if (!(e instanceof Refused)) throw e;
      throw this.which(commands, e);
    }
    this.taken = this.made.length;
    this.stacks = [];
    this.fresh = new Map();
    for (const id of Object.keys(change.before)) if (!(id in change.after)) this.entities.delete(id);
    for (const [id, after] of Object.entries(change.after)) this.entities.set(id, after);
    this.head = change.headerAfter ?? this.head;
  }

  /** Which of some commands is refused: the first without which those before it are taken. */
  private which(commands: Command[], all: Refused): Wrong {
    let good = 0,
      bad = commands.length;
    let why = all;
    while (bad - good > 1) {
      const middle = (good + bad) >> 1;
      try {
        this.core.preview(commands.slice(0, middle));
        good = middle;
      } catch (e) {
        if (!(e instanceof Refused)) throw e;
        why = e;
        bad = middle;
      }
    }
    this.core.endPreview();
    const of = this.stacks.filter((s) => s.from - this.taken < bad).at(-1);
    return new Wrong(lineIn(of?.stack ?? '', this.run.name), why.message);
  }

  /** Asks the core; what it gives in rooms comes back as lists. */
  ask(question: string, json: string): string {
    const given = JSON.parse(json) as unknown[];
    const ask = (this.core as Record<string, unknown>)[question];
    if (typeof ask !== 'function' || NOT_ASKED.includes(question) || !Object.hasOwn(this.core, question))
      throw new Error(`There is no question “${question}”.`);
    this.taking();
    if (question === 'evaluate') {
      const slots = this.core.slots();
      const rooms = [new Float64Array(slots * 16), new Float64Array(slots * LensRow.SIZE)];
      this.core.evaluate(Number(given[0]), '', rooms[0], rooms[1]);
      return JSON.stringify({ rooms: [] });
    }
    const rooms: Float64Array[] = [];
    const sent = given.map((x) => {
      if (x === null || typeof x !== 'object' || !('room' in x)) return x;
      const room = new Float64Array(Math.min(Number(x.room), MOST_ROOM));
      rooms.push(room);
      return room;
    });
    const value = (ask as (...all: unknown[]) => unknown)(...sent);
    return JSON.stringify({ value, rooms: rooms.map((r) => Array.from(r)) });
  }

  thing(id: string): string | null {
    const added = this.fresh?.get(id);
    if (added) return JSON.stringify(added);
    this.taking();
    const e = this.entities.get(id);
    return e ? JSON.stringify(e) : null;
  }

  things(): string {
    this.taking();
    return JSON.stringify([...this.entities.values()]);
  }

  header(): string {
    if (!this.fresh) this.taking();
    return JSON.stringify(this.head);
  }

  /** What new ids are made of: those of another seed have another word. */
  ids(): string {
    const word = this.run.seed.toString(36);
    const taken = this.run.document.entities.map((e) => e.id).filter((id) => id.includes(`-${word}-`));
    return JSON.stringify({ word, taken });
  }
}

/** So many commands are told at once: few enough that whoever hears of them is not kept by it. */
const PIECE = 400;

/** Numbers that a question may give in one room. */
const MOST_ROOM = 1 << 20;
