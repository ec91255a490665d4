import { Refused } from '../core/answer';
import { theCore } from '../core/load';
import type { Change, Command } from '../core/types';
import { preview, previewing, previewLaid } from './document';
import { rest } from './rest';
import { useSequence } from './state';

/** So long the page may be kept at a time, ms: what it draws and hears between costs half as much again where it is asked for after each piece. */
const AT_A_STRETCH_MS = 40;

/** Lays commands over the sequence and takes them away again: what the core has done once it does quicker. */
export function laidOnce(commands: Command[]): void {
  try {
    theCore().layMore(commands);
  } catch (e) {
    if (!(e instanceof Refused)) throw e;
  } finally {
    theCore().dropLaid();
  }
}

/**
 * Lays many commands over the sequence as they come, piece by piece, so that the page is never kept for long. The core
 * knows each piece at once; the views show all of it at the end, as a preview.
 */
export class Laying {
  readonly commands: Command[] = [];
  private coming: Command[][] = [];
  private working: Promise<void> | null = null;
  /** What the core has not taken yet. */
  private waiting: Command[] = [];
  /** How many of those there must be before it is tried again, since they were refused. */
  private triedAgainAt = 0;
  private readonly all: Change = { before: {}, after: {}, headerBefore: null, headerAfter: null };
  private readonly version = useSequence.getState().version;
  /** Whether somebody has changed the sequence meanwhile: what was laid lies on what is no more. */
  private left = previewing();

  /** Lays some more, as soon as the page has time. */
  more(commands: Command[]): void {
    for (const c of commands) this.commands.push(c);
    this.coming.push(commands);
    this.working ??= this.work();
  }

  /** Piece by piece; whatever else the page does comes between. */
  private async work(): Promise<void> {
    await rest();
    let rested = performance.now();
    for (let next = this.coming.shift(); next; next = this.coming.shift()) {
      if (performance.now() - rested > AT_A_STRETCH_MS) {
        await rest();
        rested = performance.now();
      }
      if (this.isLeft()) continue;
      for (const c of next) this.waiting.push(c);
      if (this.waiting.length < this.triedAgainAt) continue;
      try {
        this.lay();
        this.triedAgainAt = 0;
      } catch (e) {
        if (!(e instanceof Refused)) throw e;
        this.triedAgainAt = 2 * this.waiting.length; // what comes later may make it whole
      }
    }
    this.working = null;
  }

  /**
   * Has the views show all of it; false where it may not be done, after saying why.
   *
   * @throws Refused what the core does not take
   */
  async show(label: string): Promise<boolean> {
    await this.working;
    if (this.isLeft()) return this.anew(label);
    if (this.waiting.length)
      try {
        this.lay();
      } catch (e) {
        this.drop();
        throw e;
      }
    theCore().planLaid(); // what all of it comes to is compiled in a turn of its own
    await rest();
    if (this.isLeft()) return this.anew(label);
    this.left = true; // it is the preview's from now on
    return previewLaid(label, this.commands, this.all);
  }

  /** Lays all of it over the sequence as it is now. */
  private anew(label: string): boolean {
    theCore().dropLaid();
    return preview(label, ...this.commands);
  }

  /** Takes what was laid away again. */
  drop(): void {
    this.coming = [];
    theCore().dropLaid();
    this.left = true;
  }

  private isLeft(): boolean {
    return (this.left ||= previewing() || useSequence.getState().version !== this.version);
  }

  private lay(): void {
    const { change, asSaid } = theCore().layMore(this.waiting);
    const said = new Map(this.waiting.flatMap((c) => (c.kind === 'add' ? [[c.entity.id, c.entity]] : [])));
    this.waiting = [];
    for (const [id, before] of Object.entries(change.before))
      if (!(id in this.all.after) && !(id in this.all.before)) this.all.before[id] = before;
    for (const id of Object.keys(change.before)) if (!(id in change.after)) delete this.all.after[id];
    Object.assign(this.all.after, change.after);
    for (const id of asSaid) this.all.after[id] = said.get(id)!;
    if (change.headerAfter) {
      this.all.headerBefore ??= change.headerBefore;
      this.all.headerAfter = change.headerAfter;
    }
  }
}
