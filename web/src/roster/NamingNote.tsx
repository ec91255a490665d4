import { useMemo } from 'react';
import { core } from '../session/evaluated';
import { Pill } from '../kit/Pill';
import { edit } from '../session/document';
import { useSequence } from '../session/state';
import './roster.css';

/** Names that break the production's rules, with the fix. */
export function NamingNote() {
  const entities = useSequence((s) => s.entities);
  const header = useSequence((s) => s.header);
  const breaches = useMemo(() => (entities && header ? core().namingBreaches() : []), [entities, header]);
  if (!breaches.length) return null;
  const first = breaches[0];
  return (
    <div className="naming-note" data-testid="naming">
      <span>
        {breaches.length === 1
          ? `“${first.name}” should be “${first.better}”.`
          : `${breaches.length} names break the production’s rules, e.g. “${first.name}”.`}
      </span>
      <Pill
        onClick={() =>
          edit(
            'Mend the names',
            ...breaches.map((b) => ({ kind: 'rename' as const, id: b.id, name: b.better })),
          )
        }
      >
        Mend
      </Pill>
    </div>
  );
}
