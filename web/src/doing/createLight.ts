import type { LightForm, Vec3 } from '../core/types';
import { lightPlace, usualLight } from '../core/usual';
import { core } from '../session/evaluated';
import { newId } from '../session/ids';
import { editProposed } from '../session/proposals';
import { say } from '../session/said';
import { select } from '../session/selection';
import { useSequence } from '../session/state';
import { lensCamera } from '../session/view';
import { add, freeName, groundAhead } from './create';

export const LIGHTS: { form: LightForm; name: string; does: string }[] = [
  { form: 'sun', name: 'Sun and sky', does: 'Parallel light with the sky around it' },
  { form: 'spot', name: 'Spot', does: 'A cone; can be kept aimed at a subject' },
  { form: 'point', name: 'Point', does: 'A bulb: light to all sides' },
  { form: 'area', name: 'Area', does: 'A glowing rectangle, soft' },
  { form: 'guide', name: 'Guide', does: 'Lights nothing; its place goes into hand-over files' },
];

/** How high lights hang that are added, metres: within reach of a hand, an area a little lower. */
const HEIGHT = 2.6,
  AREA_HEIGHT = 2.4;

export function addAir(): void {
  const have = Object.values(useSequence.getState().entities).find((e) => e.kind === 'air');
  if (have) select(have.id);
  else
    add('Add haze and background', {
      kind: 'air',
      id: newId('air'),
      name: 'Air',
      colour: '#c9d3dc',
      background: null,
      channels: { density: 0.006 },
    });
}

export function addLight(form: LightForm): void {
  const { x, z } = groundAhead();
  const { name } = LIGHTS.find((l) => l.form === form)!;
  const at: Vec3 = [x, form === 'area' ? AREA_HEIGHT : HEIGHT, z];
  add(`Add ${name.toLowerCase()}`, usualLight(newId('light'), freeName(name), form, lightPlace(form, at)));
}

/** Key, fill and rim about a subject, set up relative to the camera, in one edit. */
export function addThreeLights(subject: string): void {
  const s = useSequence.getState();
  const camera = lensCamera(s);
  if (!s.entities[subject] || core().slot(camera) < 0) {
    say('Choose a subject and look through a camera first.', true);
    return;
  }
  const ids = [newId('light'), newId('light'), newId('light')];
  if (
    editProposed(`Key, fill and rim for ${s.entities[subject].name}`, () =>
      core().threeLights(camera, subject, ids),
    )
  )
    select(ids[0]);
}
