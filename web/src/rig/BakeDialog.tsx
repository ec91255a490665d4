import { useState } from 'react';
import { answer, theCore } from '../core/load';
import type { Camera, Command } from '../core/types';
import { TextNumber } from '../fields/TextNumber';
import { attempt, edit, editProposed, newId, select, useSequence } from '../sequence/store';
import { Window } from '../shell/Window';

interface Baked {
  commands: Command[];
  report: { keys: number; placeM: number; degrees: number; focalMm: number };
}

/** A camera's rig, or all of them, as plain cameras beside; with what is lost at most. */
export function BakeDialog({ id }: { id: string }) {
  const entities = useSequence((s) => s.entities);
  const header = useSequence((s) => s.header);
  const [all, setAll] = useState(false);
  const [reduced, setReduced] = useState(false);
  const [metres, setMetres] = useState(0.005);
  const [degrees, setDegrees] = useState(0.05);
  const [millimetres, setMillimetres] = useState(0.05);
  const camera = entities[id] as Camera | undefined;
  const close = () => useSequence.setState({ dialog: null });
  if (!camera) return null;
  const cameras = all
    ? Object.values(entities).filter((e): e is Camera => e.kind === 'camera' && !e.name.endsWith(' baked'))
    : [camera];
  const bake = (c: Camera): Baked =>
    answer<Baked>(
      theCore().bakePlain(
        c.id,
        header.firstFrame,
        header.lastFrame,
        reduced ? metres : 0,
        reduced ? degrees : 0,
        reduced ? millimetres : 0,
        newId('camera'),
      ),
    );
  const one = attempt(() => bake(camera));
  const show = (v: number, unit: 'metres' | 'degrees' | 'millimetres') => theCore().showNumber(v, unit);
  const make = () => {
    for (const c of cameras) {
      const baked = attempt(() => bake(c));
      if (!baked || !edit(`Bake camera ${c.letter}`, ...baked.commands)) return;
      const added = baked.commands.find((x) => x.kind === 'add');
      if (added && c === camera) select(camera.id, added.entity.id); // both ways are drawn, one on the other
    }
    close();
  };
  return (
    <Window
      title={`Bake ${all ? 'all cameras' : camera.name}`}
      onClose={close}
      buttons={
        <>
          <button className="pill" onClick={close}>
            Cancel
          </button>
          <button className="pill coral" onClick={make}>
            {all ? `Bake ${cameras.length} cameras` : 'Bake'}
          </button>
        </>
      }
    >
      <p>
        A plain camera is put beside each rig: its place, angles and lens as keys. The rig stays as it is.
      </p>
      <label className="tick">
        <input type="checkbox" checked={all} onChange={(e) => setAll(e.target.checked)} />
        All cameras
      </label>
      <label className="tick">
        <input type="checkbox" checked={reduced} onChange={(e) => setReduced(e.target.checked)} />
        Only as many keys as a tolerance needs
      </label>
      {reduced ? (
        <div className="numbers">
          <TextNumber label="Place" unit="metres" value={metres} onChange={setMetres} />
          <TextNumber label="Angle" unit="degrees" value={degrees} onChange={setDegrees} />
          <TextNumber label="Focal length" unit="millimetres" value={millimetres} onChange={setMillimetres} />
        </div>
      ) : null}
      {one ? (
        <p className="says" data-testid="bake-report">
          {`${camera.name}: ${one.report.keys} keys; off by at most ${show(one.report.placeM, 'metres')}, ${show(one.report.degrees, 'degrees')} and ${show(one.report.focalMm, 'millimetres')}, looked for on every half frame.`}
        </p>
      ) : null}
      <div className="buttons">
        <button
          className="pill"
          onClick={() =>
            editProposed(
              `Put camera ${camera.letter} on a path`,
              theCore().pathFromKeys(camera.id, newId('path'), true),
            ) && close()
          }
        >
          The other way: put it on a path through its keys
        </button>
        <button
          className="pill"
          onClick={() =>
            editProposed(
              `Path from camera ${camera.letter}`,
              theCore().pathFromKeys(camera.id, newId('path'), false),
            ) && close()
          }
        >
          Only make the path
        </button>
      </div>
    </Window>
  );
}
