import type { Entity, Marker } from '../core/types';
import { edit } from '../session/document';
import { newId } from '../session/ids';
import { useSequence } from '../session/state';
import { goToReel, onReel } from '../session/time';
import { palette } from '../theme/tokens';

const get = useSequence.getState;

/** The markers in the order of the programme. */
export const markersOf = (entities: Record<string, Entity>): Marker[] =>
  Object.values(entities)
    .filter((e): e is Marker => e.kind === 'marker')
    .sort((a, b) => a.frame - b.frame);

/** Puts a marker where the playhead is, to be written on. */
export function addMarker(): void {
  const { reel } = get();
  if (!onReel() || reel === null) return;
  edit('Put a marker', {
    kind: 'add',
    entity: {
      kind: 'marker',
      id: newId('marker'),
      name: 'Marker',
      frame: Math.floor(reel),
      colour: palette.marigold,
    },
  });
}

/** Shows the frame of the marker before or after. */
export function goToMarker(way: 1 | -1): void {
  const { reel, entities } = get();
  const frames = markersOf(entities).map((m) => m.frame);
  const at = Math.floor(reel ?? 0);
  const to = way > 0 ? frames.find((f) => f > at) : frames.filter((f) => f < at).at(-1);
  if (to !== undefined) goToReel(to);
}
