import * as THREE from 'three';
import type { Camera } from '../core/types';
import { atFrame, core, inShot, shownRate } from '../session/evaluated';
import { useSequence, type Hit } from '../session/state';
import type { Compared } from '../session/comparing';
import { DepthOfFieldPass } from './depthOfField';
import { ClipHatch } from './hatch';
import { lookThrough, lookThroughCompared } from './lensCamera';
import { MOMENTS, OpenShutter, shareOf } from './openShutter';
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

/** What of a camera's picture a film of it shows. */
export interface Shows {
  /** Depth-of-field blur, of a camera that has it. */
  blur: boolean;
  /** Motion blur, of a camera that has it. */
  motionBlur: boolean;
  plates: boolean;
  haze: boolean;
}

/** What a film shows on one of its frames. */
export interface Delivered {
  frame: number;
  rate: number;
  shot: { camera: string | null; take: string | null };
}

/** All that a camera delivers. */
const EVERYTHING: Shows = { blur: true, motionBlur: false, plates: true, haze: true };

/** Share of five looks that must meet the back of a face for the lens to be inside something. */
const INSIDE = 3;

/** What stands in the scene for the pieces that are cut. */
const drawnOf = (seen: Seen): THREE.Object3D[] =>
  seen.cut.map((x) => stage.drawnAs(x.id)).filter((o): o is THREE.Object3D => !!o && o.visible);

/** Draws what one camera delivers: sharp or with its blur, its plates, and hatching where it is cut. */
export class LensPicture {
  readonly eye = new THREE.PerspectiveCamera();
  private readonly blur = new DepthOfFieldPass();
  private readonly hatch = new ClipHatch();
  /** What hatching can be drawn into: for that its shaders are made, or being made. */
  private readonly hatched = new Map<THREE.WebGLRenderTarget | null, 'making' | 'made'>();
  private readonly plates: PlatesInFrame;
  private shutter: OpenShutter | null = null;
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
    this.shutter?.dispose();
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

  /**
   * @param wider see {@link lookThrough}
   * @param compares whether what is compared is shown, where something is
   */
  draw(id: string, wider: [number, number], compares = false): Seen | null {
    const s = useSequence.getState();
    const r = this.renderer;
    this.step();
    if (compares && s.compared && (!s.compared.takes || s.compared.takes.shot === s.shot)) {
      this.drawCompared(id, s.compared, wider);
      return null;
    }
    const c = s.entities[id] as Camera | undefined;
    if (!c || !lookThrough(id, this.eye, wider)) {
      r.setClearColor('#000000');
      r.clear();
      return null;
    }
    const seen = core().seen(id);
    this.through(c, wider, EVERYTHING, {
      widest: seen.widestBlur,
      tinted: s.sharpTint,
      frame: s.frame,
      into: null,
      more: (target) => this.drawHatched(drawnOf(seen), target),
    });
    r.getContext().flush(); // it is drawn while the page makes the other views ready
    return seen;
  }

  /** Draws what stands before {@link eye}, with what a camera makes of it. */
  private through(
    c: Camera,
    wider: [number, number],
    shows: Shows,
    {
      widest,
      tinted,
      frame,
      into,
      more,
    }: {
      widest: number;
      tinted: boolean;
      /** Of the picture, which may be a moment about it. */
      frame: number;
      into: THREE.WebGLRenderTarget | null;
      /** Draws more over it. */
      more: (target: THREE.WebGLRenderTarget | null) => void;
    },
  ): void {
    const r = this.renderer;
    const still = shows.plates && this.plates.update(c.id, frame);
    stage.scene.updateMatrixWorld();
    this.plates.group.visible = shows.plates;
    const blurred = c.depthOfField && shows.blur;
    if (blurred || tinted)
      this.blur.render(r, stage.scene, this.eye, c.id, {
        widest: blurred ? widest : 0,
        tinted,
        still,
        wider: wider[1],
        into,
        more: () => more(this.blur.target),
      });
    else {
      r.setRenderTarget(into);
      r.render(stage.scene, this.eye);
      r.setRenderTarget(null);
      more(into);
    }
    this.plates.group.visible = false;
  }

  /**
   * Draws what a camera delivers on a frame for a film of it: nothing that helps at the desk lies over it. Black where there is
   * no camera.
   *
   * @param delivered a frame of the scene, frames of the scene that pass in one of the film about it, and through which camera in which take
   */
  deliver({ frame, rate, shot }: Delivered, shows: Shows): void {
    const c = useSequence.getState().entities[shot.camera ?? ''] as Camera | undefined;
    const take = shot.take ?? '';
    if (!c) {
      this.renderer.setClearColor('#000000');
      this.renderer.clear();
      return;
    }
    const moments = c.motionBlur && shows.motionBlur ? this.expose(c.id, frame, rate, take) : null;
    if (!moments) return this.deliverAt(c, take, frame, frame, shows, null);
    for (const at of moments) {
      this.deliverAt(c, take, frame, at, shows, this.shutter!.moment);
      this.shutter!.take(this.renderer);
    }
    this.shutter!.show(this.renderer);
  }

  private deliverAt(
    c: Camera,
    take: string,
    frame: number,
    moment: number,
    shows: Shows,
    into: THREE.WebGLRenderTarget | null,
  ): void {
    const draw = () => {
      this.step();
      if (!lookThrough(c.id, this.eye)) return;
      stage.clearHaze(!shows.haze);
      const widest = core().seen(c.id).widestBlur;
      this.through(c, [1, 1], shows, { widest, tinted: false, frame, into, more: () => {} });
      stage.clearHaze(false);
    };
    atFrame(moment, draw, 1, take);
  }

  /** Begins an exposure of a camera on a frame; gives its moments, or null where its shutter shows one alone. */
  private expose(id: string, frame: number, rate: number, take?: string): number[] | null {
    const { opens, closes } = atFrame(frame, () => core().exposure(id, frame, rate), 1, take);
    if (opens === closes) return null;
    this.shutter ??= new OpenShutter();
    this.shutter.begin(this.renderer);
    return Array.from({ length: MOMENTS }, (_, i) => opens + (closes - opens) * shareOf(i));
  }

  /** Brings the scene to the frame that is drawn, and the shadows with it. */
  private step(): void {
    stage.update();
    this.renderer.shadowMap.needsUpdate = this.shadows !== stage.shadows;
    this.shadows = stage.shadows;
  }

  /**
   * Draws a camera's picture anew as its open shutter sees it, a moment each time it is called.
   *
   * @returns a function that draws one more and says whether another is to come; null where there is nothing to blur
   */
  exposed(id: string, wider: [number, number]): (() => boolean) | null {
    const { entities, compared, sharpTint, frame } = useSequence.getState();
    const c = entities[id] as Camera | undefined;
    const moments = c?.motionBlur && !compared ? this.expose(id, frame, shownRate()) : null;
    if (!moments) return null;
    let taken = 0;
    return () => {
      atFrame(moments[taken++], () => {
        this.step();
        if (!lookThrough(id, this.eye, wider)) return;
        const seen = core().seen(id);
        this.through(c!, wider, EVERYTHING, {
          widest: seen.widestBlur,
          tinted: sharpTint,
          frame,
          into: this.shutter!.moment,
          more: (target) => this.drawHatched(drawnOf(seen), target),
        });
      });
      this.shutter!.take(this.renderer);
      this.shutter!.show(this.renderer);
      this.step(); // what is picked is picked on the frame itself
      lookThrough(id, this.eye, wider);
      return taken < moments.length;
    };
  }

  /** Two versions of the camera's move in the set as it is now, or two takes of a shot: wiped, or each at half size. */
  private drawCompared(id: string, { way, at, takes }: Compared, wider: [number, number]): void {
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
      if (takes) this.drawTake(takes.shot, takes.ids[side], wider);
      else if (lookThroughCompared(side, id, this.eye, wider)) r.render(stage.scene, this.eye);
    }
    r.setScissorTest(false);
    r.setViewport(0, 0, size.x, size.y);
    if (takes) this.step(); // what stands in the scene is on the frame that is shown again
  }

  /** What a take shows where the playhead is in its shot. */
  private drawTake(shot: string, take: string, wider: [number, number]): void {
    const seen = core().takeAt(shot, take, useSequence.getState().reel ?? NaN);
    if (!seen?.camera) return;
    const look = () => {
      this.step();
      stage.scene.updateMatrixWorld();
      if (lookThrough(seen.camera!, this.eye, wider)) this.renderer.render(stage.scene, this.eye);
    };
    atFrame(seen.scene, look, 1, inShot(shot, take));
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
