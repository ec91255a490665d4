import MenuItem from '@mui/material/MenuItem';
import { chooseModel, choosePlate, chooseTrack } from '../doing/bring';
import { MenuButton } from '../kit/MenuButton';
import { useSequence } from '../session/store';
import {
  addCamera,
  addGroup,
  addLayer,
  addMark,
  addMarkAhead,
  addMarkOnSurface,
  addPathShape,
  addStandIn,
  cameraFromView,
  drawPath,
  measure,
  measureFromCamera,
  PATH_SHAPES,
  STAND_INS,
} from '../doing/create';
import { addAir, addLight, LIGHTS } from '../doing/createLight';

/** Everything that can be added to the sequence. */
export function AddMenu() {
  const mayEdit = useSequence((s) => s.mayEdit);
  return (
    <MenuButton name="+ Add" tip="Add to the sequence" disabled={!mayEdit} listClass="add-menu">
      {(close) =>
        added().map(([name, work]) => (
          <MenuItem
            key={name}
            dense
            onClick={() => {
              close();
              work();
            }}
          >
            {name}
          </MenuItem>
        ))
      }
    </MenuButton>
  );
}

/** What can be added, in the order of the menu. */
const added = (): [string, () => void][] => [
  ['Camera', addCamera],
  ['Camera from the set view', cameraFromView],
  ['Camera track from a file…', chooseTrack],
  ...STAND_INS.map((s): [string, () => void] => [`${s.name} stand-in`, () => addStandIn(s.form)]),
  ['Lettering…', () => useSequence.setState({ dialog: { kind: 'lettering', id: null } })],
  ['Model from a file…', chooseModel],
  ['Plate from images…', choosePlate],
  ['Mark', addMark],
  ['Mark on a surface…', addMarkOnSurface],
  ['Mark where the axis meets the set', addMarkAhead],
  ['Path, drawn in plan', drawPath],
  ...PATH_SHAPES.map((p): [string, () => void] => [p.name, () => addPathShape(p.form)]),
  ['Group', addGroup],
  ...LIGHTS.map((l): [string, () => void] => [`${l.name} light`, () => addLight(l.form)]),
  ['Haze and background', addAir],
  ['Layer', addLayer],
  ['Measure between points…', measure],
  ['Measure from the camera…', measureFromCamera],
];
