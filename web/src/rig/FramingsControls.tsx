import { ChooseThing } from '../kit/ChooseThing';
import { Tick } from '../kit/Tick';
import type { Camera, Framings } from '../core/types';
import { core } from '../session/evaluated';
import { edit } from '../session/document';
import { editProposed } from '../session/proposals';
import { select } from '../session/selection';
import { useSequence } from '../session/state';
import { Choice } from '../kit/Choice';
import { Bare } from '../kit/Bare';
import { IconAction } from '../kit/IconAction';
import { Pill } from '../kit/Pill';
import './rig.css';

/** Frames a new travel takes: a second and a half of film at 24. */
const TRAVEL = 36;

/** The cameras it travels between, and how it gets from one to the next. */
export function FramingsControls({ camera, part }: { camera: Camera; part: Framings }) {
  const entities = useSequence((s) => s.entities);
  const frame = useSequence((s) => s.frame);
  const set = (label: string, next: Framings) =>
    edit(label, { kind: 'setPart', camera: camera.id, part: next });
  const letter = (id: string) => {
    const e = entities[id];
    return e?.kind === 'camera' ? e.letter : '?';
  };
  const others = Object.values(entities).filter(
    (e): e is Camera => e.kind === 'camera' && e.id !== camera.id && !part.cameras.includes(e.id),
  );
  const travel = (id: string | null) =>
    editProposed(id ? `Travel to camera ${letter(id)}` : 'Travel to its own place', () =>
      core().turnCuesTo(camera.id, part.id, id ?? '', Math.round(frame), TRAVEL),
    );
  const addCamera = (id: string) => {
    editProposed(`Add the framing of camera ${letter(id)}`, () => core().takeMember(camera.id, part.id, id));
  };
  const drop = (id: string) =>
    editProposed(`Leave out camera ${letter(id)}`, () => core().letMemberGo(camera.id, part.id, id));
  return (
    <>
      {part.cameras.map((id) => {
        const c = entities[id] as Camera | undefined;
        return (
          <div className="line" key={id}>
            <Bare className="grow row-like" onClick={() => select(id)} title="Look through it, to reframe it">
              <span className="badge" style={{ background: c?.colour }}>
                {letter(id)}
              </span>{' '}
              {c?.name}
            </Bare>
            <Pill aria-label={`Travel to camera ${letter(id)} from this frame`} onClick={() => travel(id)}>
              Travel to
            </Pill>
            <IconAction size="small" aria-label={`Leave out camera ${letter(id)}`} onClick={() => drop(id)}>
              ×
            </IconAction>
          </div>
        );
      })}
      {part.cameras.length ? (
        <div className="line">
          <span className="grow">Its own place</span>
          <Pill aria-label="Travel to its own place from this frame" onClick={() => travel(null)}>
            Travel to
          </Pill>
        </div>
      ) : null}
      <ChooseThing
        label="Add"
        value=""
        words={[['', 'a camera …']]}
        things={others}
        onChange={(id) => id && addCamera(id)}
      />
      <Choice
        label="Route"
        value={part.route}
        options={[
          ['straight', 'in a straight line'],
          ['swung', 'swung round what both look at'],
        ]}
        onChange={(v) => set('Route', { ...part, route: v as Framings['route'] })}
      />
      <Tick
        checked={part.keepHorizon}
        onChange={(e) => set('Horizon of the travel', { ...part, keepHorizon: e.target.checked })}
      >
        Keep the horizon
      </Tick>
    </>
  );
}
