import { pick } from '../session/selection';
import { ChooseThing } from '../kit/ChooseThing';
import { Choose } from '../kit/Choose';
import type { Attention, Camera, Command, Light } from '../core/types';
import { core, useCoreStill } from '../session/evaluated';
import { edit } from '../session/document';
import { editProposed } from '../session/proposals';
import { useSequence } from '../session/state';
import { Choice } from '../kit/Choice';
import { USUAL_TRAVEL } from '../doing/cueing';
import { IconAction } from '../kit/IconAction';
import { Pill } from '../kit/Pill';

/** The command that puts another attention in place of a camera's part or of a light's aim. */
const replaced = (owner: Camera | Light, attention: Attention): Command =>
  owner.kind === 'light'
    ? { kind: 'replace', entity: { ...owner, attention } }
    : { kind: 'setPart', camera: owner.id, part: attention };

/** The subjects of an attention part, what it looks at now, and turning to another. */
export function AttentionControls({ camera, part }: { camera: Camera | Light; part: Attention }) {
  const entities = useSequence((s) => s.entities);
  const frame = useSequence((s) => s.frame);
  const set = (label: string, next: Attention) => edit(label, replaced(camera, next));
  const others = Object.values(entities).filter(
    (e) =>
      (e.kind === 'piece' || e.kind === 'mark' || e.kind === 'camera') &&
      e.id !== camera.id &&
      !part.subjects.some((s) => s.entity === e.id),
  );
  const name = (id: string) => entities[id]?.name ?? id;
  const addSubject = (id: string) => {
    editProposed(`Attend to ${name(id)}`, () => core().takeMember(camera.id, part.id, id));
  };
  const pieces = others
    .concat(Object.values(entities).filter((e) => part.subjects.some((s) => s.entity === e.id)))
    .filter((e) => e.kind === 'piece')
    .sort((a, b) => a.name.localeCompare(b.name));
  /** Each click adds a subject, until the prompt is put away. */
  const click = () =>
    pick('Click the subjects to attend to, one after the other', (hit) => {
      if (others.some((e) => e.id === hit.id)) addSubject(hit.id);
    });
  const turnTo = (id: string) =>
    editProposed(`Turn to ${name(id)}`, () =>
      core().turnCuesTo(camera.id, part.id, id, Math.round(frame), USUAL_TRAVEL),
    );
  const drop = (id: string) =>
    editProposed(`Stop attending to ${name(id)}`, () => core().letMemberGo(camera.id, part.id, id));
  return (
    <>
      {part.subjects.map((s) => (
        <div className="line" key={s.entity}>
          <span className="grow">{name(s.entity)}</span>
          <Anchors camera={camera} part={part} subject={s} />
          <Pill aria-label={`Turn to ${name(s.entity)} from this frame`} onClick={() => turnTo(s.entity)}>
            Turn to
          </Pill>
          <IconAction
            size="small"
            aria-label={`Stop attending to ${name(s.entity)}`}
            onClick={() => drop(s.entity)}
          >
            ×
          </IconAction>
        </div>
      ))}
      <div className="line">
        <div className="grow">
          <ChooseThing
            label="Add"
            value=""
            words={[['', 'a subject …']]}
            things={others}
            onChange={(id) => id && addSubject(id)}
          />
        </div>
        <Pill aria-label="Click: add subjects by clicking them" onClick={click}>
          Click
        </Pill>
      </div>
      <ChooseThing
        label="Up"
        value={part.up === 'piece' ? part.upPiece! : part.up}
        words={[
          ['world', 'the world’s'],
          ['free', 'free: the shortest turn'],
        ]}
        things={pieces}
        named={(e) => `${e.name}’s`}
        onChange={(v) =>
          set(
            'Up',
            v === 'world' || v === 'free'
              ? { ...part, up: v, upPiece: null }
              : { ...part, up: 'piece', upPiece: v },
          )
        }
      />
      <Choice
        label="Meets"
        value={part.blend}
        options={[
          ['directions', 'in a direction between'],
          ['points', 'at a point between'],
        ]}
        onChange={(v) => set('Meeting', { ...part, blend: v as Attention['blend'] })}
      />
    </>
  );
}

function Anchors({
  camera,
  part,
  subject,
}: {
  camera: Camera | Light;
  part: Attention;
  subject: Attention['subjects'][number];
}) {
  const names = useCoreStill((c) => c.anchors(subject.entity));
  if (names.length < 2) return null;
  return (
    <Choose
      aria-label="Point looked at"
      value={subject.anchor ?? ''}
      style={{ flex: '0 1 74px' }}
      onChange={(e) =>
        edit(
          'Point looked at',
          replaced(camera, {
            ...part,
            subjects: part.subjects.map((s) =>
              s === subject ? { ...s, anchor: e.target.value || null } : s,
            ),
          }),
        )
      }
    >
      <option value="">usual</option>
      {names.map((n) => (
        <option key={n}>{n}</option>
      ))}
    </Choose>
  );
}
