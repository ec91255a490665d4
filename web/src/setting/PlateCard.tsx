import type { After, ChannelInfo, Plate, PlateFit } from '../core/types';
import { Fields } from '../fields/NumberField';
import { TextNumber } from '../fields/TextNumber';
import { ChooseThing } from '../kit/ChooseThing';
import { Choice } from '../kit/Choice';
import { edit } from '../session/document';
import { useSequence } from '../session/state';
import './setting.css';

/** An image or image sequence in the frame: of which camera, how it fits, where it stands, when it runs. */
export function PlateCard({ plate, channels }: { plate: Plate; channels: ChannelInfo[] }) {
  const entities = useSequence((s) => s.entities);
  const put = (next: Partial<Plate>): boolean =>
    edit(`Change ${plate.name}`, { kind: 'replace', entity: { ...plate, ...next } });
  const cameras = Object.values(entities).filter((e) => e.kind === 'camera');
  return (
    <div className="card" data-card="plate">
      <div className="card-head">
        <span className="card-name">Plate</span>
        <span className="muted mono">
          {plate.frames.length === 1 ? 'one image' : `${plate.frames.length} images`}
        </span>
      </div>
      <img
        className="plate-thumb"
        src={`api/assets/${plate.frames[0]}`}
        alt={`First image of ${plate.name}`}
      />
      <ChooseThing
        label="Seen by"
        value={plate.camera ?? ''}
        words={[['', 'every camera']]}
        things={cameras}
        onChange={(v) => put({ camera: v || null })}
      />
      <Choice
        label="Stands"
        value={plate.inFront ? 'front' : 'behind'}
        options={[
          ['behind', 'behind, or at its depth'],
          ['front', 'in front of everything'],
        ]}
        onChange={(v) => put({ inFront: v === 'front' })}
      />
      <Choice
        label="Fit"
        value={plate.fit}
        options={[
          ['width', 'the frame’s width'],
          ['height', 'the frame’s height'],
          ['fill', 'fill the frame'],
          ['inside', 'all of it inside'],
          ['stretch', 'stretched'],
        ]}
        onChange={(v) => put({ fit: v as PlateFit })}
      />
      <Fields id={plate.id} name={plate.name} channels={channels} />
      {plate.frames.length > 1 ? (
        <>
          <TextNumber
            label="First image on frame"
            unit="factor"
            value={plate.firstFrame}
            onChange={(v) => put({ firstFrame: Math.round(v) })}
          />
          <Choice
            label="At its end"
            value={plate.after}
            options={[
              ['hold', 'holds the last image'],
              ['loop', 'begins again'],
            ]}
            onChange={(v) => put({ after: v as After })}
          />
        </>
      ) : null}
    </div>
  );
}
