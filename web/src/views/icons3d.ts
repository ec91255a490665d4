import * as THREE from 'three';
import type { Camera, Light, Mark, Measure, Path } from '../core/types';
import { LensRow } from '../core/types';
import { core } from '../session/evaluated';
import { palette } from '../theme/tokens';

/** A line that only the set views draw; haze does not reach it. */
export const line = (colour: string, more: THREE.LineBasicMaterialParameters = {}) =>
  new THREE.LineBasicMaterial({ color: colour, fog: false, ...more });

/** Height that the set view sees a metre away, metres: what labels are measured by. */
const SEEN_AT_A_METRE = 2 * Math.tan(THREE.MathUtils.degToRad(45 / 2));

/** Keeps a label as large in views without perspective, which see so many metres, as in the others. */
function asLargeInPlans(s: THREE.Sprite): void {
  const own = s.scale.clone();
  s.onBeforeRender = (_renderer, _scene, camera) => {
    const flat = camera instanceof THREE.OrthographicCamera;
    const seen = flat ? (camera.top - camera.bottom) / camera.zoom / SEEN_AT_A_METRE : 1;
    s.scale.copy(own).multiplyScalar(seen);
    s.updateMatrix();
    s.matrixWorld.multiplyMatrices(s.parent!.matrixWorld, s.matrix);
  };
}

/** A label drawn on a small canvas, always facing the viewer and always the same size. */
export function label(text: string, colour: string, size = 1): THREE.Sprite {
  const c = document.createElement('canvas');
  const wide = text.length > 2;
  c.height = 64;
  c.width = wide ? 32 + text.length * 22 : 64;
  const g = c.getContext('2d')!;
  g.fillStyle = colour;
  g.beginPath();
  if (wide) g.roundRect(2, 8, c.width - 4, 48, 22);
  else g.arc(32, 32, 30, 0, 7);
  g.fill();
  g.fillStyle = '#101b2d';
  g.font = `bold ${wide ? 32 : text.length > 1 ? 30 : 40}px "Nunito Sans Variable", sans-serif`;
  g.textAlign = 'center';
  g.textBaseline = 'middle';
  g.fillText(text, c.width / 2, 34);
  const s = new THREE.Sprite(
    new THREE.SpriteMaterial({ map: new THREE.CanvasTexture(c), depthTest: false, sizeAttenuation: false }),
  );
  s.scale.set((0.045 * size * c.width) / 64, 0.045 * size, 1);
  s.renderOrder = 10;
  asLargeInPlans(s);
  return s;
}

/** Numbers of line ends in a camera's icon: frustum, then focus plane and clips when selected. */
const FRUSTUM = 16;
const PLANES = 4 * 8;

export function cameraIcon(c: Camera): THREE.Object3D {
  const o = new THREE.Group();
  const lines = (count: number, colour: string, more = {}) => {
    const l = new THREE.LineSegments(new THREE.BufferGeometry(), line(colour, more));
    l.geometry.setAttribute('position', new THREE.Float32BufferAttribute(new Float32Array(count * 3), 3));
    l.frustumCulled = false;
    return l;
  };
  o.add(
    lines(FRUSTUM, c.colour),
    label(c.letter, c.colour, c.iconSize),
    lines(PLANES, palette.lilac, { transparent: true, opacity: 0.9 }),
  );
  return o;
}

/**
 * The frustum at a display size of its own, which never reaches the lens; for the selected camera
 * also the focus plane, the limits of what is sharp, and the near clip.
 */
export function shapeCamera(
  o: THREE.Object3D,
  c: Camera,
  lens: Float64Array,
  slot: number,
  selected: boolean,
  live: boolean,
): void {
  const [l, r, b, t] = lens.subarray(
    slot * LensRow.SIZE + LensRow.LEFT,
    slot * LensRow.SIZE + LensRow.TOP + 1,
  );
  const corners = (d: number) =>
    [
      [l, t],
      [r, t],
      [r, b],
      [l, b],
    ].map(([x, y]) => [x * d, y * d, -d]);
  const ring = (d: number) => {
    const p = corners(d);
    return p.flatMap((q, i) => [...q, ...p[(i + 1) % 4]]);
  };
  const d = (selected ? 2.2 : 0.9) * c.iconSize;
  const all = corners(d).flatMap((q) => [0, 0, 0, ...q]);
  const frame = o.children[0] as THREE.LineSegments<THREE.BufferGeometry, THREE.LineBasicMaterial>;
  const put = (x: THREE.LineSegments<THREE.BufferGeometry, THREE.LineBasicMaterial>, v: number[]) =>
    ((x.geometry.attributes.position as THREE.BufferAttribute).copyArray(v).needsUpdate = true);
  put(frame, [...all, ...ring(d)]);
  frame.material.color.set(selected ? '#f4ecdd' : c.colour);
  frame.material.opacity = live || selected ? 1 : 0.6;
  const planes = o.children[2] as THREE.LineSegments<THREE.BufferGeometry, THREE.LineBasicMaterial>;
  planes.visible = selected;
  if (!selected) return;
  const ruler = core().depthRuler(c.id);
  put(planes, [
    ...ring(ruler.focusM),
    ...ring(ruler.nearLimitM),
    ...ring(ruler.farLimitM ?? ruler.focusM),
    ...ring(ruler.nearClipM),
  ]);
}

export function markIcon(m: Mark): THREE.Object3D {
  const o = new THREE.Group();
  const g = new THREE.BufferGeometry();
  const k = 0.25;
  g.setAttribute(
    'position',
    new THREE.Float32BufferAttribute([-k, 0, 0, k, 0, 0, 0, -k, 0, 0, k, 0, 0, 0, -k, 0, 0, k], 3),
  );
  const lines = new THREE.LineSegments(g, line(palette.teal));
  lines.userData.name = m.name;
  o.add(lines);
  return o;
}

export function pathLine(p: Path): THREE.Object3D {
  const places = new Float64Array(3 * Math.max(2, Math.min(600, p.points.length * 24)));
  core().pathPlaces(p.id, places);
  const o = new THREE.Group();
  const g = new THREE.BufferGeometry();
  g.setAttribute('position', new THREE.Float32BufferAttribute(places, 3));
  const points = new THREE.BufferGeometry();
  points.setAttribute(
    'position',
    new THREE.Float32BufferAttribute(
      p.points.flatMap((q) => q.at),
      3,
    ),
  );
  o.add(
    new THREE.Line(g, line(palette.marigold)),
    new THREE.Points(
      points,
      new THREE.PointsMaterial({ color: palette.marigold, size: 8, sizeAttenuation: false }),
    ),
  );
  return o;
}

/** What each form of light looks like in the set: along −Z, where its light goes. */
export function lightIcon(l: Light): THREE.Object3D {
  const o = new THREE.Group();
  if (l.form === 'sun') return o;
  const k = 0.22;
  const ends: number[] = [];
  const ray = (...p: number[]) => ends.push(...p);
  if (l.form === 'area') {
    for (const [a, b] of [
      [-1, -1],
      [1, -1],
      [1, 1],
      [-1, 1],
    ].map((p, i, all) => [p, all[(i + 1) % 4]]))
      ray(a[0] * k, a[1] * k * 0.7, 0, b[0] * k, b[1] * k * 0.7, 0);
    ray(0, 0, 0, 0, 0, -k * 1.6);
  } else if (l.form === 'spot') {
    for (let i = 0; i < 8; i++) {
      const a = (i / 8) * Math.PI * 2;
      const b = ((i + 1) / 8) * Math.PI * 2;
      ray(Math.cos(a) * k, Math.sin(a) * k, -k * 2, Math.cos(b) * k, Math.sin(b) * k, -k * 2);
      if (i % 2 === 0) ray(0, 0, 0, Math.cos(a) * k, Math.sin(a) * k, -k * 2);
    }
  } else {
    for (const [x, y, z] of [
      [1, 0, 0],
      [0, 1, 0],
      [0, 0, 1],
      [0.6, 0.6, 0.6],
      [-0.6, 0.6, 0.6],
    ])
      ray(-x * k, -y * k, -z * k, x * k, y * k, z * k);
  }
  const g = new THREE.BufferGeometry();
  g.setAttribute('position', new THREE.Float32BufferAttribute(ends, 3));
  const lines = new THREE.LineSegments(g, line(l.form === 'guide' ? palette.soft : '#ffe08a'));
  lines.frustumCulled = false;
  o.add(lines);
  return o;
}

/** A measurement: its line with the length on it. */
export function measureLine(m: Measure, from: [number, number, number]): THREE.Object3D {
  const o = new THREE.Group();
  const g = new THREE.BufferGeometry();
  g.setAttribute('position', new THREE.Float32BufferAttribute([...from, ...m.to], 3));
  const length = Math.hypot(m.to[0] - from[0], m.to[1] - from[1], m.to[2] - from[2]);
  const text = label(core().showNumber(length, 'metres'), palette.paper, 0.72);
  text.position.set((from[0] + m.to[0]) / 2, (from[1] + m.to[1]) / 2, (from[2] + m.to[2]) / 2);
  o.add(new THREE.Line(g, line(palette.paper, { depthTest: false, transparent: true })), text);
  return o;
}
