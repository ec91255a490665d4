import type { OfTheCut } from '../session/programme';
import { ChooseThing } from '../kit/ChooseThing';
import { Tick } from '../kit/Tick';
import type { Command, Entity } from '../core/types';
import { Fields, useChannels } from '../fields/NumberField';
import { Swatch } from '../fields/Swatch';
import { Choice } from '../kit/Choice';
import { LayerChoice } from '../fields/LayerChoice';
import { MORE } from '../doing/withSelection';
import { removeSelected } from '../doing/create';
import { core, useCore, useCoreStill } from '../session/evaluated';
import { edit } from '../session/document';
import { useSequence } from '../session/state';
import { Editing } from '../kit/Editing';
import { Arrange } from './Arrange';
import { AirCard } from './AirCard';
import { FinishCard } from './FinishCard';
import { LightCard } from './LightCard';
import { MeasureCard } from './MeasureCard';
import { PathCard } from './PathCard';
import { PlateCard } from './PlateCard';
import { ShapeCard } from './ShapeCard';
import { Pill } from '../kit/Pill';

type Thing = Exclude<Entity, { kind: 'camera' } | OfTheCut>;

/** The few controls of whatever is selected and is not a camera. */
export function ThingPanel({ entity }: { entity: Thing }) {
  const selected = useSequence((s) => s.selected);
  const mayEdit = useSequence((s) => s.mayEdit);
  const channels = useChannels(entity.id);
  const find = (...names: string[]) => channels.filter((c) => names.includes(c.address));
  const placed =
    entity.kind === 'piece' || entity.kind === 'mark' || (entity.kind === 'light' && entity.form !== 'sun');
  const more = MORE.filter((m) => m.atHand && m.fits(entity));
  return (
    <>
      <div className="panel-head">
        <span className="name grow">
          {selected.length > 1 ? `${entity.name} and ${selected.length - 1} more` : entity.name}
        </span>
        <Pill disabled={!mayEdit} onClick={removeSelected}>
          Remove
        </Pill>
      </div>
      <div className="scroll">
        <Editing>
          {placed ? <SizeLine ids={selected} /> : null}
          {placed ? (
            <div className="card">
              <div className="card-head">
                <span className="card-name">Place</span>
              </div>
              {entity.kind === 'piece' || entity.kind === 'light' ? <CarrierChoice thing={entity} /> : null}
              {entity.kind === 'mark' ? <RideChoice mark={entity} /> : null}
              <LayerChoice thing={entity} />
              <Fields
                id={entity.id}
                name={entity.name}
                channels={find('x', 'y', 'z', 'pan', 'tilt', 'roll', 'scaleX', 'scaleY', 'scaleZ')}
              />
              <Arrange />
            </div>
          ) : null}
          {entity.kind === 'piece' ? <ShapeCard piece={entity} /> : null}
          {entity.kind === 'piece' ? <FinishCard piece={entity} /> : null}
          {entity.kind === 'light' ? <LightCard light={entity} channels={channels} /> : null}
          {entity.kind === 'air' ? <AirCard air={entity} channels={channels} /> : null}
          {entity.kind === 'plate' ? <PlateCard plate={entity} channels={channels} /> : null}
          {entity.kind === 'measure' ? <MeasureCard measure={entity} /> : null}
          {entity.kind === 'layer' ? <LayerCard layer={entity} /> : null}
          {entity.kind === 'path' ? <PathCard path={entity} /> : null}
        </Editing>
        {more.length ? (
          <div className="buttons padded">
            {more.map((m) => (
              <Pill key={m.name} disabled={!mayEdit && !m.looks} onClick={m.run}>
                {m.name}
              </Pill>
            ))}
          </div>
        ) : null}
      </div>
    </>
  );
}

/** Width × height × depth of all that is selected, in display units. */
function SizeLine({ ids }: { ids: string[] }) {
  'use no memo';
  const size = new Float64Array(3);
  useCore((c) =>
    c.size(
      ids.filter((id) => c.slot(id) >= 0),
      size,
    ),
  );
  if (size[0] + size[1] + size[2] === 0) return null;
  const show = (m: number) => core().showNumber(m, 'metres');
  return (
    <p className="says padded mono" data-testid="size">
      {`${show(size[0])} × ${show(size[1])} × ${show(size[2])}`}
      <span className="muted"> wide, high, deep</span>
    </p>
  );
}

function CarrierChoice({ thing }: { thing: Extract<Entity, { kind: 'piece' } | { kind: 'light' }> }) {
  const entities = useSequence((s) => s.entities);
  const frame = useSequence((s) => s.frame);
  const options = Object.values(entities).filter((e) => e.kind === 'piece' && e.id !== thing.id);
  return (
    <ChooseThing
      label={thing.kind === 'piece' ? 'Nested in' : 'Carried by'}
      value={thing.parent ?? ''}
      words={[['', 'nothing']]}
      things={options}
      onChange={(v) =>
        edit(`${thing.kind === 'piece' ? 'Nest' : 'Carry'} ${thing.name}`, {
          kind: 'nest',
          id: thing.id,
          parent: v || null,
          keepPlace: true,
          frame,
        })
      }
    />
  );
}

function RideChoice({ mark }: { mark: Extract<Entity, { kind: 'mark' }> }) {
  const entities = useSequence((s) => s.entities);
  const frame = useSequence((s) => s.frame);
  const options = Object.values(entities).filter((e) => e.kind === 'piece' || e.kind === 'camera');
  const anchors = useCoreStill((c) => (mark.rides ? c.anchors(mark.rides) : []));
  const ride = (rides: string | null, anchor: string | null) =>
    edit(`Attach ${mark.name}`, { kind: 'attach', id: mark.id, rides, anchor, frame });
  return (
    <>
      <ChooseThing
        label="Rides"
        value={mark.rides ?? ''}
        words={[['', 'nothing: free']]}
        things={options}
        onChange={(v) => ride(v || null, null)}
      />
      {anchors.length ? (
        <Choice
          label="From its"
          value={mark.anchor ?? ''}
          options={[['', 'origin'], ...anchors.map((a): [string, string] => [a, a])]}
          onChange={(v) => ride(mark.rides, v || null)}
        />
      ) : null}
    </>
  );
}

function LayerCard({ layer }: { layer: Extract<Entity, { kind: 'layer' }> }) {
  const entities = useSequence((s) => s.entities);
  const on = Object.values(entities).filter((e) => 'layer' in e && e.layer === layer.id);
  const as = (next: Partial<typeof layer>): Command => ({ kind: 'replace', entity: { ...layer, ...next } });
  const tick = (name: string, key: 'shown' | 'rendered' | 'locked') => (
    <Tick
      checked={layer[key]}
      onChange={(e) => edit(`Change ${layer.name}`, as({ [key]: e.target.checked }))}
    >
      {name}
    </Tick>
  );
  return (
    <div className="card">
      <div className="card-head">
        <span className="card-name">Layer</span>
        <Swatch
          label="Colour"
          does={`Colour of ${layer.name}`}
          value={layer.colour}
          commands={(colour) => [as({ colour })]}
        />
      </div>
      {tick('Shown in the views', 'shown')}
      {tick('Rendered', 'rendered')}
      {tick('Locked against moving', 'locked')}
      <p className="says">
        {on.length === 0
          ? 'Nothing lies on it yet: drag pieces onto it in the roster.'
          : `${on.length} on it: ${on
              .slice(0, 6)
              .map((e) => e.name)
              .join(', ')}${on.length > 6 ? ' …' : ''}`}
      </p>
    </div>
  );
}
