import type { Entity } from '../core/types';
import { CREW, inCrew } from '../session/crew';

/** Something the roster shows, with what is nested in it. */
export interface Branch {
  id: string;
  label: string;
  children: Branch[];
}

/** No entity has such an id: their ids hold no colon. */
const GROUP = 'group:';

const MORE = 'more:';

/** Whether a branch stands for rows that are not made yet. */
export const isMore = (id: string): boolean => id.startsWith(MORE);

/** Whether a branch is a heading of the roster and no entity. */
export const isGroup = (id: string): boolean => id.startsWith(GROUP);

/** What is here, in crew order: nested pieces stand below what they are nested in, where that is of their group. */
export function branches(entities: Entity[], subjects: Set<string>): Branch[] {
  return CREW.map((g) => ({
    id: GROUP + g.name,
    label: g.name.toUpperCase(),
    children: nested(entities.filter((e) => g.holds(e, subjects))),
  })).filter((g) => g.children.length);
}

function nested(rows: Entity[]): Branch[] {
  const here = new Set(rows.map((e) => e.id));
  const parent = (e: Entity) => (e.kind === 'piece' && e.parent && here.has(e.parent) ? e.parent : '');
  const below = new Map<string, Entity[]>();
  for (const e of rows) {
    const those = below.get(parent(e));
    if (those) those.push(e);
    else below.set(parent(e), [e]);
  }
  const of = (id: string): Branch[] =>
    (below.get(id) ?? []).sort(inCrew).map((e) => ({ id: e.id, label: e.name, children: of(e.id) }));
  return of('');
}

/**
 * The same with so many rows below each branch at the most, and one that stands for the others: ten thousand rows are slow, and
 * nobody reads them.
 *
 * @param wanted is among them, wherever it stands
 */
export function within(all: Branch[], room: number, wanted: string): Branch[] {
  return all.map((b) => {
    const at = wanted ? b.children.findIndex((c) => c.id === wanted || above([c], wanted).length) : -1;
    const most = Math.max(room, at + 1);
    const left = b.children.length - most;
    const children = within(b.children.slice(0, most), room, wanted);
    if (left > 0)
      children.push({ id: MORE + b.id, label: `${left.toLocaleString('en')} more`, children: [] });
    return { ...b, children };
  });
}

/** Branches that hold others. */
export const forks = (all: Branch[]): string[] =>
  all.flatMap((b) => (b.children.length ? [b.id, ...forks(b.children)] : []));

/** Ids in the order in which they stand, headings left out. */
export const inOrder = (all: Branch[]): string[] =>
  all.flatMap((b) => (isGroup(b.id) ? inOrder(b.children) : [b.id, ...inOrder(b.children)]));

/** What a branch stands below, the nearest last; empty where it is not there. */
export function above(all: Branch[], id: string): string[] {
  for (const b of all) {
    if (b.children.some((c) => c.id === id)) return [b.id];
    const deeper = above(b.children, id);
    if (deeper.length) return [b.id, ...deeper];
  }
  return [];
}
