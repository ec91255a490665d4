import * as THREE from 'three';
import { expect, test } from 'vitest';
import { Crowds } from './crowds';
import { Standing } from './standing';

const MANY = 20;

function coloured(g: THREE.BufferGeometry): THREE.BufferGeometry {
  const numbers = new Float32Array(g.getAttribute('position').count * 3);
  return g.setAttribute('color', new THREE.BufferAttribute(numbers, 3));
}

/** A row along X, a piece every two metres, each twice as high as wide and turned a little further than the one before. */
function row(geometry: THREE.BufferGeometry, many: number) {
  const alone = new THREE.Group();
  const material = new THREE.MeshBasicMaterial();
  const crowds = new Crowds(alone, { geometry, material });
  const all = Array.from({ length: many }, (_, i) => {
    const s = new Standing(`s${i}`, geometry, material);
    const turn = new THREE.Quaternion().setFromEuler(new THREE.Euler(0, i * 0.02, 0));
    const matrix = new THREE.Matrix4().compose(
      new THREE.Vector3(2 * i, 0, 0),
      turn,
      new THREE.Vector3(1, 2, 1),
    );
    s.stand(Float64Array.from([9, ...matrix.elements]), 1);
    return s;
  });
  const drawn = () => {
    crowds.gather(all);
    crowds.place();
    crowds.group.updateMatrixWorld(true);
  };
  drawn();
  return { alone, crowds, all, drawn };
}

/** Along −Z, where a piece of the row stands. */
const at = (i: number, y = 0.4): THREE.Raycaster =>
  new THREE.Raycaster(new THREE.Vector3(2 * i + 0.05, y, 10), new THREE.Vector3(0, 0, -1));

test.each([
  ['merged', new THREE.BoxGeometry()],
  ['copied', new THREE.SphereGeometry(0.5, 32, 32)],
])('a ray meets the one that stands there: %s', (_, geometry) => {
  const { crowds, alone, all, drawn } = row(coloured(geometry), MANY);
  expect(alone.children).toHaveLength(0);
  const [first, ...others] = crowds.met(at(7));
  expect(first.id).toBe('s7');
  expect(first.normal!.z).toBeGreaterThan(0.5);
  expect(first.distance).toBeCloseTo(10 - first.point.z, 5);
  expect(others.every((o) => o.id === 's7')).toBe(true);

  all[3].visible = false; // those behind it in the list are drawn as one fewer
  drawn();
  expect(crowds.met(at(3))).toEqual([]);
  expect(crowds.met(at(7))[0].id).toBe('s7');
});

test('the side of a box that a ray meets looks where the box is turned', () => {
  const { crowds } = row(coloured(new THREE.BoxGeometry()), MANY);
  const { normal } = crowds.met(at(10))[0];
  expect(Math.atan2(normal!.x, normal!.z)).toBeCloseTo(10 * 0.02, 5);
});

test('too few for a crowd are meshes of their own, and are again when some are gone', () => {
  const { alone, crowds, all, drawn } = row(coloured(new THREE.BoxGeometry()), MANY);
  all.length = 5;
  drawn();
  expect(crowds.count).toBe(0);
  expect(alone.children).toHaveLength(5);
  expect(alone.children[4].layers.mask).toBe(1);
});

test('one of a crowd that is looked at by itself stands where it does, and goes with it', () => {
  const { alone, all } = row(coloured(new THREE.BoxGeometry()), MANY);
  const mesh = all[6].in(alone);
  const place = () => new THREE.Vector3().setFromMatrixPosition(mesh.matrixWorld).toArray();
  expect(place()).toEqual([12, 0, 0]);
  all[6].stand(Float64Array.from(new THREE.Matrix4().makeTranslation(1, 2, 3).elements), 0);
  alone.updateMatrixWorld();
  expect(place()).toEqual([1, 2, 3]);
  expect(mesh.layers.mask & 1).toBe(0); // it is not drawn twice
  expect(all[6].box().getCenter(new THREE.Vector3()).toArray()).toEqual([1, 2, 3]);
  all[6].removeFromParent();
  expect(alone.children).toHaveLength(0);
});
