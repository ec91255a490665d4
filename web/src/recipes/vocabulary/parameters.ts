import type { Entity, Unit } from '../../core/types';
import { allKept, amount, kept, outside, type Amount } from './host';
import { Camera } from './camera';
import { Piece, Thing } from './things';

/** What a recipe asks for before it runs: the window makes a form of it. */
export type Declared =
  | { form: 'number'; label: string; usual: number; unit: Unit | ''; least?: number; most?: number }
  | { form: 'text'; label: string; usual: string }
  | { form: 'choice'; label: string; usual: string; of: string[] }
  | { form: 'tick'; label: string; usual: boolean }
  | { form: 'subject'; label: string }
  | { form: 'camera'; label: string }
  | { form: 'path'; label: string };

/** One thing that is asked for, and how what is chosen is read. */
export interface Parameter<T> {
  declared: Declared;
  read(chosen: unknown): T;
}

/** Something by its id, or by its name; a camera by its letter too. */
function thing(label: string, chosen: unknown, kinds: Entity['kind'][]): Thing {
  if (typeof chosen !== 'string' || !chosen) throw new Error(`Choose something for “${label}”.`);
  const byId = kept(chosen);
  const e = byId ?? allKept().find((x) => x.name === chosen || (x.kind === 'camera' && x.letter === chosen));
  if (!e) throw new Error(`There is no “${chosen}” for “${label}”.`);
  if (!kinds.includes(e.kind))
    throw new Error(`“${e.name}” is no ${kinds.join(' or ')}, which “${label}” asks for.`);
  if (e.kind === 'camera') return new Camera(e.id, 'camera');
  return e.kind === 'piece' ? new Piece(e.id, 'piece') : new Thing(e.id, e.kind);
}

export const parameter = {
  /** A number, with a unit where it has one: `parameter.number('Height', '1.6m', { unit: 'metres' })`. */
  number(
    label: string,
    usual: Amount,
    { unit, least, most }: { unit?: Unit; least?: number; most?: number } = {},
  ): Parameter<number> {
    const read = (v: unknown) => {
      const n = amount(v as Amount, unit ?? 'factor');
      if ((least !== undefined && n < least) || (most !== undefined && n > most))
        throw new RangeError(`“${label}” is ${n}. It is to be ${least ?? ''} to ${most ?? ''}.`);
      return n;
    };
    return {
      declared: {
        form: 'number',
        label,
        usual: amount(usual, unit ?? 'factor'),
        unit: unit ?? '',
        least,
        most,
      },
      read: (v) => read(v ?? usual),
    };
  },
  text: (label: string, usual = ''): Parameter<string> => ({
    declared: { form: 'text', label, usual },
    read: (v) => (v === undefined ? usual : String(v)),
  }),
  choice: <const T extends string>(label: string, of: readonly T[]): Parameter<T> => ({
    declared: { form: 'choice', label, usual: of[0], of: [...of] },
    read(v) {
      const one = v === undefined ? of[0] : of.find((x) => x === v);
      if (one === undefined) throw new RangeError(`“${label}” is one of ${of.join(', ')}.`);
      return one;
    },
  }),
  tick: (label: string, usual = false): Parameter<boolean> => ({
    declared: { form: 'tick', label, usual },
    read: (v) => (v === undefined ? usual : v === true || v === 'true'),
  }),
  /** A piece, a mark or a camera: what can be looked at. */
  subject: (label: string): Parameter<Thing> => ({
    declared: { form: 'subject', label },
    read: (v) => thing(label, v, ['piece', 'mark', 'camera']),
  }),
  camera: (label: string): Parameter<Camera> => ({
    declared: { form: 'camera', label },
    read: (v) => thing(label, v, ['camera']) as Camera,
  }),
  path: (label: string): Parameter<Thing> => ({
    declared: { form: 'path', label },
    read: (v) => thing(label, v, ['path']),
  }),
};

/** Asks for what a recipe is about; gives what was chosen. To be asked before anything else. */
export function parameters<P extends Record<string, Parameter<unknown>>>(
  asked: P,
): { [K in keyof P]: P[K] extends Parameter<infer T> ? T : never } {
  const declared = Object.fromEntries(Object.entries(asked).map(([name, p]) => [name, p.declared]));
  const chosen = JSON.parse(outside().parameters(JSON.stringify(declared))) as Record<string, unknown>;
  return Object.fromEntries(Object.entries(asked).map(([name, p]) => [name, p.read(chosen[name])])) as {
    [K in keyof P]: P[K] extends Parameter<infer T> ? T : never;
  };
}
