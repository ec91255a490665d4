import type { Entity } from '../core/types';

/** A camera's letter, or the colour of anything else. */
export function Sign({ entity: e }: { entity: Entity }) {
  if (e.kind === 'camera')
    return (
      <span className="badge" style={{ background: e.colour }}>
        {e.letter}
      </span>
    );
  const own = e.kind === 'piece' || e.kind === 'light' || e.kind === 'layer' || e.kind === 'air';
  const colour = own ? e.colour : e.kind === 'path' ? 'var(--marigold)' : 'var(--teal)';
  return <span className="dot" style={{ background: colour }} />;
}
