import { chance, outside, told } from './host';
import { kite } from './kite';

/** What a value looks like where it is said. */
function shown(value: unknown, depth = 0): string {
  if (typeof value === 'string') return depth ? `'${value}'` : value;
  if (typeof value === 'number') return String(Math.round(value * 1e6) / 1e6);
  if (value === null || typeof value !== 'object')
    return typeof value === 'function' ? 'a function' : String(value);
  if (value instanceof Error) return value.message;
  if ('id' in value && 'kind' in value && !('channels' in value))
    return `${(value as { kind: string }).kind} “${(value as { name?: string }).name ?? ''}”`;
  if (Array.isArray(value) || ArrayBuffer.isView(value)) {
    const all = Array.from(value as ArrayLike<unknown>);
    const some = all.slice(0, 50).map((x) => shown(x, depth + 1));
    return `[${some.join(', ')}${all.length > 50 ? `, … ${all.length} in all` : ''}]`;
  }
  if (depth > 3) return '{…}';
  const some = Object.entries(value).map(([k, v]) => `${k}: ${shown(v, depth + 1)}`);
  return `{ ${some.slice(0, 40).join(', ')}${some.length > 40 ? ', …' : ''} }`;
}

const saying =
  (level: string) =>
  (...all: unknown[]): void =>
    outside().say(level, all.map((x) => shown(x)).join(' '));

/** Chance is the same every time: a recipe makes the same of the same. */
Math.random = chance;
Object.assign(globalThis, {
  kite,
  console: { log: saying('says'), info: saying('says'), warn: saying('warns'), error: saying('warns') },
  __shown: shown,
  __told: told,
});
