import { isOfTheCut } from '../session/programme';
import { pick } from '../session/selection';
import { openWindow } from '../session/windows';
import { lookThrough, setView } from '../session/view';
import type { Entity } from '../core/types';
import { core, evaluated } from '../session/evaluated';
import { edit } from '../session/document';
import { mayKey } from '../session/laneState';
import { editProposed } from '../session/proposals';
import { say } from '../session/said';
import { useSequence } from '../session/state';
import { addMarkOn, cameraAt, duplicateSelected, groupSelected, removeSelected } from './create';
import { addThreeLights } from './createLight';
import type { ShortcutId } from '../shortcuts/list';

const get = useSequence.getState;

/** The selected things that have a place, as the core takes them. */
const placedIds = (): string[] => get().selected.filter((id) => core().slot(id) >= 0);

export function align(axes: string, by: 'least' | 'centre' | 'most'): void {
  const ids = placedIds();
  if (ids.length < 2) {
    say('Select two or more things: the others are aligned with the first.');
    return;
  }
  editProposed('Align', () => core().align(ids, axes, by, get().frame, mayKey()));
}

export function setDown(): void {
  editProposed('Set on the ground', () => core().setDown(placedIds(), 0, get().frame, mayKey()));
}

export function toGrid(): void {
  editProposed('Snap to the grid', () => core().toGrid(placedIds(), get().frame, mayKey()));
}

/** The selection's first thing goes to a clicked point of a surface. */
export function toSurface(): void {
  const [id] = placedIds();
  if (!id) return;
  pick('Click the surface it shall stand on', (hit) => {
    editProposed('Set on a surface', () => core().toPoint(id, ...hit.point, get().frame, mayKey()));
  });
}

/** The selection's first thing goes to the place of another. */
export function toOther(): void {
  const [id] = placedIds();
  if (!id) return;
  pick('Click the thing whose place it shall have', (hit) => {
    const slot = core().slot(hit.id);
    const { world } = evaluated();
    const o = slot * 16 + 12;
    editProposed('Snap to a point', () =>
      core().toPoint(id, world[o], world[o + 1], world[o + 2], get().frame, mayKey()),
    );
  });
}

export function isolate(): void {
  if (get().isolated) {
    setView({ isolated: null });
    return;
  }
  const alone = get().selected.filter((id) => canBeAlone(get().entities[id]));
  if (alone.length) setView({ isolated: alone });
  else say('Select the pieces, cameras or marks that shall be seen alone.');
}

/** Alone among its kind: pieces among pieces, icons of cameras and marks among icons. */
const canBeAlone = (e?: Entity) => e?.kind === 'piece' || e?.kind === 'camera' || e?.kind === 'mark';

const isPiece = (e: Entity) => e.kind === 'piece';
const isPlaced = (e: Entity) =>
  e.kind === 'piece' || e.kind === 'mark' || (e.kind === 'light' && e.form !== 'sun');

/** What can be done with the selection, for the roster's menu and the command box. */
export const MORE: {
  name: string;
  /** The key that does the same. */
  keys?: ShortcutId;
  /** Whether it has a button of its own below the selection's cards. */
  atHand?: boolean;
  /** Whether it only changes how this page looks at the sequence. */
  looks?: boolean;
  fits: (e: Entity) => boolean;
  run: () => void;
}[] = [
  {
    name: 'Duplicate',
    keys: 'duplicate',
    atHand: true,
    fits: (e) => !isOfTheCut(e) && e.kind !== 'air',
    run: () => duplicateSelected(false),
  },
  {
    name: 'Several copies…',
    atHand: true,
    fits: (e) => !isOfTheCut(e) && e.kind !== 'air' && e.kind !== 'layer' && e.kind !== 'plate',
    run: () => openWindow({ kind: 'copies', ids: get().selected }),
  },
  { name: 'Make an instance', atHand: true, fits: isPiece, run: () => duplicateSelected(true) },
  { name: 'Group the selection', keys: 'group', fits: isPiece, run: groupSelected },
  { name: 'See it alone', keys: 'alone', atHand: true, looks: true, fits: canBeAlone, run: isolate },
  { name: 'Set on the ground', fits: isPlaced, run: setDown },
  { name: 'Set on a surface…', fits: isPlaced, run: toSurface },
  { name: 'Snap to another thing…', fits: isPlaced, run: toOther },
  { name: 'Snap to the grid', fits: isPlaced, run: toGrid },
  {
    name: 'Align centres with the first',
    fits: isPlaced,
    run: () => align('xz', 'centre'),
  },
  {
    name: 'Put a mark on it',
    atHand: true,
    fits: isPiece,
    run: () => addMarkOn(get().selected[0], null),
  },
  {
    name: 'Key, fill and rim light',
    atHand: true,
    fits: isPiece,
    run: () => addThreeLights(get().selected[0]),
  },
  {
    name: 'A camera here',
    atHand: true,
    fits: (e) => e.kind === 'mark',
    run: () => {
      const { world } = evaluated();
      const o = core().slot(get().selected[0]) * 16 + 12;
      cameraAt([world[o], world[o + 1], world[o + 2]]);
    },
  },
  {
    name: 'Take off its layer',
    fits: (e) => 'layer' in e && e.layer !== null,
    run: () =>
      edit('Take off its layer', {
        kind: 'lay',
        ids: get().selected.filter((id) => 'layer' in get().entities[id]),
        layer: null,
      }),
  },
  {
    name: 'Look through it',
    looks: true,
    fits: (e) => e.kind === 'camera',
    run: () => lookThrough(get().selected[0]),
  },
  {
    name: 'Make it a set of the production …',
    atHand: true,
    fits: isPiece,
    run: () => openWindow({ kind: 'sets' }),
  },
  {
    name: 'Its history …',
    atHand: true,
    looks: true,
    fits: () => get().role !== 'guest',
    run: () => openWindow({ kind: 'history', touching: get().selected[0] }),
  },
  { name: 'Remove', keys: 'remove', fits: () => true, run: removeSelected },
];
