import type { Entity } from '../core/types';
import { edit } from '../session/document';

/** What of a thing is on or off in the roster. */
export interface Switch {
  /** Whether it is other than usual: hidden, locked, left out. */
  lit: boolean;
  icon: 'rendered' | 'left out' | 'shown' | 'hidden' | 'locked' | 'free';
  /** What turning it does: with the thing's name, for those who do not see the drawing. */
  name: string;
  /** The same for a menu, and as a tooltip. */
  says: string;
  tip: string;
  turn: () => void;
}

/** The switches of a thing, in the order in which they stand. */
export function switchesOf(e: Entity): Switch[] {
  const all: Switch[] = [];
  const put = (label: string, next: Entity) => edit(label, { kind: 'replace', entity: next });
  if (e.kind === 'layer')
    all.push({
      lit: !e.rendered,
      icon: e.rendered ? 'rendered' : 'left out',
      name: `${e.rendered ? 'Leave out' : 'Render'} ${e.name}`,
      says: e.rendered ? 'Leave out of renders' : 'Render',
      tip: e.rendered ? 'Leave this layer out of renders' : 'Render this layer',
      turn: () => put(e.rendered ? 'Leave a layer out' : 'Render a layer', { ...e, rendered: !e.rendered }),
    });
  if ('shown' in e) {
    const label = `${e.shown ? 'Hide' : 'Show'} ${e.name}`;
    const icon = e.kind === 'camera' || e.kind === 'mark';
    all.push({
      lit: !e.shown,
      icon: e.shown ? 'shown' : 'hidden',
      name: label,
      says: e.shown ? 'Hide' : 'Show',
      tip: !e.shown ? 'Show' : icon ? 'Hide its icon in the set view' : 'Hide from the views and the render',
      turn: () =>
        e.kind === 'layer'
          ? put(label, { ...e, shown: !e.shown })
          : edit(label, { kind: 'show', ids: [e.id], shown: !e.shown }),
    });
  }
  if ('locked' in e) {
    const label = `${e.locked ? 'Unlock' : 'Lock'} ${e.name}`;
    all.push({
      lit: e.locked,
      icon: e.locked ? 'locked' : 'free',
      name: label,
      says: e.locked ? 'Unlock' : 'Lock',
      tip: e.locked ? 'Unlock' : 'Lock against moving by accident',
      turn: () =>
        e.kind === 'layer'
          ? put(label, { ...e, locked: !e.locked })
          : edit(label, { kind: 'lock', ids: [e.id], locked: !e.locked }),
    });
  }
  return all;
}
