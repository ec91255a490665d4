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
  for (const e of rows) below.set(parent(e), [...(below.get(parent(e)) ?? []), e]);
  const of = (id: string): Branch[] =>
    (below.get(id) ?? []).sort(inCrew).map((e) => ({ id: e.id, label: e.name, children: of(e.id) }));
  return of('');
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
