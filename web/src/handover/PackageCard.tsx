import type { Mark } from '../core/types';
import { Choice } from '../kit/Choice';
import { MenuButton } from '../kit/MenuButton';
import { Pill } from '../kit/Pill';
import { Tick } from '../kit/Tick';
import { shownShot } from '../session/programme';
import { say } from '../session/said';
import { useSequence } from '../session/state';
import { ChosenShots } from './ChosenShots';
import { choose, useChoices } from './choices';
import { HandlesTick } from './HandlesTick';
import { handOver, PARTS, type PackageShown } from './packages';

/** Asking for a package: what of the sequence, and with what it is compared. */
export function PackageCard({ earlier, onAsked }: { earlier: PackageShown[]; onAsked: () => void }) {
  const how = useChoices((s) => s.pack);
  const by = (change: Partial<typeof how>) => choose({ pack: { ...how, ...change } });
  const mayEdit = useSequence((s) => s.mayEdit);
  const entities = useSequence((s) => s.entities);
  const marks = Object.values(entities).filter((e): e is Mark => e.kind === 'mark');
  const there = how.marks.filter((m) => m in entities);
  const compared = earlier.filter((p) => p.manifest);
  const ask = async (shots: string[]) => {
    if (await handOver({ ...how, marks: there }, shots)) onAsked();
  };
  if (!mayEdit) return <p className="empty">A lead or an artist hands over. What was, is below.</p>;
  return (
    <div className="card">
      <div className="shows" role="group" aria-label="What is handed over">
        {PARTS.map((p) => (
          <span key={p.value} title={p.tip}>
            <Tick
              checked={how.parts.includes(p.value)}
              onChange={(e) =>
                by({
                  parts: e.target.checked ? [...how.parts, p.value] : how.parts.filter((x) => x !== p.value),
                })
              }
            >
              {p.shows}
            </Tick>
          </span>
        ))}
      </div>
      {how.parts.includes('PLACES') && marks.length > 0 ? (
        <div className="line">
          <span className="line-label">Marks</span>
          <MenuButton
            name={there.length ? `${there.length} of ${marks.length}` : 'None'}
            tip="Marks that are handed over beside the guides"
            disabled={false}
          >
            {() => (
              <div className="chosen-shots">
                {marks.map((m) => (
                  <Tick
                    key={m.id}
                    checked={how.marks.includes(m.id)}
                    onChange={(e) =>
                      by({ marks: e.target.checked ? [...there, m.id] : there.filter((x) => x !== m.id) })
                    }
                  >
                    {m.name}
                  </Tick>
                ))}
              </div>
            )}
          </MenuButton>
        </div>
      ) : null}
      {how.parts.includes('SET') ? (
        <Tick checked={how.bend} onChange={(e) => by({ bend: e.target.checked })}>
          Figures bend in the set, point by point
        </Tick>
      ) : null}
      <HandlesTick checked={how.handles} onChange={(handles) => by({ handles })} />
      {compared.length ? (
        <Choice
          label="Changes since"
          value={String(how.since ?? '')}
          options={[
            ['', 'Not told'],
            ...compared.map((p): [string, string] => [String(p.number), `Package v${p.number}`]),
          ]}
          onChange={(v) => by({ since: v ? Number(v) : null, leaveOut: v ? how.leaveOut : false })}
        />
      ) : null}
      {how.since !== null ? (
        <Tick checked={how.leaveOut} onChange={(e) => by({ leaveOut: e.target.checked })}>
          Only files that are new or have changed
        </Tick>
      ) : null}
      <div className="line" style={{ flexWrap: 'wrap' }}>
        <Pill tone="coral" wide disabled={!how.parts.length} onClick={() => void ask([])}>
          Hand over the sequence
        </Pill>
        <ChosenShots verb="Hand over" onAsk={(shots) => void ask(shots)} />
        <Pill
          wide
          disabled={!how.parts.length}
          onClick={() => {
            const shot = shownShot();
            if (shot) void ask([shot.id]);
            else say('No shot is seen on this frame. Go to one, or choose it from the list.', true);
          }}
        >
          This shot
        </Pill>
      </div>
    </div>
  );
}
