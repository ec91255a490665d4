import type { Channel, Command, Entity, Key } from '../core/types';

/** A value as it is written in a recipe. */
function written(value: unknown): string {
  if (typeof value === 'string')
    return `'${value.replace(/\\/g, '\\\\').replace(/'/g, "\\'").replace(/\n/g, '\\n')}'`;
  if (typeof value === 'number') return String(Math.round(value * 1e9) / 1e9);
  if (Array.isArray(value)) return `[${value.map(written).join(', ')}]`;
  if (value === null || typeof value !== 'object') return String(value);
  const fields = Object.entries(value).map(
    ([k, v]) => `${/^[A-Za-z_$][\w$]*$/.test(k) ? k : written(k)}: ${written(v)}`,
  );
  return fields.length ? `{ ${fields.join(', ')} }` : '{}';
}

/** How a thing is found: a camera by its letter, others by a name that is theirs alone. */
function found(id: string, entities: Record<string, Entity>): string {
  const e = entities[id];
  if (!e) return `kite.find(${written(id)})`;
  if (e.kind === 'camera') return `kite.cameraCalled(${written(e.letter)})`;
  const alone = Object.values(entities).filter((x) => x.name === e.name).length === 1;
  return `kite.find(${written(alone ? e.name : id)})`;
}

/** Whether keys are as a recipe gives them: by frame, value and shape alone. */
const plain = (keys: Key[]): boolean => keys.every((k) => k.shape !== 'free');

function channel(id: string, number: string, value: Channel, entities: Record<string, Entity>): string {
  const of = found(id, entities);
  if (typeof value === 'number') return `${of}.set(${written(number)}, ${written(value)});`;
  if (plain(value.keys) && value.before === 'hold' && value.after === 'hold')
    return `${of}.keys(${written(number)}, ${value.keys
      .map((k) => written(k.shape === 'smooth' ? [k.frame, k.value] : [k.frame, k.value, k.shape]))
      .join(', ')});`;
  return `${of}.channel(${written(number)}, ${written(value)});`;
}

/**
 * What was done by hand, as a recipe does it.
 *
 * @param entities as they are now
 */
export function recorded(commands: Command[], entities: Record<string, Entity>): string {
  return commands.map((c) => one(c, entities)).join('\n');
}

function one(c: Command, entities: Record<string, Entity>): string {
  switch (c.kind) {
    case 'setChannel':
      return channel(c.id, c.channel, c.value, entities);
    case 'setValue':
      if (c.key)
        return `${found(c.id, entities)}.key(${written(c.channel)}, ${written(c.frame)}, ${written(c.value)});`;
      break;
    case 'rename':
      return `kite.find(${written(c.id)}).rename(${written(c.name)});`;
    case 'remove':
      if (c.letGo && c.ids.length === 1) return `kite.find(${written(c.ids[0])}).remove();`;
      break;
    case 'show':
      if (c.ids.length === 1) return `${found(c.ids[0], entities)}.show(${c.shown});`;
      break;
    case 'lock':
      if (c.ids.length === 1) return `${found(c.ids[0], entities)}.lock(${c.locked});`;
      break;
  }
  const { kind, ...fields } = c;
  return `kite.command.${kind}(${written(fields)});`;
}
