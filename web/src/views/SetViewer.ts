import { setView } from '../session/view';
import * as THREE from 'three';
import { OrbitControls } from 'three/addons/controls/OrbitControls.js';
import { TransformControls } from 'three/addons/controls/TransformControls.js';
import type { Command, Entity } from '../core/types';
import { poseOf, remember } from '../doing/earlierViews';
import { core, evaluated } from '../session/evaluated';
import { commitPreview, preview } from '../session/document';
import { mayKey } from '../session/laneState';
import { previewProposed } from '../session/proposals';
import { givePicked, select } from '../session/selection';
import { useSequence } from '../session/state';
import { dragGrip, ghostGrip, gripAt, pathGrips } from './grips';
import { AIDS, ARROWS } from './layers';
import { whenAskedForPose, whenAskedOnScreen } from '../doing/setViewPose';
import { prepared } from './preparing';
import { stage } from './stage';
import { fit, type Surface } from './surfaces';
import { palette } from '../theme/tokens';

/** Which way a view of the set looks. */
export type Side = 'free' | 'top' | 'front' | 'side';

/** What is done to a selected thing by the handles in the set. */
export type SetTool = 'move' | 'turn' | 'scale';

const MODES = { move: 'translate', turn: 'rotate', scale: 'scale' } as const;

/** A thing as it was when its handles were taken hold of. */
interface Grabbed {
  /** From the world to the axes its place is given in. */
  toCarrier: THREE.Matrix4;
  world: THREE.Matrix4;
  /** Its numbers: scales, and what its place leaves of the world's. */
  scale: THREE.Vector3;
}

/** Something without an extent is looked at as a box this large, in metres. */
const POINT_BOX = new THREE.Vector3(1.5, 1.5, 1.5);
const CLICK_PX = 4;

/** A piece is twice as large when the middle of its handles is dragged so far to the right or up. */
const DOUBLES_PX = 120;

/** One pane of the set view: its own way of looking, the arrows that move things, and picking. */
export class SetViewer {
  private readonly canvas: HTMLCanvasElement;
  private readonly renderer: THREE.WebGLRenderer;
  private readonly free = new THREE.PerspectiveCamera(45, 1, 0.05, 2000);
  private readonly flat = new THREE.OrthographicCamera(-1, 1, 1, -1, -500, 1000);
  private readonly orbit: OrbitControls;
  private readonly arrows: TransformControls;
  private readonly handle = new THREE.Object3D();
  private readonly drawn = new THREE.Line(
    new THREE.BufferGeometry().setFromPoints([]),
    new THREE.LineBasicMaterial({ color: palette.marigold, depthTest: false, transparent: true }),
  );
  private readonly drawnPoints = new THREE.Points(
    this.drawn.geometry,
    new THREE.PointsMaterial({
      color: palette.paper,
      size: 9,
      sizeAttenuation: false,
      depthTest: false,
      transparent: true,
    }),
  );
  private readonly ray = new THREE.Raycaster();
  private readonly leave: (() => void)[] = [];
  private camera: THREE.PerspectiveCamera | THREE.OrthographicCamera = this.free;
  private span = 26;
  private asked = 0;
  /** Whether its shaders are made: they are made beside the page, which goes on meanwhile. */
  private ready = false;
  private gone = false;
  /** Whether it has any room: it may lie under something. */
  private shown = false;
  private shadows = -1;
  private pressed: { x: number; y: number } | null = null;
  private grabbed: Grabbed | null = null;
  private readonly offset = new THREE.Vector3();

  /** How far the pointer went to the right and up since it was pressed, in pixels. */
  private travel = 0;
  private pressedAt = { x: 0, y: 0 };

  constructor(
    private readonly surface: Surface,
    private readonly box: HTMLElement,
    index: number,
  ) {
    const { canvas, renderer } = surface;
    this.canvas = canvas;
    this.renderer = renderer;
    stage.update();
    void prepared({ renderer, scene: stage.scene, camera: this.free, wanted: () => !this.gone }).then(() => {
      this.ready = !this.gone;
      this.ask();
    });
    for (const c of [this.free, this.flat]) {
      c.layers.enable(AIDS);
      c.layers.enable(ARROWS + index);
    }
    this.free.position.set(13, 9, 12);
    this.orbit = new OrbitControls(this.free, canvas);
    this.orbit.target.set(0.5, 0.8, -7);
    this.orbit.addEventListener('change', this.ask);
    this.arrows = new TransformControls(this.free, canvas);
    this.arrows.setSize(0.8);
    this.arrows.setColors(palette.coral, palette.teal, palette.marigold, palette.paper);
    this.arrows.getRaycaster().layers.set(ARROWS + index);
    this.arrows.getHelper().traverse((o) => o.layers.set(ARROWS + index));
    this.arrows.addEventListener('dragging-changed', (e) => this.drag(Boolean(e.value)));
    this.arrows.addEventListener('objectChange', () => this.moved());
    this.arrows.addEventListener('change', this.ask);
    for (const o of [this.drawn, this.drawnPoints]) {
      o.layers.set(AIDS);
      o.frustumCulled = false;
      o.renderOrder = 9; // over everything, so that a path under an awning is seen
    }
    this.drawn.add(this.drawnPoints);
    stage.scene.add(this.arrows.getHelper(), this.handle, this.drawn);
    const size = new ResizeObserver(() => this.fit());
    size.observe(box);
    this.leave.push(stage.listen(this.ask), () => size.disconnect());
    const down = (e: PointerEvent) => {
      this.pressed = this.takesGrip(e) ? null : { x: e.clientX, y: e.clientY };
    };
    const up = (e: PointerEvent) => this.released(e);
    const pressedAt = (e: PointerEvent) => {
      this.pressedAt = { x: e.clientX, y: e.clientY };
    };
    const travelled = (e: PointerEvent) => {
      this.travel = e.clientX - this.pressedAt.x - (e.clientY - this.pressedAt.y);
    };
    const until = new AbortController(); // the canvas outlives this view
    this.leave.push(() => until.abort());
    const { signal } = until;
    canvas.addEventListener('pointerdown', pressedAt, { capture: true, signal }); // before the handles hear of it
    window.addEventListener('pointermove', travelled, { capture: true, signal });
    canvas.addEventListener('pointerdown', down, { capture: true, signal }); // before the view is turned
    canvas.addEventListener('pointerup', up, { signal });
    if (index === 0) {
      whenAskedForPose(() => this.pose());
      whenAskedOnScreen((x, y, z) => {
        const r = this.canvas.getBoundingClientRect();
        const p = new THREE.Vector3(x, y, z).project(this.camera);
        return [r.left + ((p.x + 1) / 2) * r.width, r.top + ((1 - p.y) / 2) * r.height];
      });
    }
    this.fit();
  }

  dispose(): void {
    this.gone = true;
    this.ready = false;
    for (const f of this.leave) f();
    cancelAnimationFrame(this.asked);
    this.arrows.detach();
    this.arrows.dispose();
    this.orbit.dispose();
    stage.scene.remove(this.arrows.getHelper(), this.handle, this.drawn);
    this.drawn.geometry.dispose();
  }

  /** Lets a pressed ghost or path point be dragged; gives whether one was pressed. */
  private takesGrip(e: PointerEvent): boolean {
    const s = useSequence.getState();
    if (e.button !== 0 || s.drawing || s.picking || !s.mayEdit) return false;
    const r = this.canvas.getBoundingClientRect();
    const grips = [
      ...stage.rigHandles.grips(),
      ...stage.ghosts.keys.map((k) => ghostGrip(stage.ghosts.camera, k)),
      ...pathGrips(),
    ];
    const grip = gripAt(grips, e.clientX - r.left, e.clientY - r.top, this.camera, r.width, r.height);
    if (!grip) return false;
    this.orbit.enabled = false;
    dragGrip(grip, e, this.canvas, this.camera, () => (this.orbit.enabled = true));
    return true;
  }

  private readonly ask = (): void => {
    if (!this.asked && this.ready && this.shown) this.asked = requestAnimationFrame(() => this.draw());
  };

  private fit(): void {
    const { width, height } = this.box.getBoundingClientRect();
    this.shown = width >= 2 && height >= 2;
    if (!this.shown) return;
    fit(this.surface, Math.floor(width), Math.floor(height));
    this.free.aspect = width / height;
    this.free.updateProjectionMatrix();
    const h = this.span / 2;
    Object.assign(this.flat, {
      left: (-h * width) / height,
      right: (h * width) / height,
      top: h,
      bottom: -h,
    });
    this.flat.updateProjectionMatrix();
    this.ask();
  }

  private draw(): void {
    this.asked = 0;
    stage.update();
    this.renderer.shadowMap.needsUpdate = this.shadows !== stage.shadows;
    this.shadows = stage.shadows;
    this.followSelection();
    const d = useSequence.getState().drawing;
    this.drawn.visible = d !== null;
    if (d) {
      this.drawn.geometry.dispose();
      this.drawn.geometry = new THREE.BufferGeometry().setFromPoints(d.map((p) => new THREE.Vector3(...p)));
      this.drawnPoints.geometry = this.drawn.geometry;
    }
    const flat = this.camera === this.flat;
    if (flat) stage.clearAir(true);
    this.renderer.setClearColor(palette.viewGround);
    this.renderer.render(stage.scene, this.camera);
    this.renderer.getContext().flush(); // it is drawn while the page makes the other views ready
    if (flat) stage.clearAir(false);
    this.canvas.dataset.drawn = String(useSequence.getState().version);
  }

  look(side: Side): void {
    const t = this.orbit.target;
    const far = { free: [13, 9, 12], top: [0, 200, 0.001], front: [0, 0, 200], side: [200, 0, 0] }[side];
    this.camera = side === 'free' ? this.free : this.flat;
    this.orbit.enableZoom = true;
    if (side !== 'free') this.camera.position.set(t.x + far[0], t.y + far[1], t.z + far[2]);
    this.orbit.object = this.camera;
    this.orbit.enableRotate = side === 'free';
    this.arrows.camera = this.camera;
    this.camera.lookAt(t);
    this.orbit.update();
    this.fit();
  }

  /** Where the freely turned view looks from. */
  private pose(): ReturnType<typeof poseOf> {
    this.free.updateMatrixWorld();
    return poseOf(Float64Array.from(this.free.matrixWorld.elements));
  }

  /** Brings all pieces near the middle of things into view; a sea or sky does not count. */
  frameAll(): void {
    const boxes = stage.boxes().filter((b) => !b.isEmpty());
    const size = (b: THREE.Box3) => b.getSize(new THREE.Vector3()).length();
    const sizes = boxes.map(size).sort((a, b) => a - b);
    const usual = sizes[Math.floor(sizes.length * 0.8)] ?? 1;
    const all = new THREE.Box3();
    for (const b of boxes) if (size(b) <= usual * 12) all.union(b);
    if (!all.isEmpty()) this.frameBox(all);
  }

  private frameBox(b: THREE.Box3): void {
    const at = b.getCenter(new THREE.Vector3());
    const back = this.camera.position.clone().sub(this.orbit.target);
    this.orbit.target.copy(at);
    const r = Math.max(2.5, b.getSize(new THREE.Vector3()).length());
    if (this.camera === this.free) back.setLength(r * 1.1);
    else {
      this.flat.zoom = Math.min(8, this.span / (r * 1.05));
      this.flat.updateProjectionMatrix();
    }
    this.camera.position.copy(at).add(back);
    this.orbit.update();
    this.ask();
  }

  /** Brings what is selected into view: a piece as large as it is, anything else from three metres. */
  frameSelection(): void {
    const id = useSequence.getState().selected[0];
    const at = stage.standsAt(id);
    if (!at) return;
    const box = new THREE.Box3();
    if (useSequence.getState().entities[id]?.kind === 'piece') box.copy(stage.boxOf(id)!);
    if (box.isEmpty()) box.setFromCenterAndSize(new THREE.Vector3().setFromMatrixPosition(at), POINT_BOX);
    this.frameBox(box);
  }

  private movable(): Entity | undefined {
    const s = useSequence.getState();
    const e = s.entities[s.selected[0]];
    const layer = e && 'layer' in e && e.layer ? s.entities[e.layer] : undefined;
    const held = layer?.kind === 'layer' && layer.locked;
    // on the Move desk a camera is moved by its ghosts and the handles of its parts
    const moves =
      (e?.kind === 'mark' && e.shown) ||
      (e?.kind === 'camera' && !e.locked && e.shown && (s.desk === 'set' || s.desk === 'frame')) ||
      (e?.kind === 'piece' && !e.locked) ||
      (e?.kind === 'light' && e.form !== 'sun' && e.shown);
    return s.mayEdit && moves && !held && s.drawing === null && s.picking === null ? e : undefined;
  }

  private followSelection(): void {
    const e = this.movable();
    if (!e) {
      this.arrows.detach();
      return;
    }
    if (this.grabbed) return;
    const tool = toolFor(e, useSequence.getState().setTool);
    stage.standsAt(e.id)!.decompose(this.handle.position, this.handle.quaternion, this.handle.scale);
    this.handle.scale.set(1, 1, 1);
    if (tool !== 'scale') this.handle.quaternion.identity(); // along the axes of the world
    this.handle.updateMatrixWorld();
    if (this.arrows.mode !== MODES[tool]) this.arrows.setMode(MODES[tool]);
    if (this.arrows.object !== this.handle) this.arrows.attach(this.handle);
  }

  private number(e: Entity, channel: string): number {
    const own = new Float64Array(1);
    core().curve(e.id, channel, useSequence.getState().frame, 1, own);
    return own[0];
  }

  private drag(on: boolean): void {
    this.orbit.enabled = !on;
    const e = this.movable();
    if (on && e) {
      // the axes its position is given in: those of what carries it
      const carrier = e.kind === 'mark' ? e.rides : 'parent' in e ? e.parent : null;
      const slot = carrier ? core().slot(carrier) : -1;
      const toCarrier =
        slot < 0 ? new THREE.Matrix4() : new THREE.Matrix4().fromArray(evaluated().world, slot * 16).invert();
      const world = new THREE.Matrix4().fromArray(evaluated().world, core().slot(e.id) * 16);
      const scale = new THREE.Vector3(1, 1, 1);
      if (e.kind === 'piece')
        scale.set(this.number(e, 'scaleX'), this.number(e, 'scaleY'), this.number(e, 'scaleZ'));
      this.grabbed = { toCarrier, world, scale };
      if (e.kind === 'camera') remember(e.id);
      else {
        // a mark may be measured from an anchor: what its own numbers leave of its place
        const here = this.handle.position.clone().applyMatrix4(toCarrier);
        this.offset.set(
          here.x - this.number(e, 'x'),
          here.y - this.number(e, 'y'),
          here.z - this.number(e, 'z'),
        );
      }
    } else {
      this.grabbed = null;
      commitPreview();
    }
  }

  private moved(): void {
    const e = this.movable();
    if (!e || !this.grabbed) return;
    const tool = toolFor(e, useSequence.getState().setTool);
    if (tool === 'turn') this.turned(e, this.grabbed);
    else if (tool === 'scale') this.scaled(e, this.grabbed);
    else if (e.kind === 'camera') this.cameraMoved(e, this.grabbed);
    else {
      const p = this.handle.position.clone().applyMatrix4(this.grabbed.toCarrier).sub(this.offset);
      preview(`Move ${e.name}`, ...(['x', 'y', 'z'] as const).map((c) => this.set(e, c, p[c])));
    }
  }

  private set(e: Entity, channel: string, value: number): Command {
    const { frame } = useSequence.getState();
    return { kind: 'setValue', id: e.id, channel, frame, value, key: mayKey() };
  }

  private cameraMoved(e: Entity, { world }: Grabbed): void {
    const { pan, tilt, roll } = poseOf(Float64Array.from(world.elements));
    const { x, y, z } = this.handle.position;
    const { frame } = useSequence.getState();
    preview(`Move ${e.name}`, {
      kind: 'placeCamera',
      camera: e.id,
      frame,
      at: [x, y, z],
      pan,
      tilt,
      roll,
      key: mayKey(),
    });
  }

  private turned(e: Entity, { world }: Grabbed): void {
    const now = new THREE.Matrix4().makeRotationFromQuaternion(this.handle.quaternion).multiply(world);
    previewProposed(`Turn ${e.name}`, () =>
      core().turnTo(e.id, Float64Array.from(now.elements), useSequence.getState().frame, mayKey()),
    );
  }

  private scaled(e: Entity, { scale }: Grabbed): void {
    const least = 0.001;
    // all three alike by how far the pointer went: from the very middle a share of nothing is no measure
    const alike = this.arrows.axis === 'XYZ' ? 2 ** (this.travel / DOUBLES_PX) : 0;
    const by = alike ? new THREE.Vector3(alike, alike, alike) : this.handle.scale;
    preview(
      `Scale ${e.name}`,
      ...(['x', 'y', 'z'] as const).map((c) =>
        this.set(e, `scale${c.toUpperCase()}`, Math.max(least, scale[c] * Math.max(least, by[c]))),
      ),
    );
  }

  private released(e: PointerEvent): void {
    const p = this.pressed;
    this.pressed = null;
    if (
      !p ||
      e.button !== 0 ||
      this.grabbed ||
      Math.hypot(e.clientX - p.x, e.clientY - p.y) > CLICK_PX ||
      this.arrows.axis
    )
      return;
    const r = this.canvas.getBoundingClientRect();
    this.ray.setFromCamera(
      new THREE.Vector2(((e.clientX - r.left) / r.width) * 2 - 1, 1 - ((e.clientY - r.top) / r.height) * 2),
      this.camera,
    );
    const { drawing } = useSequence.getState();
    if (drawing) {
      const at = this.ray.ray.intersectPlane(
        new THREE.Plane(new THREE.Vector3(0, 1, 0), -core().pathHeightM()),
        new THREE.Vector3(),
      );
      if (at) setView({ drawing: [...drawing, [at.x, at.y, at.z]] });
      return;
    }
    const { picking, selected } = useSequence.getState();
    if (picking) {
      const met = stage.pick(this.ray, true);
      if (met) givePicked(met);
      return;
    }
    const hit = stage.pick(this.ray);
    if (hit && (e.ctrlKey || e.shiftKey))
      select(...(selected.includes(hit.id) ? selected.filter((i) => i !== hit.id) : [...selected, hit.id]));
    else select(...(hit ? [hit.id] : []));
  }
}

/** What can be done to a thing by handles: the tool chosen, or moving where it makes no sense. */
const toolFor = (e: Entity, tool: SetTool): SetTool =>
  e.kind === 'mark' || (tool === 'scale' && e.kind !== 'piece') ? 'move' : tool;
