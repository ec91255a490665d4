import { pick } from '../session/selection';
import { ChooseThing } from '../kit/ChooseThing';
import { Tick } from '../kit/Tick';
import type { Camera, DollyZoom } from '../core/types';
import { edit } from '../session/document';
import { editProposed } from '../session/proposals';
import { useSequence } from '../session/state';
import { core, useCoreStill } from '../session/evaluated';
import { Choice } from '../kit/Choice';
import { Pill } from '../kit/Pill';

/** Whose size is held, what gives way for it, and focus that goes along. */
export function DollyZoomControls({ camera, part }: { camera: Camera; part: DollyZoom }) {
  const entities = useSequence((s) => s.entities);
  const held = part.subject?.entity;
  const name = (id: string) => entities[id]?.name ?? '';
  const hold = (id: string, anchor = '') => {
    return editProposed(`Hold the size of ${name(id)}`, () =>
      core().holdSize(camera.id, part.id, id, anchor),
    );
  };
  const click = () =>
    pick('Click what shall keep its size: the subject, or something behind it', (hit) => void hold(hit.id));
  const choices = Object.values(entities).filter(
    (e) => (e.kind === 'piece' && e.shape.kind !== 'group') || e.kind === 'mark',
  );
  const anchors = useCoreStill((c) => (held ? c.anchors(held) : []));
  const focused =
    !!held &&
    !!camera.focus &&
    camera.focus.subjects.length === 1 &&
    camera.focus.subjects[0].entity === held &&
    camera.focus.cues.length > 0;
  return (
    <>
      <ChooseThing
        label="Holds"
        value={held ?? ''}
        words={[['', 'nothing yet']]}
        things={choices}
        onChange={(v) => v && hold(v)}
      />
      {anchors.length > 1 ? (
        <Choice
          label="Its point"
          value={part.subject?.anchor ?? ''}
          options={[['', 'the usual one'], ...anchors.map((a): [string, string] => [a, a])]}
          onChange={(v) => hold(held!, v)}
        />
      ) : null}
      <Choice
        label="Gives way"
        value={part.gives}
        options={[
          ['lens', 'the lens, to the move'],
          ['place', 'the place, to the lens'],
        ]}
        onChange={(v) =>
          edit('What gives way', {
            kind: 'setPart',
            camera: camera.id,
            part: { ...part, gives: v as DollyZoom['gives'] },
          })
        }
      />
      <div className="buttons">
        <Pill onClick={click}>Click it</Pill>
        <Pill
          disabled={!held}
          title="From now on the size is what it is on this frame"
          onClick={() => hold(held!, part.subject?.anchor ?? '')}
        >
          Size as on this frame
        </Pill>
      </div>
      {held ? (
        <Tick
          checked={focused}
          onChange={(e) =>
            edit(e.target.checked ? `Focus follows ${name(held)}` : 'Focus follows nothing', {
              kind: 'setFocus',
              camera: camera.id,
              focus: e.target.checked
                ? {
                    subjects: [part.subject!],
                    cues: [
                      {
                        frame: useSequence.getState().header.firstFrame,
                        travel: 0,
                        ease: 'slowBoth',
                        mix: { [held]: 1 },
                      },
                    ],
                  }
                : null,
            })
          }
        >
          Focus follows it
        </Tick>
      ) : null}
    </>
  );
}
