import * as THREE from 'three';
import type { Camera } from '../core/types';
import { core } from '../session/evaluated';
import { useSequence, type Hit } from '../session/state';
import type { Compared } from '../session/comparing';
import { DepthOfFieldPass } from './depthOfField';
import { ClipHatch } from './hatch';
import { lookThrough, lookThroughCompared } from './lensCamera';
import { PlatesInFrame } from './plates';
import { prepared, type Drawing } from './preparing';
import { stage } from './stage';

/** What a camera sees and what its clips cut, as the core says. */
export interface Seen {
  cut: { id: string; name: string; near: boolean; far: boolean }[];
  whyEmpty: string;
  /** The widest blur of all that is in frame, in shares of the delivery height. */
  widestBlur: number;
  /** Whether the picture is empty because of the clips. */
  clipsHide: boolean;
}

/** Share of five looks that must meet the back of a face for the lens to be inside something. */
const INSIDE = 3;

/** Draws what one camera delivers: sharp or with its blur, its plates, and hatching where it is cut. */
export class LensPicture {
  readonly eye = new THREE.PerspectiveCamera();
  private readonly blur = new DepthOfFieldPass();
  private readonly hatch = new ClipHatch();
  /** What hatching can be drawn into: for that its shaders are made, or being made. */
  private readonly hatched = new Map<THREE.WebGLRenderTarget | null, 'making' | 'made'>();
  private readonly plates: PlatesInFrame;
  private readonly ray = new THREE.Raycaster();
  private shadows = -1;
  private gone = false;

  constructor(
    private readonly renderer: THREE.WebGLRenderer,
    private readonly redraw: () => void,
  ) {
    this.plates = new PlatesInFrame(redraw);
    stage.scene.add(this.plates.group);
  }

  dispose(): void {
    this.gone = true;
    stage.scene.remove(this.plates.group);
    this.plates.dispose();
    this.blur.dispose();
  }

  /** Makes ready what drawing needs on the graphics side, without holding the page up; gives whether it can be drawn. */
  async prepare(): Promise<boolean> {
    stage.update();
    const drawing = this.drawing(stage.seenByLenses);
    await prepared(drawing);
    await this.blur.prepare(drawing);
    return !this.gone;
  }

  private drawing(parts: THREE.Object3D[]): Drawing {
    return {
      renderer: this.renderer,
      scene: stage.scene,
      parts,
      camera: this.eye,
      wanted: () => !this.gone,
      first: true,
    };
  }

  /** Hatches what is cut; the first time its shaders are made beside the page, and the picture is drawn again then. */
  private drawHatched(cut: THREE.Object3D[], target: THREE.WebGLRenderTarget | null): void {
    if (cut.length === 0) return;
    const hatched = this.hatched.get(target);
    if (hatched === 'made') this.hatch.draw(this.renderer, stage.scene, this.eye, cut);
    if (hatched) return;
    this.hatched.set(target, 'making');
    void this.hatch.prepare({ ...this.drawing(cut), target: target ?? undefined }).then(() => {
      this.hatched.set(target, 'made');
      if (!this.gone) this.redraw();
    });
  }

  /** @param wider see {@link lookThrough} */
  draw(id: string, wider: [number, number]): Seen | null {
    const s = useSequence.getState();
    const r = this.renderer;
    stage.update();
    r.shadowMap.needsUpdate = this.shadows !== stage.shadows;
    this.shadows = stage.shadows;
    if (s.compared) {
      this.drawCompared(id, s.compared, wider);
      return null;
    }
    const c = s.entities[id] as Camera | undefined;
    if (!c || !lookThrough(id, this.eye, wider)) {
      r.setClearColor('#000000');
      r.clear();
      return null;
    }
    const still = this.plates.update(id);
    stage.scene.updateMatrixWorld();
    this.plates.group.visible = true;
    const seen = core().seen(id);
    const cut = seen.cut.map((x) => stage.drawnAs(x.id)).filter((o): o is THREE.Object3D => !!o && o.visible);
    if (c.depthOfField || s.sharpTint)
      this.blur.render(r, stage.scene, this.eye, id, {
        widest: c.depthOfField ? seen.widestBlur : 0,
        tinted: s.sharpTint,
        still,
        wider: wider[1],
        more: () => this.drawHatched(cut, this.blur.target),
      });
    else {
      r.render(stage.scene, this.eye);
      this.drawHatched(cut, null);
    }
    this.plates.group.visible = false;
    return seen;
  }

  /** Two versions of the camera's move, in the set as it is now: wiped, or each at half size. */
  private drawCompared(id: string, { way, at }: Compared, wider: [number, number]): void {
    const r = this.renderer;
    const size = r.getSize(new THREE.Vector2());
    stage.scene.updateMatrixWorld();
    r.setClearColor('#000000');
    r.clear();
    r.setScissorTest(true);
    for (const side of [0, 1] as const) {
      const [w, h] = way === 'wipe' ? [size.x, size.y] : [size.x / 2, size.y / 2];
      const left = way === 'beside' && side === 1 ? w : 0;
      const cut = way === 'wipe' ? Math.round(size.x * at) : size.x / 2;
      r.setViewport(left, (size.y - h) / 2, w, h);
      r.setScissor(side ? cut : 0, (size.y - h) / 2, side ? size.x - cut : cut, h);
      if (lookThroughCompared(side, id, this.eye, wider)) r.render(stage.scene, this.eye);
    }
    r.setScissorTest(false);
    r.setViewport(0, 0, size.x, size.y);
  }

  /** What stands under a place of the picture, given as −1 … 1 across and up. */
  pick(x: number, y: number): Hit | null {
    this.ray.setFromCamera(new THREE.Vector2(x, y), this.eye);
    return stage.pick(this.ray, true);
  }

  /** The name of what the lens is inside of, or ''. */
  inside(): string {
    let backs = 0;
    let name = '';
    const places: [number, number][] = [
      [0, 0],
      [0.7, 0.7],
      [-0.7, 0.7],
      [0.7, -0.7],
      [-0.7, -0.7],
    ];
    for (const [x, y] of places) {
      const hit = this.pick(x, y);
      if (!hit?.normal) continue;
      const d = new THREE.Vector3(...hit.normal).dot(this.ray.ray.direction);
      if (d <= 0) continue;
      backs++;
      name = useSequence.getState().entities[hit.id]?.name ?? name;
    }
    return backs >= INSIDE ? name : '';
  }
}
