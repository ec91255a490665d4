import { useCoreStill } from '../session/evaluated';
import { Pill } from '../kit/Pill';
import { edit } from '../session/document';
import './roster.css';

/** Names that break the production's rules, with the fix. */
export function NamingNote() {
  const breaches = useCoreStill((c) => c.namingBreaches());
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
