import type { Camera, Rail } from '../core/types';
import { useCoreStill, useShowNumber } from '../session/evaluated';
import { drawPath } from '../doing/create';
import { edit } from '../session/document';
import { select } from '../session/selection';
import { useSequence } from '../session/state';
import { ChooseThing } from '../kit/ChooseThing';
import { Choice } from '../kit/Choice';
import { Pill } from '../kit/Pill';

/** The path, what the carriage faces, and how its horizon is kept. */
export function RailControls({ camera, part }: { camera: Camera; part: Rail }) {
  const entities = useSequence((s) => s.entities);
  const paths = Object.values(entities).filter((e) => e.kind === 'path');
  const set = (label: string, next: Rail) => edit(label, { kind: 'setPart', camera: camera.id, part: next });
  const show = useShowNumber();
  const report = useCoreStill((c) => (part.path ? c.pathReport(part.path) : null));
  return (
    <>
      <ChooseThing
        label="Path"
        value={part.path ?? ''}
        words={[['', 'none yet']]}
        things={paths}
        onChange={(v) => set('Choose a path', { ...part, path: v || null })}
      />
      {report ? (
        <p className="says">
          {show(report.lengthM, 'metres')} long
          {report.tightestRadiusM !== null
            ? `, tightest radius ${show(report.tightestRadiusM, 'metres')}`
            : ', straight'}{' '}
          <Pill onClick={() => select(part.path!)}>Edit it</Pill>
        </p>
      ) : (
        <p className="says">
          Choose a path, or <Pill onClick={drawPath}>draw one in plan</Pill>
        </p>
      )}
      <Choice
        label="Faces"
        value={part.facing}
        options={[
          ['keep', 'as the part below'],
          ['travel', 'along the travel'],
          ['guide', 'a second path, as far along'],
        ]}
        onChange={(v) => set('Facing', { ...part, facing: v as Rail['facing'] })}
      />
      {part.facing === 'guide' ? (
        <ChooseThing
          label="Second path"
          value={part.guide ?? ''}
          words={[['', 'none yet: faces the travel']]}
          things={paths.filter((p) => p.id !== part.path)}
          onChange={(v) => set('Choose a path to face', { ...part, guide: v || null })}
        />
      ) : null}
      <Choice
        label="Horizon"
        value={part.level ? 'level' : 'path'}
        options={[
          ['level', 'level to the world'],
          ['path', 'leans with the path'],
        ]}
        onChange={(v) => set('Horizon', { ...part, level: v === 'level' })}
      />
    </>
  );
}
