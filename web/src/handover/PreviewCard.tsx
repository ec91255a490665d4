import { HandlesTick } from './HandlesTick';
import { useQuery } from '@tanstack/react-query';
import { askPreview } from '../filming/ask';
import type { What } from '../doing/renders';
import type { Look } from '../filming/film';
import { Choice } from '../kit/Choice';
import { Pill } from '../kit/Pill';
import { Tick } from '../kit/Tick';
import { getJson } from '../session/http';
import { useSettings } from '../session/settings';
import { ChosenShots } from './ChosenShots';
import { choose, useChoices } from './choices';
import { Range } from './Range';

const SHOWS: [keyof Look, string, string][] = [
  ['blur', 'Blur', 'Depth-of-field blur, of cameras that have it switched on'],
  [
    'motionBlur',
    'Motion blur',
    'Of cameras that have it switched on; each frame takes sixteen times as long',
  ],
  ['plates', 'Plates', 'Images that lie in the frame'],
  ['haze', 'Haze', 'The air between the lens and what it sees'],
  ['guides', 'Guides', 'The lines that each camera shows over its frame'],
  [
    'slate',
    'Written in the picture',
    'A line in the picture: shot, camera, lens, frame, timecode, version, date, who',
  ],
];

/** As the server makes it: whole pairs of pixels, which every film can have. */
const side = (delivery: number, percent: number) => Math.max(16, Math.floor((delivery * percent) / 200) * 2);

/** Asking for a film of the lens view: of what, how large, and what is in it. */
export function PreviewCard({ onAsked }: { onAsked: () => void }) {
  const how = useChoices((s) => s.preview);
  const by = (change: Partial<typeof how>) => choose({ preview: { ...how, ...change } });
  const drawers = useQuery({
    queryKey: ['drawers'],
    queryFn: () => getJson<{ server: boolean }>('/api/previews/drawers'),
    staleTime: Infinity,
  });
  const p = useSettings().cameraPackage;
  const ask = async (what: What) => {
    const asked = askPreview(what, how);
    onAsked();
    if (await asked) onAsked();
  };
  return (
    <div className="card">
      <Choice
        label="Size"
        value={String(how.percent)}
        options={['25', '50', '100'].map((v) => [
          v,
          `${v} % · ${side(p.deliveryWidth, Number(v))} × ${side(p.deliveryHeight, Number(v))}`,
        ])}
        onChange={(v) => by({ percent: Number(v) })}
      />
      {drawers.data?.server ? (
        <Choice
          label="Drawn by"
          value={how.byServer ? 'server' : 'page'}
          options={[
            ['page', 'This page, as quick as it can'],
            ['server', 'The server: this page may be closed'],
          ]}
          onChange={(v) => by({ byServer: v === 'server' })}
        />
      ) : null}
      <div className="shows" role="group" aria-label="What is in the film">
        {SHOWS.map(([name, words, tip]) => (
          <span key={name} title={tip}>
            <Tick
              checked={how.look[name]}
              onChange={(e) => by({ look: { ...how.look, [name]: e.target.checked } })}
            >
              {words}
            </Tick>
          </span>
        ))}
      </div>
      <Tick checked={how.slateInFront === true} onChange={(e) => by({ slateInFront: e.target.checked })}>
        A slate in front of the film: one picture that says what it is
      </Tick>
      <HandlesTick checked={how.handles} onChange={(handles) => by({ handles })} />
      <div className="line" style={{ flexWrap: 'wrap' }}>
        <Pill tone="coral" wide onClick={() => void ask('shot')}>
          Film this shot
        </Pill>
        <ChosenShots verb="Film" onAsk={(shots) => void ask({ shots })} />
        <Range verb="Film" onAsk={(range) => void ask({ range })} />
        <Pill wide onClick={() => void ask('cut')}>
          The cut
        </Pill>
        <Pill wide onClick={() => void ask('frame')}>
          This frame
        </Pill>
      </div>
    </div>
  );
}
