import * as THREE from 'three';
import { TransformControls } from 'three/addons/controls/TransformControls.js';
import { hazed, SkyDome } from './air';
import { DepthOfFieldPass } from './depthOfField';
import { shadowed } from './lighting';
import { prepared } from './preparing';
import { standInMaterial } from './standIns';
import { giveBack, takeSurface } from './surfaces';

/** What most sequences are drawn with: a sun and a sky, stand-ins, models with and without images, lines and labels. */
function usual(): { scene: THREE.Scene; solids: THREE.Group; aids: THREE.Group } {
  const scene = new THREE.Scene();
  const sun = new THREE.DirectionalLight();
  shadowed(sun);
  const plain = new THREE.BufferGeometry().setFromPoints([]);
  const box = new THREE.BoxGeometry();
  box.setAttribute(
    'color',
    new THREE.BufferAttribute(new Float32Array(box.attributes.position.count * 3), 3),
  );
  const image = new THREE.DataTexture(new Uint8Array(4), 1, 1);
  const made = [
    standInMaterial,
    hazed(new THREE.MeshStandardMaterial()),
    hazed(new THREE.MeshStandardMaterial({ vertexColors: true })),
    hazed(new THREE.MeshStandardMaterial({ side: THREE.DoubleSide })),
    hazed(new THREE.MeshStandardMaterial({ map: image })),
  ].map((m) => new THREE.Mesh(box, m));
  for (const s of made) s.castShadow = s.receiveShadow = true;
  const crowd = new THREE.InstancedMesh(box, standInMaterial, 1);
  crowd.receiveShadow = true;
  const over = { transparent: true, depthTest: false, fog: false };
  const grid = new THREE.GridHelper();
  grid.material.transparent = true;
  const aids = new THREE.Group().add(
    grid,
    new THREE.Box3Helper(new THREE.Box3()),
    new TransformControls(new THREE.PerspectiveCamera()).getHelper(),
    new THREE.Line(plain, new THREE.LineBasicMaterial({ fog: false })),
    new THREE.Line(plain, new THREE.LineBasicMaterial({ transparent: true })),
    new THREE.Line(plain, new THREE.LineBasicMaterial({ transparent: true, fog: false })),
    new THREE.LineSegments(plain, new THREE.LineBasicMaterial({ depthTest: false, fog: false })),
    new THREE.Points(plain, new THREE.PointsMaterial({ sizeAttenuation: false })),
    new THREE.Points(plain, new THREE.PointsMaterial({ sizeAttenuation: false, transparent: true })),
    new THREE.Points(plain, new THREE.PointsMaterial({ sizeAttenuation: false, fog: false })),
    new THREE.Points(plain, new THREE.PointsMaterial({ sizeAttenuation: false, ...over })),
    new THREE.Sprite(new THREE.SpriteMaterial({ map: image, depthTest: false, sizeAttenuation: false })),
  );
  const solids = new THREE.Group().add(new SkyDome().mesh, crowd, ...made);
  scene.add(sun, new THREE.HemisphereLight(), solids, aids);
  return { scene, solids, aids };
}

let warm = false;

/**
 * Has the shaders of the usual scene made before a view is opened, one after the other and without holding the page up.
 *
 * @param wanted whether nobody has opened anything meanwhile
 */
export async function warmUp(wanted: () => boolean): Promise<void> {
  if (warm || !wanted()) return;
  warm = true;
  const { scene, solids, aids } = usual();
  const eye = new THREE.PerspectiveCamera();
  for (const use of ['lens', 'set'] as const) {
    let surface;
    try {
      surface = takeSurface(use);
    } catch {
      return; // no 3D here: the view that is opened says so
    }
    const { renderer } = surface;
    const drawing = { renderer, scene, camera: eye, wanted };
    if (use === 'set') await prepared({ ...drawing, parts: [solids, aids] });
    else {
      const blur = new DepthOfFieldPass();
      await prepared({ ...drawing, parts: [solids] });
      await blur.prepare({ ...drawing, parts: [solids] });
      blur.dispose();
    }
    giveBack(surface);
  }
}
