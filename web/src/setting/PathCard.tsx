import { useState } from 'react';
import type { Entity, PathPoint, Vec3 } from '../core/types';
import { TextNumber } from '../fields/TextNumber';
import { Choice } from '../kit/Choice';
import { drawPath } from '../doing/create';
import { edit } from '../session/document';
import { newId } from '../session/ids';
import { editProposed } from '../session/proposals';
import { useSequence } from '../session/state';
import { lensCamera } from '../session/view';
import { core, evaluated, useCoreStill, useShowNumber } from '../session/evaluated';
import { Tip } from '../kit/Tip';
import { IconAction } from '../kit/IconAction';
import { Pill } from '../kit/Pill';
import './setting.css';

type Path = Extract<Entity, { kind: 'path' }>;

/** More points than these are worked on in the set view alone. */
const MOST_LISTED = 40;
const AXES = ['x', 'y', 'z'] as const;

/** How a path runs, and its points in numbers; they are dragged in the set view. */
export function PathCard({ path }: { path: Path }) {
  const camera = useSequence(lensCamera);
  const letter = useSequence((s) => {
    const e = s.entities[camera];
    return e?.kind === 'camera' ? e.letter : '';
  });
  const [listed, setListed] = useState(path.points.length <= 8);
  const [even, setEven] = useState(path.points.length);
  const report = useCoreStill((c) => c.pathReport(path.id));
  const number = useShowNumber();
  const show = (m: number) => number(m, 'metres');
  const reroute = (label: string, next: Partial<Pick<Path, 'closed' | 'points'>>) =>
    edit(label, {
      kind: 'reroute',
      id: path.id,
      style: path.style,
      closed: path.closed,
      points: path.points,
      ...next,
    });
  const by = (label: string, kind: 'insert' | 'split' | 'even', at: number) =>
    editProposed(label, () => core().pathEdit(path.id, kind, at, newId('path')));
  const addHere = () => {
    const { world } = evaluated();
    const o = core().slot(camera) * 16 + 12;
    const at: Vec3 = [world[o], world[o + 1], world[o + 2]];
    return reroute(`Add camera ${letter}’s place`, {
      points: [...path.points, { at, in: [0, 0, 0], out: [0, 0, 0] }],
    });
  };
  return (
    <div className="card" style={{ borderLeftColor: 'var(--marigold)' }} data-testid="path-card">
      <p className="says">
        {path.points.length} points
        {report
          ? `, ${show(report.lengthM)} long, ${report.tightestRadiusM === null ? 'straight' : `tightest radius ${show(report.tightestRadiusM)}`}`
          : ''}
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
      <div className="buttons">
        <Pill
          onClick={() =>
            reroute('Reverse a path', {
              points: [...path.points].reverse().map((p) => ({ at: p.at, in: p.out, out: p.in })),
            })
          }
        >
          Reverse
        </Pill>
        {letter ? (
          <Tip text={`A point at its end, where camera ${letter} is on this frame`}>
            <Pill onClick={addHere}>+ Camera {letter}’s place</Pill>
          </Tip>
        ) : null}
        <Pill onClick={drawPath}>Draw another</Pill>
      </div>
      <div className="line">
        <TextNumber
          label="Points"
          unit="factor"
          value={even}
          onChange={(v) => {
            setEven(Math.round(v));
            return true;
          }}
        />
        <Tip text="So many points, evenly along it: its shape stays about as it is">
          <Pill onClick={() => by('Make a path even', 'even', even)}>Make even</Pill>
        </Tip>
      </div>
      <Pill aria-expanded={listed} onClick={() => setListed(!listed)}>
        {listed ? '▾' : '▸'} Points in numbers
      </Pill>
      {listed
        ? path.points
            .slice(0, MOST_LISTED)
            .map((p, i) => (
              <PointLine
                key={i}
                path={path}
                point={p}
                index={i}
                reroute={(label, points) => reroute(label, { points })}
                insert={() => by('Add a point', 'insert', i)}
                split={() => by(path.closed ? 'Open a path' : 'Part a path', 'split', i)}
              />
            ))
        : null}
      {listed && path.points.length > MOST_LISTED ? (
        <p className="says">and {path.points.length - MOST_LISTED} more: drag them in the set view.</p>
      ) : null}
    </div>
  );
}

function PointLine({
  path,
  point,
  index,
  reroute,
  insert,
  split,
}: {
  path: Path;
  point: PathPoint;
  index: number;
  reroute: (label: string, points: PathPoint[]) => boolean;
  insert: () => boolean;
  split: () => boolean;
}) {
  const last = index === path.points.length - 1;
  return (
    <div className="point" role="group" aria-label={`Point ${index + 1}`}>
      <div className="line">
        <span className="muted grow">Point {index + 1}</span>
        {path.closed || !last ? (
          <Tip text="A point halfway to the next">
            <Pill onClick={insert}>+ After</Pill>
          </Tip>
        ) : null}
        {path.closed || (index > 0 && !last) ? (
          <Tip text={path.closed ? 'Open the path here' : 'Two paths, parted here'}>
            <Pill onClick={split}>{path.closed ? 'Open' : 'Part'}</Pill>
          </Tip>
        ) : null}
        <IconAction
          size="small"
          aria-label={`Remove point ${index + 1}`}
          title="Remove this point"
          disabled={path.points.length <= 2}
          onClick={() =>
            reroute(
              'Remove a point',
              path.points.filter((_, k) => k !== index),
            )
          }
        >
          ×
        </IconAction>
      </div>
      <div className="numbers three">
        {AXES.map((axis, a) => (
          <TextNumber
            key={axis}
            label={axis === 'y' ? 'Height' : axis.toUpperCase()}
            unit="metres"
            value={point.at[a]}
            onChange={(v) =>
              reroute(
                'Move a point',
                path.points.map((q, k) =>
                  k === index ? { ...q, at: q.at.map((w, n) => (n === a ? v : w)) as Vec3 } : q,
                ),
              )
            }
          />
        ))}
      </div>
    </div>
  );
}
