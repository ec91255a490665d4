import type { StandInKind } from '../core/types';
import { STAND_INS } from '../core/usual';
import { openWindow } from '../session/windows';
import { chooseModel, choosePlate, chooseTrack } from './bring';
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
} from './create';
import { addAir, addLight, LIGHTS } from './createLight';

/** Something that can be added to the sequence. */
export interface Added {
  /** In a menu whose name says that it adds. */
  name: string;
  /** By itself, as a command. */
  command: string;
  run: () => void;
}

const added = (name: string, command: string, run: () => void): Added => ({ name, command, run });

/** Everything that can be added, in the order of the menu. */
export const ADDED: Added[] = [
  added('Camera', 'Add a camera', addCamera),
  added('Camera from the set view', 'Add a camera from the set view', cameraFromView),
  added('Camera track from a file…', 'Bring in a camera track from a file', chooseTrack),
  ...(Object.keys(STAND_INS) as StandInKind[]).map((form) => {
    const { name } = STAND_INS[form];
    return added(`${name} stand-in`, `Add ${name.toLowerCase()} stand-in`, () => addStandIn(form));
  }),
  added('Lettering…', 'Add lettering', () => openWindow({ kind: 'lettering', id: null })),
  added('Model from a file…', 'Bring in a model from a file', chooseModel),
  added('Plate from images…', 'Bring in a plate from images', choosePlate),
  added('Mark', 'Add a mark', addMark),
  added('Mark on a surface…', 'Add a mark on a surface', addMarkOnSurface),
  added('Mark where the axis meets the set', 'Add a mark where the axis meets the set', addMarkAhead),
  added('Path, drawn in plan', 'Draw a path in plan', drawPath),
  ...PATH_SHAPES.map((p) => added(p.name, `Add a ${p.name.toLowerCase()}`, () => addPathShape(p.form))),
  added('Group', 'Add a group', addGroup),
  ...LIGHTS.map((l) => added(`${l.name} light`, `Add ${l.name.toLowerCase()} light`, () => addLight(l.form))),
  added('Haze and background', 'Add haze and background', addAir),
  added('Layer', 'Add a layer', addLayer),
  added('Measure between points…', 'Measure between points', measure),
  added('Measure from the camera…', 'Measure from the camera', measureFromCamera),
];
