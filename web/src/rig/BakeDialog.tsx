import { closeWindow } from '../session/windows';
import { Tick } from '../kit/Tick';
import { useMemo, useRef, useState } from 'react';
import type { Camera } from '../core/types';
import { core } from '../session/evaluated';
import { TextNumber } from '../fields/TextNumber';
import { newId } from '../session/ids';
import { editProposed, type Proposal } from '../session/proposals';
import { select } from '../session/selection';
import { useSequence } from '../session/state';
import { Fold } from '../kit/Fold';
import { Window } from '../kit/Window';
import { bakeBeside, orWhy, reportOf, type Report, type Tolerance } from './bakeBeside';
import { Pill } from '../kit/Pill';
import './rig.css';

const NOTHING: Tolerance = { metres: 0, degrees: 0, millimetres: 0 };
const show = (v: number, unit: 'metres' | 'degrees' | 'millimetres') => core().showNumber(v, unit);

/** A camera's rig, or all of them, as plain cameras beside; with what is lost at most. */
export function BakeDialog({ id }: { id: string }) {
  'use no memo';
  const entities = useSequence((s) => s.entities);
  const [all, setAll] = useState(false);
  const [reduced, setReduced] = useState(false);
  const [tolerance, setTolerance] = useState<Tolerance>({ metres: 0.005, degrees: 0.05, millimetres: 0.05 });
  const [done, setDone] = useState<number | null>(null);
  const [made, setMade] = useState<Report[] | null>(null);
  const stop = useRef(false);
  const camera = entities[id] as Camera | undefined;
  const lost = reduced ? tolerance : NOTHING;
  const one = useMemo(
    () => (all || done !== null || made ? undefined : reportOf(id, lost)),
    [id, all, done, made, lost],
  );
  if (!camera) return null;
  if (made) return <Made reports={made} />;
  const rigs = core()
    .rigsToBake()
    .map((x) => entities[x] as Camera);
  const cameras = all ? rigs : [camera];
  const make = async () => {
    stop.current = false;
    setDone(0);
    const reports = await bakeBeside(cameras, lost, (n) => {
      setDone(n);
      return !stop.current;
    });
    setDone(null);
    if (!reports) return;
    if (all) return setMade(reports);
    select(camera.id, reports[0].plain); // both ways are drawn, one on the other
    closeWindow();
  };
  return (
    <Window
      title={`Bake ${all ? 'all cameras' : camera.name}`}
      onClose={() => {
        stop.current = true;
        closeWindow();
      }}
      buttons={
        done === null ? (
          <>
            <Pill onClick={closeWindow}>Cancel</Pill>
            <Pill tone="coral" disabled={cameras.length === 0} onClick={() => void make()}>
              {all ? `Bake ${cameras.length} cameras` : 'Bake'}
            </Pill>
          </>
        ) : (
          <Pill onClick={() => (stop.current = true)}>Stop</Pill>
        )
      }
    >
      <p>
        A plain camera is put beside each rig: its place, angles and lens as keys. The rig stays as it is.
      </p>
      <Tick checked={all} onChange={(e) => setAll(e.target.checked)}>
        All cameras that are more than plain ones
      </Tick>
      <Tick checked={reduced} onChange={(e) => setReduced(e.target.checked)}>
        Only as many keys as a tolerance needs
      </Tick>
      {reduced ? <Tolerances value={tolerance} onChange={setTolerance} /> : null}
      {done !== null ? (
        <div
          className="bar"
          role="progressbar"
          aria-label="Cameras baked"
          aria-valuemin={0}
          aria-valuemax={cameras.length}
          aria-valuenow={done}
        >
          <i style={{ width: `${(100 * done) / cameras.length}%` }} />
        </div>
      ) : one ? (
        <p className="says" data-testid="bake-report">
          {typeof one === 'string'
            ? one
            : `${camera.name}: ${said(one)}, looked for at eight places of every frame and closely around the largest.`}
        </p>
      ) : null}
      {all || done !== null ? null : (
        <Fold title="The other way: from a motion to a rig">
          <BackToWork camera={camera} />
        </Fold>
      )}
    </Window>
  );
}

const said = (r: Report) =>
  `${r.keys} keys; off by at most ${show(r.placeM, 'metres')}, ${show(r.degrees, 'degrees')} and ${show(r.focalMm, 'millimetres')}`;

function Tolerances({ value, onChange }: { value: Tolerance; onChange: (t: Tolerance) => void }) {
  return (
    <div className="numbers three">
      <TextNumber
        label="Place"
        unit="metres"
        value={value.metres}
        onChange={(metres) => onChange({ ...value, metres })}
      />
      <TextNumber
        label="Angle"
        unit="degrees"
        value={value.degrees}
        onChange={(degrees) => onChange({ ...value, degrees })}
      />
      <TextNumber
        label="Focal length"
        unit="millimetres"
        value={value.millimetres}
        onChange={(millimetres) => onChange({ ...value, millimetres })}
      />
    </div>
  );
}

/** After a bake of all: what each lost, the worst first. */
function Made({ reports }: { reports: Report[] }) {
  'use no memo';
  const entities = useSequence((s) => s.entities);
  return (
    <Window
      title={`${reports.length} cameras baked`}
      buttons={
        <Pill tone="coral" onClick={closeWindow}>
          Close
        </Pill>
      }
    >
      <p>Each plain camera stands beside its rig. Undo takes them all back.</p>
      <table className="listing" data-testid="bake-reports">
        <thead>
          <tr>
            <th>Camera</th>
            <th>Keys</th>
            <th>Place off by</th>
            <th>Angle</th>
            <th>Focal length</th>
          </tr>
        </thead>
        <tbody>
          {[...reports]
            .sort((a, b) => b.placeM - a.placeM)
            .map((r) => (
              <tr key={r.plain}>
                <td>{entities[r.camera]?.name}</td>
                <td className="mono">{r.keys}</td>
                <td className="mono">{show(r.placeM, 'metres')}</td>
                <td className="mono">{show(r.degrees, 'degrees')}</td>
                <td className="mono">{show(r.focalMm, 'millimetres')}</td>
              </tr>
            ))}
        </tbody>
      </table>
    </Window>
  );
}

/** The reverse: a motion with keys on every frame becomes something that can be worked on. */
function BackToWork({ camera }: { camera: Camera }) {
  'use no memo';
  const header = useSequence((s) => s.header);
  const [metres, setMetres] = useState(0.15);
  const [degrees, setDegrees] = useState(1.5);
  const calm = useMemo(
    () => orWhy(() => core().calmBase(camera.id, header.firstFrame, header.lastFrame, metres, degrees)),
    [camera, header, metres, degrees],
  );
  const onPath = (ride: boolean) => () => core().pathFromKeys(camera.id, newId('path'), ride);
  const does = (label: string, proposal: Proposal) => {
    if (editProposed(label, proposal)) closeWindow();
  };
  return (
    <>
      <div className="buttons">
        <Pill onClick={() => does(`Put camera ${camera.letter} on a path`, onPath(true))}>
          A path through its keys, ridden
        </Pill>
        <Pill onClick={() => does(`Path from camera ${camera.letter}`, onPath(false))}>Only the path</Pill>
        <Pill
          disabled={typeof calm === 'string'}
          onClick={() =>
            typeof calm !== 'string' &&
            does(`Part camera ${camera.letter} into base and trim`, () => calm.commands)
          }
        >
          A calm base, the rest a trim
        </Pill>
      </div>
      <div className="numbers">
        <TextNumber label="Base calm within" unit="metres" value={metres} onChange={setMetres} />
        <TextNumber label="and" unit="degrees" value={degrees} onChange={setDegrees} />
      </div>
      <p className="says" data-testid="calm-report">
        {typeof calm === 'string'
          ? calm
          : `The base would have ${calm.report.keys} keys; the trim holds the rest, up to ${show(calm.report.mostM, 'metres')} and ${show(calm.report.mostDegrees, 'degrees')}. Its strength says how much of it stays.`}
      </p>
    </>
  );
}
