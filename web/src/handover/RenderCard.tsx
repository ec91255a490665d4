import { HandlesTick } from './HandlesTick';
import { Choice } from '../kit/Choice';
import { Pill } from '../kit/Pill';
import { Tick } from '../kit/Tick';
import { askRender, turnsFor, type Urgency, type What } from '../doing/renders';
import { useSettings } from '../session/settings';
import { useSequence } from '../session/state';
import { ChosenShots } from './ChosenShots';
import { choose, useChoices } from './choices';
import { Keeping } from './Keeping';

/** Asking for a render: of what, how large and how fine. */
export function RenderCard({ onAsked }: { onAsked: () => void }) {
  const how = useChoices((s) => s.render);
  const by = (change: Partial<typeof how>) => choose({ render: { ...how, ...change } });
  const mayEdit = useSequence((s) => s.mayEdit);
  const p = useSettings().cameraPackage;
  const ask = async (what: What) => {
    if (await askRender(what, how)) onAsked();
  };
  const size = (v: number) =>
    // as the server makes it: whole pixels, never more than the share
    `${v} % · ${Math.floor((p.deliveryWidth * v) / 100)} × ${Math.floor((p.deliveryHeight * v) / 100)}`;
  return (
    <div className="card">
      <Choice
        label="Size"
        value={String(how.percent)}
        options={['10', '25', '50', '100'].map((v) => [v, size(Number(v))])}
        onChange={(v) => by({ percent: Number(v) })}
      />
      <Choice
        label="Quality"
        value={String(how.samples)}
        options={[
          ['4', 'Sketch · 4 lens rays a pixel'],
          ['16', 'Draft · up to 16'],
          ['64', 'Fine · up to 64'],
          ['256', 'Final · up to 256'],
        ]}
        onChange={(v) => by({ samples: Number(v) })}
      />
      <Choice
        label="Frames"
        value={String(how.every)}
        options={[
          ['1', 'All of them'],
          ['2', 'Every second'],
          ['5', 'Every fifth'],
          ['12', 'Every twelfth'],
          ['0', 'First, middle and last of each shot'],
        ]}
        onChange={(v) => by({ every: Number(v) })}
      />
      <Keeping kept={how.kept} onChange={(kept) => by({ kept })} />
      <HandlesTick checked={how.handles} onChange={(handles) => by({ handles })} />
      <Tick checked={how.motionBlur} onChange={(e) => by({ motionBlur: e.target.checked })}>
        Motion blur, of cameras that have it switched on
      </Tick>
      <Tick checked={how.early} onChange={(e) => by({ early: e.target.checked })}>
        First, last and middle frame of each shot before the others
      </Tick>
      <Choice
        label="Turn"
        value={how.urgency}
        options={turnsFor(mayEdit)}
        onChange={(v) => by({ urgency: v as Urgency })}
      />
      <div className="line" style={{ flexWrap: 'wrap' }}>
        <Pill tone="coral" wide onClick={() => void ask('cut')}>
          Render the cut
        </Pill>
        <ChosenShots verb="Render" onAsk={(shots) => void ask({ shots })} />
        <Pill wide onClick={() => void ask('shot')}>
          This shot
        </Pill>
        <Pill wide onClick={() => void ask('frame')}>
          This frame
        </Pill>
      </div>
    </div>
  );
}
