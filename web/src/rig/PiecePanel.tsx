import type { Light, Mark, Path, Piece } from '../core/types';
import { theCore } from '../core/load';
import { Fields, useChannels } from '../fields/NumberField';
import { edit, useSequence } from '../sequence/store';
import { drawPath, removeSelected } from '../roster/create';
import { reportOf } from '../views/models';
import { Choice } from './RigStack';

/** The few controls of whatever is selected and is not a camera. */
export function PiecePanel({ entity }: { entity: Piece | Mark | Path | Light }) {
  const channels = useChannels(entity.id);
  const find = (...names: string[]) => channels.filter((c) => names.includes(c.address));
  const placed = entity.kind === 'piece' || entity.kind === 'mark';
  return (
    <>
      <div className="panel-head">
        <span className="name grow">{entity.name}</span>
        <button className="pill" onClick={removeSelected}>
          Remove
        </button>
      </div>
      <div className="scroll">
        {placed ? (
          <div className="card">
            <div className="card-head">
              <span className="card-name">Place</span>
            </div>
            {entity.kind === 'piece' ? <NestChoice piece={entity} /> : <RideChoice mark={entity} />}
            <Fields
              id={entity.id}
              name={entity.name}
              channels={find('x', 'y', 'z', 'pan', 'tilt', 'roll', 'scaleX', 'scaleY', 'scaleZ')}
            />
          </div>
        ) : null}
        {entity.kind === 'piece' ? <ShapeCard piece={entity} /> : null}
        {entity.kind === 'light' ? (
          <div className="card" style={{ borderLeftColor: 'var(--marigold)' }}>
            <Fields id={entity.id} name={entity.name} channels={channels} />
          </div>
        ) : null}
        {entity.kind === 'path' ? <PathCard path={entity} /> : null}
      </div>
    </>
  );
}

function NestChoice({ piece }: { piece: Piece }) {
  const entities = useSequence((s) => s.entities);
  const frame = useSequence((s) => s.frame);
  const options = Object.values(entities).filter((e) => e.kind === 'piece' && e.id !== piece.id);
  return (
    <Choice
      label="Nested in"
      value={piece.parent ?? ''}
      options={[['', 'nothing'], ...options.map((e): [string, string] => [e.id, e.name])]}
      onChange={(v) =>
        edit(`Nest ${piece.name}`, { kind: 'nest', id: piece.id, parent: v || null, keepPlace: true, frame })
      }
    />
  );
}

function RideChoice({ mark }: { mark: Mark }) {
  const entities = useSequence((s) => s.entities);
  const frame = useSequence((s) => s.frame);
  const options = Object.values(entities).filter((e) => e.kind === 'piece' || e.kind === 'camera');
  return (
    <Choice
      label="Rides"
      value={mark.rides ?? ''}
      options={[['', 'nothing: free'], ...options.map((e): [string, string] => [e.id, e.name])]}
      onChange={(v) => edit(`Attach ${mark.name}`, { kind: 'attach', id: mark.id, rides: v || null, frame })}
    />
  );
}

function ShapeCard({ piece }: { piece: Piece }) {
  const shape = piece.shape;
  const reshape = (next: Piece['shape'], colour = piece.colour) =>
    edit(`Reshape ${piece.name}`, { kind: 'reshape', id: piece.id, shape: next, colour });
  if (shape.kind === 'group') return null;
  if (shape.kind === 'model') {
    const report = reportOf(shape.asset);
    return (
      <div className="card">
        <div className="card-head">
          <span className="card-name">Model</span>
        </div>
        {report ? <p className="says">{`${report.name} · ${report.triangles} triangles`}</p> : null}
        <Choice
          label="Plays"
          value={shape.clip ?? ''}
          options={[['', 'no animation'], ...(report?.clips ?? []).map((c): [string, string] => [c, c])]}
          onChange={(v) => reshape({ ...shape, clip: v || null })}
        />
        <Choice
          label="At its end"
          value={shape.loops ? 'loop' : 'hold'}
          options={[
            ['loop', 'begins again'],
            ['hold', 'holds'],
          ]}
          onChange={(v) => reshape({ ...shape, loops: v === 'loop' })}
        />
        <Choice
          label="File unit"
          value={String(shape.unitM)}
          options={[
            ['1', 'metres'],
            ['0.01', 'centimetres'],
            ['0.001', 'millimetres'],
            ['0.3048', 'feet'],
            ['0.0254', 'inches'],
          ]}
          onChange={(v) => reshape({ ...shape, unitM: Number(v) })}
        />
      </div>
    );
  }
  const size = (key: 'width' | 'height' | 'depth', label: string) => (
    <div className="line">
      <label htmlFor={`size-${key}`}>{label}</label>
      <input
        id={`size-${key}`}
        type="text"
        className="mono"
        key={`${piece.id}${shape[key]}`}
        defaultValue={theCore().showNumber(shape[key], 'metres')}
        onKeyDown={(e) => {
          e.stopPropagation();
          if (e.key === 'Enter') e.currentTarget.blur();
        }}
        onBlur={(e) => {
          const read = JSON.parse(theCore().readNumber(e.target.value, 'metres', shape[key])) as {
            value?: number;
          };
          if (
            read.value === undefined ||
            Math.abs(read.value - shape[key]) < 1e-9 ||
            !reshape({ ...shape, [key]: read.value })
          )
            e.target.value = theCore().showNumber(shape[key], 'metres');
        }}
      />
    </div>
  );
  return (
    <div className="card">
      <div className="card-head">
        <span className="card-name">Stand-in</span>
        <input
          type="color"
          aria-label="Colour"
          value={piece.colour}
          onChange={(e) => reshape(shape, e.target.value)}
        />
      </div>
      {size('width', 'Width')}
      {size('height', 'Height')}
      {size('depth', 'Depth')}
    </div>
  );
}

function PathCard({ path }: { path: Path }) {
  const report = JSON.parse(theCore().pathReport(path.id)) as {
    lengthM: number;
    tightestRadiusM: number | null;
  };
  const reroute = (label: string, next: Partial<Pick<Path, 'closed' | 'points'>>) =>
    edit(label, {
      kind: 'reroute',
      id: path.id,
      style: path.style,
      closed: path.closed,
      points: path.points,
      ...next,
    });
  return (
    <div className="card" style={{ borderLeftColor: 'var(--marigold)' }}>
      <p className="says">
        {path.points.length} points, {theCore().showNumber(report.lengthM, 'metres')} long
      </p>
      <Choice
        label="Ends"
        value={path.closed ? 'closed' : 'open'}
        options={[
          ['open', 'open'],
          ['closed', 'closed: goes round'],
        ]}
        onChange={(v) => reroute('Close a path', { closed: v === 'closed' })}
      />
      <button
        className="pill"
        onClick={() =>
          reroute('Reverse a path', {
            points: [...path.points].reverse().map((p) => ({ at: p.at, in: p.out, out: p.in })),
          })
        }
      >
        Reverse
      </button>{' '}
      <button className="pill" onClick={drawPath}>
        Draw another
      </button>
    </div>
  );
}
