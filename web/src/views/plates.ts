import * as THREE from 'three';
import type { Plate } from '../core/types';
import { useSequence } from '../session/state';
import { LensRow } from '../core/types';
import { core, evaluated } from '../session/evaluated';
import { picturesComing } from './finishes';
import { PLATES } from './layers';
import { Pictures } from './pictures';

const MOST_AT_HAND = 24;

const images = new Pictures(
  'A plate’s image could not be loaded from the server. It is tried again.',
  () => {},
  MOST_AT_HAND,
);

/** How many images are on their way. */
export const imagesComing = (): number => images.coming() + picturesComing();

/** The images that lie in one lens view's frame. */
export class PlatesInFrame {
  readonly group = new THREE.Group();
  private readonly shown = new Map<string, THREE.Mesh<THREE.PlaneGeometry, THREE.MeshBasicMaterial>>();
  private readonly numbers = new Float64Array(6);

  constructor(private readonly ready: () => void) {
    this.group.matrixAutoUpdate = false;
  }

  /**
   * Lays out the plates of a camera. Through an open shutter they stay what they are on its frame: a plate's own blur is in it.
   *
   * @param frame whose images they are
   * @returns whether one stands behind everything, where the lens's blur does not reach
   */
  update(camera: string, frame: number): boolean {
    const { entities } = useSequence.getState();
    const slot = core().slot(camera);
    const { world, lens } = evaluated();
    const [left, right, bottom, top] = lens.subarray(
      slot * LensRow.SIZE + LensRow.LEFT,
      slot * LensRow.SIZE + LensRow.TOP + 1,
    );
    const far = lens[slot * LensRow.SIZE + LensRow.FAR];
    this.group.matrix.fromArray(world, slot * 16);
    this.group.matrixWorldNeedsUpdate = true;
    const seen = new Set<string>();
    let behind = false;
    for (const p of Object.values(entities)) {
      if (p.kind !== 'plate' || !p.shown || (p.camera && p.camera !== camera)) continue;
      const map = images.get(core().plateImage(p.id, frame), this.ready);
      if (!map) continue;
      seen.add(p.id);
      const image = map.image as { width: number; height: number };
      core().platePlace(p.id, frame, image.width / image.height, this.numbers);
      const [x, y, w, h, opacity, depth] = this.numbers;
      const mesh = this.mesh(p, map);
      const d = p.inFront
        ? lens[slot * LensRow.SIZE + LensRow.NEAR] * 1.01
        : depth > 0
          ? depth
          : far * 0.9999;
      mesh.material.opacity = opacity;
      mesh.material.transparent = true;
      mesh.material.depthTest = !p.inFront;
      mesh.material.depthWrite = !p.inFront && depth > 0;
      mesh.renderOrder = p.inFront ? 100 : 0;
      mesh.position.set(
        (left + (x + w / 2) * (right - left)) * d,
        (top - (y + h / 2) * (top - bottom)) * d,
        -d,
      );
      mesh.scale.set(w * (right - left) * d, h * (top - bottom) * d, 1);
      behind ||= !p.inFront && depth <= 0;
    }
    for (const [id, mesh] of this.shown) mesh.visible = seen.has(id);
    return behind;
  }

  dispose(): void {
    for (const m of this.shown.values()) m.geometry.dispose();
  }

  private mesh(p: Plate, map: THREE.Texture) {
    let m = this.shown.get(p.id);
    if (!m) {
      m = new THREE.Mesh(
        new THREE.PlaneGeometry(1, 1),
        new THREE.MeshBasicMaterial({ map, toneMapped: false }),
      );
      m.layers.set(PLATES);
      m.frustumCulled = false;
      this.shown.set(p.id, m);
      this.group.add(m);
    }
    if (m.material.map !== map) m.material.map = map;
    m.visible = true;
    return m;
  }
}
