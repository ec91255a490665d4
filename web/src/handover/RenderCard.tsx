import { HandlesTick } from './HandlesTick';
import { Choice } from '../kit/Choice';
import { Pill } from '../kit/Pill';
import { Tick } from '../kit/Tick';
import { askRender, turnsFor, type Urgency, type What } from '../doing/renders';
import { useSettings } from '../session/settings';
import { useSequence } from '../session/state';
import { BurnedIn } from './BurnedIn';
import { ChosenShots } from './ChosenShots';
import { choose, useChoices } from './choices';
import { Range } from './Range';
import { Keeping } from './Keeping';
import { NamesChoice } from './NamesChoice';

const SHOWS: ['blur' | 'motionBlur' | 'plates' | 'haze', string, string][] = [
  ['blur', 'Blur', 'Depth-of-field blur, of cameras that have it switched on'],
  ['motionBlur', 'Motion blur', 'Of cameras that have it switched on'],
  ['plates', 'Plates', 'Images that lie in the frame'],
  ['haze', 'Haze', 'The air between the lens and what it sees'],
];

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
      <NamesChoice how={how} onChange={(names) => by({ names })} />
      <BurnedIn burnIn={how.burnIn} onChange={(burnIn) => by({ burnIn })} />
      <Keeping kept={how.kept} onChange={(kept) => by({ kept })} />
      <HandlesTick checked={how.handles} onChange={(handles) => by({ handles })} />
      <div className="shows" role="group" aria-label="What is in the picture">
        {SHOWS.map(([name, words, tip]) => (
          <span key={name} title={tip}>
            <Tick checked={how[name]} onChange={(e) => by({ [name]: e.target.checked })}>
              {words}
            </Tick>
          </span>
        ))}
      </div>
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
        <Range verb="Render" onAsk={(range) => void ask({ range })} />
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
