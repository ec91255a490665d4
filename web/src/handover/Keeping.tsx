import { useQuery } from '@tanstack/react-query';
import { getJson } from '../session/http';
import { useSequence } from '../session/state';
import type { Light } from '../core/types';
import type { Form, Kept } from '../doing/renders';
import { Choice } from '../kit/Choice';
import { Fold } from '../kit/Fold';
import { Tick } from '../kit/Tick';

interface Pass {
  key: string;
  name: string;
  says: string;
  ofLights: boolean;
}

const isExr = (form: Form) => form === 'EXR' || form === 'EXR_HALF';

const toggled = (all: string[], one: string, on: boolean) =>
  on ? [...all, one] : all.filter((x) => x !== one);

/** In what files a render is kept, with which passes. */
export function Keeping({ kept, onChange }: { kept: Kept; onChange: (kept: Kept) => void }) {
  const passes = useQuery({
    queryKey: ['passes'],
    queryFn: () => getJson<Pass[]>('/api/renders/passes'),
    staleTime: Infinity,
  });
  const entities = useSequence((s) => s.entities);
  const lights = Object.values(entities).filter((e): e is Light => e.kind === 'light');
  const by = (change: Partial<Kept>) => onChange({ ...kept, ...change });
  const chosen = kept.passes.length;
  return (
    <>
      <Choice
        label="Files"
        value={kept.form}
        options={[
          ['PNG', 'PNG · 8 bits, as a screen shows it'],
          ['FINE_PNG', 'PNG · 16 bits, as a screen shows it'],
          ['EXR_HALF', 'EXR · linear light, half precision'],
          ['EXR', 'EXR · linear light, full precision'],
        ]}
        onChange={(v) => by({ form: v as Form, passes: isExr(v as Form) ? kept.passes : [] })}
      />
      <Tick checked={kept.bounce} onChange={(e) => by({ bounce: e.target.checked })}>
        Light that bounces once from other surfaces
      </Tick>
      {isExr(kept.form) ? (
        <>
          <Tick checked={kept.surroundings} onChange={(e) => by({ surroundings: e.target.checked })}>
            Sky, background and plates in the picture
          </Tick>
          <Fold title={chosen ? `Passes · ${chosen} kept` : 'Passes · none yet'}>
            <div className="passes" role="group" aria-label="Passes">
              {passes.data?.map((p) => (
                <div key={p.key}>
                  <Tick
                    checked={kept.passes.includes(p.key)}
                    disabled={p.ofLights && !lights.length}
                    onChange={(e) =>
                      by({
                        passes: toggled(kept.passes, p.key, e.target.checked),
                        ...(p.ofLights ? { lights: e.target.checked ? lights.map((l) => l.id) : [] } : {}),
                      })
                    }
                  >
                    {p.name}
                    <span className="muted says">{p.says}</span>
                  </Tick>
                  {p.ofLights && kept.passes.includes(p.key) ? (
                    <div className="of-lights" role="group" aria-label="Lights">
                      {lights.map((l) => (
                        <Tick
                          key={l.id}
                          checked={kept.lights.includes(l.id)}
                          onChange={(e) => by({ lights: toggled(kept.lights, l.id, e.target.checked) })}
                        >
                          {l.name}
                        </Tick>
                      ))}
                    </div>
                  ) : null}
                </div>
              ))}
            </div>
          </Fold>
        </>
      ) : null}
    </>
  );
}
