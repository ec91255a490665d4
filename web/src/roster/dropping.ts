import type { DragEvent } from 'react';
import type { Entity } from '../core/types';
import { edit } from '../session/document';
import { useSequence } from '../session/state';

const DRAGGED = 'application/x-roster';

/** How near the edge of the roster a dragged row makes it scroll, and how far at a time, in pixels. */
const [EDGE, SCROLL] = [36, 14];

export function scrollAtEdge(e: DragEvent<HTMLElement>): void {
  const r = e.currentTarget.getBoundingClientRect();
  if (e.clientY < r.top + EDGE) e.currentTarget.scrollTop -= SCROLL;
  else if (e.clientY > r.bottom - EDGE) e.currentTarget.scrollTop += SCROLL;
}

export const dragged = (e: DragEvent, id: string): void => e.dataTransfer.setData(DRAGGED, id);

/** Nests what was dragged, or lays it on a layer; without `on` it is taken out. Alt gives up its place in the world. */
export function dropped(e: DragEvent, on: Entity | null): void {
  const id = e.dataTransfer.getData(DRAGGED);
  if (!id || id === on?.id) return;
  e.preventDefault();
  e.stopPropagation();
  const { entities, frame, selected } = useSequence.getState();
  const ids = selected.includes(id) ? selected : [id];
  const pieces = ids.filter((x) => entities[x]?.kind === 'piece');
  if (on?.kind === 'layer') {
    const lay = ids.filter((x) => entities[x] && 'layer' in entities[x]);
    if (lay.length) edit(`Lay on ${on.name}`, { kind: 'lay', ids: lay, layer: on.id });
  } else if (pieces.length && (on === null || on.kind === 'piece'))
    edit(
      on ? `Nest in ${on.name}` : 'Take out',
      ...pieces.map((x) => ({
        kind: 'nest' as const,
        id: x,
        parent: on?.id ?? null,
        keepPlace: !e.altKey,
        frame,
      })),
    );
}
