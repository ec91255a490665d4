import { openWindow } from '../session/windows';
import type { Command, Model, Piece, StandIn, Stance } from '../core/types';
import { useCoreStill, useShowNumber } from '../session/evaluated';
import { Swatch } from '../fields/Swatch';
import { TextNumber } from '../fields/TextNumber';
import { FILE_UNITS } from '../fields/choices';
import { Choice } from '../kit/Choice';
import { edit } from '../session/document';
import { select } from '../session/selection';
import { useSequence } from '../session/state';
import { reportOf } from '../views/models';
import { Chip } from '../kit/Chip';
import { Fold } from '../kit/Fold';
import { Pill } from '../kit/Pill';
import './setting.css';

const UPRIGHT: Stance = { headTurn: 0, headTilt: 0, leftArm: 0, rightArm: 0, lean: 0 };

/** What a piece looks like. */
export function ShapeCard({ piece }: { piece: Piece }) {
  const selected = useSequence((s) => s.selected);
  const entities = useSequence((s) => s.entities);
  const shape = piece.shape;
  const reshape = (next: Piece['shape'], colour = piece.colour): boolean =>
    edit(`Reshape ${piece.name}`, { kind: 'reshape', id: piece.id, shape: next, colour });
  if (shape.kind === 'group') return null;
  if (shape.kind === 'instance') {
    const like = entities[shape.of];
    return (
      <div className="card">
        <div className="card-head">
          <span className="card-name">Instance</span>
        </div>
        <p className="says">
          Looks like <Pill onClick={() => select(shape.of)}>{like?.name}</Pill> and changes with it.
        </p>
        <Pill onClick={() => like?.kind === 'piece' && reshape(like.shape, like.colour)}>
          Make it its own
        </Pill>
      </div>
    );
  }
  if (shape.kind === 'model') return <ModelCard piece={piece} shape={shape} reshape={reshape} />;
  const paint = (colour: string): Command[] =>
    selected
      .map((id) => entities[id])
      .filter((e): e is Piece => e?.kind === 'piece' && e.shape.kind === 'standIn')
      .map((p) => ({ kind: 'reshape', id: p.id, shape: p.shape, colour }));
  const size = (key: 'width' | 'height' | 'depth', label: string) => (
    <TextNumber
      label={label}
      unit="metres"
      value={shape[key]}
      onChange={(v) => reshape({ ...shape, [key]: v })}
    />
  );
  return (
    <div className="card">
      <div className="card-head">
        <span className="card-name">Stand-in</span>
        <Swatch label="Colour" does="Paint" value={piece.colour} commands={paint} />
      </div>
      <div className="numbers">
        {size('width', 'Width')}
        {size('height', 'Height')}
        {size('depth', 'Depth')}
      </div>
      {shape.form === 'adult' || shape.form === 'child' || shape.form === 'sitting' ? (
        <StanceFields shape={shape} reshape={reshape} />
      ) : null}
    </div>
  );
}

function StanceFields({ shape, reshape }: { shape: StandIn; reshape: (next: StandIn) => boolean }) {
  const now = shape.stance ?? UPRIGHT;
  const scaled = (height: number) => ({
    ...shape,
    width: (shape.width * height) / shape.height,
    height,
    depth: (shape.depth * height) / shape.height,
  });
  const show = useShowNumber();
  const field = (key: keyof Stance, label: string) => (
    <TextNumber
      label={label}
      unit="degrees"
      value={now[key]}
      onChange={(v) => reshape({ ...shape, stance: { ...now, [key]: v } })}
    />
  );
  return (
    <>
      <div className="buttons">
        {[1.1, 1.5, 1.65, 1.83].map((h) => (
          <Chip key={h} onClick={() => reshape(scaled(h))}>
            {show(h, 'metres')}
          </Chip>
        ))}
      </div>
      <div className="numbers">
        {field('headTurn', 'Head turns')}
        {field('headTilt', 'Head tilts')}
        {field('leftArm', 'Left arm')}
        {field('rightArm', 'Right arm')}
        {field('lean', 'Leans')}
      </div>
    </>
  );
}

function ModelCard({
  piece,
  shape,
  reshape,
}: {
  piece: Piece;
  shape: Model;
  reshape: (next: Model) => boolean;
}) {
  'use no memo';
  const report = reportOf(shape.asset);
  const nodes = useCoreStill((c) => c.anchors(piece.id));
  return (
    <div className="card">
      <div className="card-head">
        <span className="card-name">{shape.text === null ? 'Model' : 'Lettering'}</span>
        {shape.text !== null ? (
          <Pill onClick={() => openWindow({ kind: 'lettering', id: piece.id })}>Reword</Pill>
        ) : null}
      </div>
      {report ? <p className="says">{`${report.name} · ${report.triangles} triangles`}</p> : null}
      {report?.clips.length ? (
        <>
          <Choice
            label="Plays"
            value={shape.clip ?? ''}
            options={[['', 'no animation'], ...report.clips.map((c): [string, string] => [c, c])]}
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
          <div className="numbers">
            <TextNumber
              label="Begins on frame"
              unit="factor"
              value={shape.clipStart}
              onChange={(v) => reshape({ ...shape, clipStart: v })}
            />
            <TextNumber
              label="Speed"
              unit="factor"
              value={shape.clipSpeed}
              onChange={(v) => reshape({ ...shape, clipSpeed: v })}
            />
          </div>
        </>
      ) : null}
      <Choice
        label="File unit"
        value={String(shape.unitM)}
        options={FILE_UNITS}
        onChange={(v) => reshape({ ...shape, unitM: Number(v) })}
      />
      <Choice
        label="File’s up"
        value={shape.zUp ? 'z' : 'y'}
        options={[
          ['y', '+Y'],
          ['z', '+Z'],
        ]}
        onChange={(v) => reshape({ ...shape, zUp: v === 'z' })}
      />
      {nodes.length ? (
        <Fold title={`${nodes.length} named nodes: any can be looked at, or carry a mark`}>
          <ul className="nodes">
            {nodes.slice(0, 200).map((n) => (
              <li key={n}>{n}</li>
            ))}
          </ul>
        </Fold>
      ) : null}
    </div>
  );
}
