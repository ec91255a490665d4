import { openWindow } from '../session/windows';
import type { Camera, Command, Entity, PathShapesForm, StandInKind, Vec3 } from '../core/types';
import {
  nextColour,
  STAND_INS,
  TRIPOD,
  usualCamera,
  usualGroup,
  usualLayer,
  usualMark,
  usualStandIn,
} from '../core/usual';
import { core, evaluated } from '../session/evaluated';
import { edit, readOnly } from '../session/document';
import { newId } from '../session/ids';
import { editProposed } from '../session/proposals';
import { say } from '../session/said';
import { select, pick } from '../session/selection';
import { useSequence } from '../session/state';
import { lensCamera, setView } from '../session/view';
import { axisPoint } from './axisPoint';
import { setViewPose } from './setViewPose';

const all = () => Object.values(useSequence.getState().entities);

/** The name, or the name with the first number that is free. */
export const freeName = (base: string): string => core().freeName(base);

/** Adds an entity and selects it. */
export function add(label: string, entity: Entity): boolean {
  if (!edit(label, { kind: 'add', entity })) return false;
  select(entity.id);
  return true;
}

/** Where the set view looks, on the ground; the origin when it looks at the sky. */
export function groundAhead(): { x: number; z: number } {
  const { at, pan, tilt } = setViewPose();
  const [a, b] = [(pan * Math.PI) / 180, (tilt * Math.PI) / 180];
  const down = Math.sin(b);
  const reach = down < -0.05 ? at[1] / -down : 0;
  if (reach <= 0 || reach > 60) return { x: 0, z: 0 };
  const round = (v: number) => Math.round(v * 10) / 10;
  return {
    x: round(at[0] - Math.sin(a) * Math.cos(b) * reach),
    z: round(at[2] - Math.cos(a) * Math.cos(b) * reach),
  };
}

export function addStandIn(form: StandInKind): void {
  const { name, size } = STAND_INS[form];
  const [width, , depth] = size;
  const { x, z } = groundAhead();
  add(
    `Add ${name.toLowerCase()}`,
    // beside what stands there
    usualStandIn(newId('piece'), freeName(name), form, { x: core().freeGround(x, z, width, depth), z }),
  );
}

export const addGroup = () => add('Add a group', usualGroup(newId('piece'), freeName('Group')));

/** Nests the selected pieces in a new group, where they stay in place. */
export function groupSelected(): void {
  const { selected, entities, frame } = useSequence.getState();
  const ids = selected.filter((id) => entities[id]?.kind === 'piece');
  if (!ids.length) {
    say('Select the pieces that shall be grouped first.');
    return;
  }
  const id = newId('piece');
  const nest = ids.map((x): Command => ({ kind: 'nest', id: x, parent: id, keepPlace: true, frame }));
  const group = usualGroup(id, freeName('Group'));
  if (edit('Group the selection', { kind: 'add', entity: group }, ...nest)) select(id);
}

export const addLayer = () =>
  add(
    'Add a layer',
    usualLayer(newId('layer'), freeName('Layer'), nextColour(all().filter((e) => e.kind === 'layer').length)),
  );

const mark = (name: string, at: Vec3, rides: string | null = null, anchor: string | null = null): Entity =>
  usualMark(newId('mark'), freeName(name), at, rides, anchor);

export const addMark = () => add('Add a mark', mark('Mark', [0, 1.6, 0]));

/** A mark where a surface is clicked, in either view. */
export const addMarkOnSurface = () =>
  pick('Click the surface where the mark shall be', (hit) => {
    add('Add a mark on a surface', mark('Mark', hit.point));
  });

/** A mark that rides on a piece, at its anchor or centre. */
export function addMarkOn(id: string, anchor: string | null): void {
  const name = useSequence.getState().entities[id]?.name ?? '';
  add(`Mark ${name}`, mark(`${name} ${anchor ?? 'mark'}`.trim(), [0, 0, 0], id, anchor ?? 'centre'));
}

/** A mark where the lens view's axis meets the set. */
export function addMarkAhead(): void {
  const point = axisPoint();
  if (point) add('Mark where the axis meets the set', mark('Mark', point));
  else say('The axis meets nothing. Turn the camera to the set first.', true);
}

/** Two clicks measure between points; a measurement stays in the set until it is removed. */
export function measure(): void {
  pick('Measure: click the first point', (first) => {
    pick('Measure: click the second point', (second) => {
      add('Measure', {
        kind: 'measure',
        id: newId('measure'),
        name: freeName('Measure'),
        camera: null,
        from: first.point,
        to: second.point,
      });
    });
    return true;
  });
}

/** One click measures from the camera looked through: along its axis and straight. */
export function measureFromCamera(): void {
  const camera = lensCamera(useSequence.getState());
  pick('Measure from the camera: click a point', (hit) => {
    add('Measure from the camera', {
      kind: 'measure',
      id: newId('measure'),
      name: freeName('Measure'),
      camera,
      from: hit.point,
      to: hit.point,
    });
  });
}

function cameraEntity(at: Vec3, head: Record<string, number> = {}): Camera {
  const count = all().filter((e) => e.kind === 'camera').length;
  const letter = core().freeLetter();
  return usualCamera(newId('camera'), freeName(`Camera ${letter}`), letter, count, at, head);
}

/** A camera on a tripod with a head, at eye height, three metres back. */
export const addCamera = () => add('Add a camera', cameraEntity(TRIPOD));

/** A camera where the set view looks from. */
export function cameraFromView(): void {
  const { at, pan, tilt } = setViewPose();
  add('A camera from the set view', cameraEntity(at, { pan, tilt }));
}

/** A camera standing on a mark, looking the way the set view does. */
export function cameraAt(point: Vec3): void {
  add('A camera at a mark', cameraEntity(point, { pan: setViewPose().pan }));
}

/** A copy of a camera, with its lens, rig and motion. */
export function cameraFrom(id: string): void {
  copy('A camera from another', [id], 1, null, false);
}

/** Copies what is selected; instances keep the shape of their originals. */
export function duplicateSelected(instances: boolean): void {
  const { selected, entities } = useSequence.getState();
  const ids = selected.filter((id) => entities[id]);
  if (ids.length) copy(instances ? 'Make instances' : 'Duplicate', ids, 1, null, instances);
}

/** What the core proposes for copies, and their ids round by round. */
export function copiesOf(ids: string[], count: number, step: Vec3 | null, instances: boolean) {
  const { entities } = useSequence.getState();
  const newIds = Array.from({ length: count }, () => ids.map((id) => newId(entities[id].kind))).flat();
  const [x, y, z] = step ?? [NaN, 0, 0];
  const proposal = () => core().copies(ids, newIds, x, y, z, instances);
  return { newIds, proposal };
}

/**
 * Copies things, each copy a step on from the last, and selects the copies.
 *
 * @param step metres in the world; null stands each free beside the last
 */
export function copy(
  label: string,
  ids: string[],
  count: number,
  step: Vec3 | null,
  instances: boolean,
): boolean {
  const { newIds, proposal } = copiesOf(ids, count, step, instances);
  const done = editProposed(label, proposal);
  if (done) select(...newIds);
  return done;
}

export function drawPath(): void {
  setView({
    drawing: [],
    desk: useSequence.getState().desk === 'handover' ? 'move' : useSequence.getState().desk,
  });
  say('Click the places the path goes through, then finish it.');
}

/** What uses an entity, by name and in the core's words; empty when nothing does. */
export function usersOf(ids: string[]): string[] {
  return core().users(ids);
}

/** Takes the selected entities away; asks once when something uses them. */
export function removeSelected(): void {
  const { selected, entities } = useSequence.getState();
  if (!selected.length || readOnly()) return;
  if (usersOf(selected).length) {
    openWindow({ kind: 'remove', ids: selected });
    return;
  }
  const names = selected.map((id) => `“${entities[id]?.name}”`).join(', ');
  if (edit(`Remove ${names}`, { kind: 'remove', ids: selected, letGo: true })) say(`Removed ${names}.`);
}

/** Paths of a plain shape, as the core calls them. */
export const PATH_SHAPES: { form: PathShapesForm; name: string }[] = [
  { form: 'line', name: 'Straight path' },
  { form: 'circle', name: 'Circle path' },
  { form: 'arc', name: 'Arc path' },
  { form: 'helix', name: 'Helix path' },
];

/** Adds a path of a plain shape, where the set view looks; about the selected piece or mark where there is one. */
export function addPathShape(form: PathShapesForm): void {
  const f = PATH_SHAPES.find((x) => x.form === form)!;
  const { selected, entities } = useSequence.getState();
  const about = entities[selected[0]];
  let { x, z } = groundAhead();
  if (about?.kind === 'piece' || about?.kind === 'mark') {
    const { world } = evaluated();
    const o = core().slot(about.id) * 16 + 12;
    [x, z] = [world[o], world[o + 2]];
  }
  const id = newId('path');
  if (editProposed(`Add a ${f.name.toLowerCase()}`, () => core().pathShape(form, x, z, id))) select(id);
}
