import type { Base, Camera } from '../core/types';
import { edit } from '../session/document';
import { useSequence } from '../session/state';
import { ChooseThing } from '../kit/ChooseThing';
import { Choice } from '../kit/Choice';

/** What the stack rides, and what it takes of it; the camera keeps its place. */
export function BaseControls({ camera, part }: { camera: Camera; part: Base }) {
  const entities = useSequence((s) => s.entities);
  const frame = useSequence((s) => s.frame);
  const ride = (rides: string | null, takes: Base['takes']) =>
    edit('Ride', { kind: 'ride', camera: camera.id, part: part.id, rides, takes, frame });
  const others = Object.values(entities).filter(
    (e) => (e.kind === 'piece' || e.kind === 'mark' || e.kind === 'camera') && e.id !== camera.id,
  );
  return (
    <>
      <ChooseThing
        label="Rides"
        value={part.rides ?? ''}
        words={[['', 'nothing: stands in the world']]}
        things={others}
        onChange={(v) => ride(v || null, part.takes)}
      />
      {part.rides ? (
        <Choice
          label="Takes"
          value={part.takes}
          options={[
            ['position', 'its position'],
            ['heading', 'position and heading'],
            ['all', 'all of its motion'],
          ]}
          onChange={(v) => ride(part.rides, v as Base['takes'])}
        />
      ) : null}
    </>
  );
}
