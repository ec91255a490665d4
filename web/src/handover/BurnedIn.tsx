import type { BurnIn } from '../doing/renders';
import { Choice } from '../kit/Choice';
import { Fold } from '../kit/Fold';
import { Pill } from '../kit/Pill';
import { Tick } from '../kit/Tick';
import { at } from '../session/http';
import { useSequence } from '../session/state';
import { lensCamera } from '../session/view';

const ITEMS: [string, string][] = [
  ['PRODUCTION', 'Production'],
  ['SEQUENCE', 'Sequence'],
  ['SHOT', 'Shot'],
  ['TAKE', 'Take'],
  ['CAMERA', 'Camera'],
  ['LENS', 'Lens'],
  ['FOCUS', 'Focus'],
  ['STOP', 'f-stop'],
  ['FRAME_OF_SHOT', 'Frame of the shot'],
  ['FRAME_OF_SCENE', 'Frame of the scene'],
  ['TIMECODE', 'Timecode'],
  ['DATE', 'Date'],
  ['VERSION', 'Version'],
  ['WHO', 'Who'],
];

const PLACES: [string, string][] = [
  ['', 'not written'],
  ['TOP_LEFT', 'above, left'],
  ['TOP', 'above, middle'],
  ['TOP_RIGHT', 'above, right'],
  ['BOTTOM_LEFT', 'below, left'],
  ['BOTTOM', 'below, middle'],
  ['BOTTOM_RIGHT', 'below, right'],
];

/** What a slate in the picture usually says. */
const USUAL: BurnIn['places'] = {
  PRODUCTION: 'TOP_LEFT',
  DATE: 'TOP_RIGHT',
  WHO: 'TOP_RIGHT',
  SHOT: 'BOTTOM_LEFT',
  CAMERA: 'BOTTOM_LEFT',
  LENS: 'BOTTOM',
  STOP: 'BOTTOM',
  TIMECODE: 'BOTTOM_RIGHT',
  VERSION: 'BOTTOM_RIGHT',
};

/** What is written into the pictures that are looked at and into the film, with a try of it. */
export function BurnedIn({ burnIn, onChange }: { burnIn: BurnIn; onChange: (b: BurnIn) => void }) {
  const id = useSequence((s) => s.id);
  const frame = useSequence((s) => s.frame);
  const camera = useSequence(lensCamera);
  const count = Object.keys(burnIn.places).length;
  const put = (item: string, place: string) => {
    const places = { ...burnIn.places };
    if (place) places[item] = place;
    else delete places[item];
    onChange({ ...burnIn, places });
  };
  const asked = new URLSearchParams({ burnIn: JSON.stringify(burnIn), camera, frame: String(frame) });
  return (
    <Fold title={count ? `Written in the picture · ${count}` : 'Written in the picture · nothing'}>
      {count ? (
        <img
          className="burn-in-try"
          src={at(`/api/sequences/${id}/burn-in.png?${asked}`)}
          alt="What is written, tried on grey"
        />
      ) : null}
      <Pill small onClick={() => onChange({ ...burnIn, places: count ? {} : USUAL })}>
        {count ? 'Nothing' : 'The usual'}
      </Pill>
      <p className="says">In PNG of 8 bits and in the film. EXR and PNG of 16 bits stay clean.</p>
      <Tick
        checked={burnIn.slate === true}
        onChange={(e) => onChange({ ...burnIn, slate: e.target.checked })}
      >
        A slate in front of the film: one picture that says what it is
      </Tick>
      {ITEMS.map(([item, label]) => (
        <Choice
          key={item}
          label={label}
          value={burnIn.places[item] ?? ''}
          options={PLACES}
          onChange={(v) => put(item, v)}
        />
      ))}
    </Fold>
  );
}
