import { setView } from '../session/view';
import { ChooseThing } from '../kit/ChooseThing';
import { Words } from '../kit/Words';
import { useState } from 'react';
import type { Camera, Command, Guide, Rule } from '../core/types';
import { Slider } from '../fields/Slider';
import { Swatch } from '../fields/Swatch';
import { TextNumber } from '../fields/TextNumber';
import { core, useCore } from '../session/evaluated';
import { edit } from '../session/document';
import { mayKey } from '../session/laneState';
import { editProposed } from '../session/proposals';
import { attempt, say } from '../session/said';
import { useSequence } from '../session/state';
import { Tip } from '../kit/Tip';
import { rulerOf, useAboutSubject } from '../doing/about';
import { remember } from '../doing/earlierViews';
import { palette } from '../theme/tokens';
import { Chip } from '../kit/Chip';
import { Pill } from '../kit/Pill';
import './frame.css';

const GUIDES: { form: Rule; name: string; across: number; down: number }[] = [
  { form: 'thirds', name: 'Thirds', across: 0, down: 0 },
  { form: 'goldenSection', name: 'Golden section', across: 0, down: 0 },
  { form: 'goldenSpiral', name: 'Golden spiral', across: 0, down: 0 },
  { form: 'diagonals', name: 'Diagonals', across: 0, down: 0 },
  { form: 'triangles', name: 'Triangles', across: 0, down: 0 },
  { form: 'centre', name: 'Centre cross', across: 0, down: 0 },
  { form: 'grid', name: 'Grid', across: 4, down: 4 },
  { form: 'horizon', name: 'Horizon', across: 0, down: 0 },
  { form: 'actionSafe', name: 'Action safe', across: 0.9, down: 0.9 },
  { form: 'titleSafe', name: 'Title safe', across: 0.8, down: 0.8 },
  { form: 'aspect', name: 'Other aspect', across: 2.39, down: 1 },
];

export const GUIDE_NAMES = GUIDES.map((g) => ({ form: g.form, name: g.name }));

/** Shows a guide over a camera's picture, or hides it. */
export function toggleGuide(id: string, form: Rule): void {
  const camera = useSequence.getState().entities[id] as Camera;
  const g = GUIDES.find((x) => x.form === form)!;
  const on = camera.guides.some((x) => x.form === form);
  const { across, down } = g;
  edit(on ? `Hide ${g.name.toLowerCase()}` : `Show ${g.name.toLowerCase()}`, {
    kind: 'replace',
    entity: {
      ...camera,
      guides: on
        ? camera.guides.filter((x) => x.form !== form)
        : [...camera.guides, { form, across, down, turn: 0, colour: palette.paper, strength: 0.7 }],
    },
  });
}

/** Places a subject can be put at: the crossings of thirds, the middle, and whatever is clicked. */
const CROSSINGS = [1 / 3, 1 / 2, 2 / 3];

/** The next place along one side of the frame. */
function onwards(at: number, way: number, fine: boolean): number {
  if (!way) return at;
  if (fine) return Math.max(0, Math.min(1, at + way / 100));
  const next = way > 0 ? CROSSINGS.find((c) => c > at + 1e-6) : CROSSINGS.findLast((c) => c < at - 1e-6);
  return next ?? at;
}

const percent = (v: number) => `${Math.round(v * 100)} %`;

/** Guides, readings, and putting a subject where it belongs. */
export function CompositionCard({ camera }: { camera: Camera }) {
  const entities = useSequence((s) => s.entities);
  const frame = useSequence((s) => s.frame);
  const about = useSequence((s) => s.about);
  const [place, setPlace] = useState<[number, number]>([0.5, 0.4]);
  const [size, setSize] = useState('');
  const bars = useCore(() => rulerOf(camera.id).bars);
  const subject = useAboutSubject();
  const reading = useCore((c) => (subject ? c.composition(camera.id, subject) : null));
  const put = (by: 'move' | 'turn' | 'lens') => {
    if (!subject) {
      say('Choose a subject first: there is none ahead of this camera.', true);
      return;
    }
    const share = size.trim() ? attempt(() => core().readNumber(size, 'percent', 0) / 100) : 0;
    if (share === undefined) return;
    remember(camera.id);
    editProposed(`Place ${entities[subject].name} by ${by}`, () =>
      core().placeSubject(camera.id, subject, '', place[0], place[1], share, by, frame, mayKey()),
    );
  };
  return (
    <div className="card" data-card="composition">
      <div className="card-head">
        <span className="card-name">Composition</span>
      </div>
      <GuideChips camera={camera} />
      <ChooseThing
        label="Subject"
        value={about}
        words={[['', subject && !about ? `nearest: ${entities[subject]?.name ?? ''}` : 'the nearest']]}
        things={[...new Set([...bars.map((b) => b.id), ...(about ? [about] : [])])]
          .map((id) => entities[id])
          .filter(Boolean)}
        onChange={(v) => setView({ about: v })}
      />
      {reading ? (
        <p className="says" data-testid="composition">
          {reading.headroom < 0
            ? `Cut at the top by ${percent(-reading.headroom)}`
            : `Headroom ${percent(reading.headroom)}`}
          {reading.faces === 'lens' || reading.faces === 'away'
            ? ` · ${reading.faces === 'lens' ? 'faces us' : 'its back to us'} · ${percent(reading.leadRoom)} and ${percent(reading.backRoom)} beside`
            : ` · faces ${reading.faces}: lead room ${percent(reading.leadRoom)}, behind ${percent(reading.backRoom)}`}
          {` · ${percent(reading.height)} high`}
        </p>
      ) : (
        <p className="says">No subject is ahead of this camera.</p>
      )}
      <div className="placing">
        <svg
          viewBox="0 0 160 90"
          role="slider"
          tabIndex={0}
          aria-label="Where in the frame"
          aria-valuenow={Math.round(place[0] * 100)}
          aria-valuetext={`${percent(place[0])} across, ${percent(place[1])} down`}
          data-testid="placing"
          onKeyDown={(e) => {
            const x = e.key === 'ArrowLeft' ? -1 : e.key === 'ArrowRight' ? 1 : 0;
            const y = e.key === 'ArrowUp' ? -1 : e.key === 'ArrowDown' ? 1 : 0;
            if (!x && !y) return;
            e.preventDefault();
            e.stopPropagation();
            // from crossing to crossing; with Shift by a hundredth
            setPlace([onwards(place[0], x, e.shiftKey), onwards(place[1], y, e.shiftKey)]);
          }}
          onClick={(e) => {
            const r = e.currentTarget.getBoundingClientRect();
            let x = (e.clientX - r.left) / r.width;
            let y = (e.clientY - r.top) / r.height;
            for (const c of CROSSINGS) {
              if (Math.abs(x - c) < 0.05) x = c;
              if (Math.abs(y - c) < 0.07) y = c;
            }
            setPlace([x, y]);
          }}
        >
          <rect width={160} height={90} rx={6} fill={palette.deep} />
          {[1 / 3, 2 / 3].map((v) => (
            <path key={v} d={`M${v * 160} 0V90M0 ${v * 90}H160`} stroke={palette.line} />
          ))}
          <circle cx={place[0] * 160} cy={place[1] * 90} r={6} fill={palette.teal} />
        </svg>
        <div className="placing-side">
          <label className="text-number">
            <span>Height in frame</span>
            <Words
              className="mono"
              placeholder="as it is"
              value={size}
              onChange={(e) => setSize(e.target.value)}
              onKeyDown={(e) => e.stopPropagation()}
            />
          </label>
          <div className="buttons">
            <Tip text="The camera travels and keeps its direction">
              <Pill onClick={() => put('move')}>Travel</Pill>
            </Tip>
            <Tip text="Pan and tilt">
              <Pill onClick={() => put('turn')}>Turn</Pill>
            </Tip>
            <Tip text="Focal length for the size, pan and tilt for the place">
              <Pill onClick={() => put('lens')}>Lens</Pill>
            </Tip>
          </div>
        </div>
      </div>
    </div>
  );
}

/** One guide, shown or not: a camera that is dragged does not draw it anew. */
function GuideChip({
  camera,
  form,
  name,
  onOpen,
}: {
  camera: string;
  form: Rule;
  name: string;
  onOpen: (form: Rule | null) => void;
}) {
  const on = useSequence((s) => {
    const e = s.entities[camera];
    return e?.kind === 'camera' && e.guides.some((g) => g.form === form);
  });
  return (
    <Chip
      on={on}
      onClick={() => {
        onOpen(on ? null : form);
        toggleGuide(camera, form);
      }}
    >
      {name}
    </Chip>
  );
}

function GuideChips({ camera }: { camera: Camera }) {
  const [open, setOpen] = useState<Rule | null>(null);
  const as = (guides: Guide[], surround = camera.surround): Command => ({
    kind: 'replace',
    entity: { ...camera, guides, surround },
  });
  const changed = (form: Rule, by: Partial<Guide>) =>
    as(camera.guides.map((g) => (g.form === form ? { ...g, ...by } : g)));
  const now = camera.guides.find((g) => g.form === open);
  return (
    <>
      <div className="primes" role="group" aria-label="Guides">
        {GUIDES.map((g) => (
          <GuideChip key={g.form} camera={camera.id} form={g.form} name={g.name} onOpen={setOpen} />
        ))}
      </div>
      {now ? (
        <div className="line">
          {now.form === 'goldenSpiral' || now.form === 'triangles' ? (
            <Pill
              onClick={() =>
                edit(
                  'Turn a guide',
                  changed(now.form, { turn: (now.turn + 1) % (now.form === 'triangles' ? 2 : 4) }),
                )
              }
            >
              Turn it
            </Pill>
          ) : null}
          {now.form === 'grid' || now.form === 'aspect' ? (
            <>
              <TextNumber
                label={now.form === 'grid' ? 'Columns' : 'Aspect width'}
                unit="factor"
                value={now.across}
                onChange={(across) => edit('Change a guide', changed(now.form, { across }))}
              />
              <TextNumber
                label={now.form === 'grid' ? 'Rows' : 'Aspect height'}
                unit="factor"
                value={now.down}
                onChange={(down) => edit('Change a guide', changed(now.form, { down }))}
              />
            </>
          ) : null}
          <Swatch
            label="Colour of the guide"
            value={now.colour}
            commands={(colour) => [changed(now.form, { colour })]}
          />
          <Slider
            label="Strength of the guide"
            does="Strength of a guide"
            least={0.1}
            most={1}
            step={0.1}
            value={now.strength}
            commands={(strength) => [changed(now.form, { strength })]}
          />
        </div>
      ) : null}
      <div className="line">
        <span className="line-label">Around the frame</span>
        <Slider
          label="How dark the surround is"
          does="Darken the surround"
          least={0}
          most={1}
          step={0.05}
          value={camera.surround}
          commands={(surround) => [as(camera.guides, surround)]}
        />
        <span className="mono muted">{camera.surround >= 1 ? 'hidden' : percent(camera.surround)}</span>
      </div>
    </>
  );
}
