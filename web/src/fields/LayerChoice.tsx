import type { Entity } from '../core/types';
import { Choice } from '../kit/Choice';
import { edit } from '../session/document';
import { useSequence } from '../session/state';

/** Which layer a thing, or a camera's icon, lies on. */
export function LayerChoice({ thing }: { thing: Extract<Entity, { layer: string | null }> }) {
  const entities = useSequence((s) => s.entities);
  const layers = Object.values(entities).filter((e) => e.kind === 'layer');
  if (!layers.length) return null;
  return (
    <Choice
      label="Layer"
      value={thing.layer ?? ''}
      options={[['', 'none'], ...layers.map((e): [string, string] => [e.id, e.name])]}
      onChange={(v) => edit('Lay on a layer', { kind: 'lay', ids: [thing.id], layer: v || null })}
    />
  );
}
