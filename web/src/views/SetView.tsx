import { useEffect, useRef, useState } from 'react';
import * as THREE from 'three';
import { OrbitControls } from 'three/addons/controls/OrbitControls.js';
import { TransformControls } from 'three/addons/controls/TransformControls.js';
import { theCore } from '../core/load';
import type { Command, Entity } from '../core/types';
import { evaluated } from '../sequence/evaluated';
import { commitPreview, edit, mayKey, newId, preview, say, select, useSequence } from '../sequence/store';
import { Tip } from '../shell/Tip';
import { AIDS, rendererFor, stage } from './stage';

type Side = 'free' | 'top' | 'front' | 'side';
const SIDES: { id: Side; name: string; tip: string }[] = [
  { id: 'free', name: 'Free', tip: 'Orbit freely about the set' },
  { id: 'top', name: 'Plan', tip: 'Straight down, for placing and drawing paths' },
  { id: 'front', name: 'Front', tip: 'Along −Z' },
  { id: 'side', name: 'Side', tip: 'Along −X' },
];

/** Height above the deck at which a drawn path runs, metres: a camera on a tripod. */
const PATH_HEIGHT_M = 1.5;
const CLICK_PX = 4;

/** A free view of the world. Moving in it never moves a camera. */
export function SetView() {
  const canvas = useRef<HTMLCanvasElement>(null);
  const box = useRef<HTMLDivElement>(null);
  const [side, setSide] = useState<Side>('free');
  const view = useRef<SetViewer | null>(null);
  const drawing = useSequence((s) => s.drawing);
  const drawingNow = drawing !== null;

  useEffect(() => {
    const v = new SetViewer(canvas.current!, box.current!);
    view.current = v;
    return () => v.dispose();
  }, []);
  useEffect(() => view.current?.look(side), [side]);
  useEffect(() => {
    if (drawingNow) setSide('top');
  }, [drawingNow]);

  return (
    <section className="view set-view" aria-label="Set view">
      <div className="view-bar">
        <strong>Set</strong>
        <div className="segments" role="group" aria-label="Direction">
          {SIDES.map((s) => (
            <Tip key={s.id} text={s.tip}>
              <button
                className={side === s.id ? 'on' : ''}
                aria-pressed={side === s.id}
                onClick={() => setSide(s.id)}
              >
                {s.name}
              </button>
            </Tip>
          ))}
        </div>
        <span className="grow" />
        <Tip text="Bring the selection into view (Shift+V)">
          <button className="pill" onClick={() => view.current?.frameSelection()}>
            Find
          </button>
        </Tip>
      </div>
      <div className="view-ground" ref={box}>
        <canvas ref={canvas} tabIndex={0} data-testid="set" aria-label="The set" />
        {drawing ? (
          <div className="drawing-bar">
            <span>
              Click places along the path · {drawing.length} {drawing.length === 1 ? 'point' : 'points'}
            </span>
            <button className="pill on" disabled={drawing.length < 2} onClick={finishPath}>
              Finish the path
            </button>
            <button className="pill" onClick={() => useSequence.setState({ drawing: null })}>
              Let it be
            </button>
          </div>
        ) : null}
      </div>
      <div className="view-foot">
        Drag orbits · right-drag slides · wheel nears · click selects · drag the arrows to move a piece
      </div>
    </section>
  );
}

/** Makes the drawn points a path, and puts the selected camera's rail on it when it has a free one. */
export function finishPath(): void {
  const s = useSequence.getState();
  if (!s.drawing || s.drawing.length < 2) return;
  const id = newId('path');
  const count = Object.values(s.entities).filter((e) => e.kind === 'path').length + 1;
  const commands: Command[] = [
    {
      kind: 'add',
      entity: {
        kind: 'path',
        id,
        name: `Path ${count}`,
        style: 'through',
        closed: false,
        points: s.drawing.map((at) => ({ at, in: [0, 0, 0], out: [0, 0, 0] })),
      },
    },
  ];
  const camera = s.entities[s.selected[0]];
  const rail = camera?.kind === 'camera' ? camera.rig.find((p) => p.kind === 'rail' && !p.path) : undefined;
  if (camera && rail?.kind === 'rail')
    commands.push({ kind: 'setPart', camera: camera.id, part: { ...rail, path: id } });
  if (edit('Draw a path', ...commands)) {
    useSequence.setState({ drawing: null });
    say(
      rail ? 'The path is drawn and the rail runs on it. Key its progress to travel.' : 'The path is drawn.',
    );
  }
}

class SetViewer {
  private readonly renderer: THREE.WebGLRenderer;
  private readonly free = new THREE.PerspectiveCamera(45, 1, 0.05, 2000);
  private readonly flat = new THREE.OrthographicCamera(-1, 1, 1, -1, -500, 1000);
  private readonly orbit: OrbitControls;
  private readonly arrows: TransformControls;
  private readonly handle = new THREE.Object3D();
  private readonly drawn = new THREE.Line(
    new THREE.BufferGeometry(),
    new THREE.LineBasicMaterial({ color: '#f2b441', depthTest: false, transparent: true }),
  );
  private readonly drawnPoints = new THREE.Points(
    this.drawn.geometry,
    new THREE.PointsMaterial({
      color: '#f6efe0',
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
  private shadows = -1;
  private pressed: { x: number; y: number } | null = null;
  private grabbed: THREE.Matrix4 | null = null;

  constructor(
    private readonly canvas: HTMLCanvasElement,
    private readonly box: HTMLElement,
  ) {
    this.renderer = rendererFor(canvas);
    for (const c of [this.free, this.flat]) c.layers.enable(AIDS);
    this.free.position.set(13, 9, 12);
    this.orbit = new OrbitControls(this.free, canvas);
    this.orbit.target.set(0.5, 0.8, -7);
    this.orbit.addEventListener('change', this.ask);
    this.arrows = new TransformControls(this.free, canvas);
    this.arrows.setSize(0.8);
    this.arrows.getRaycaster().layers.set(AIDS);
    this.arrows.getHelper().traverse((o) => o.layers.set(AIDS));
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
    const down = (e: PointerEvent) => (this.pressed = { x: e.clientX, y: e.clientY });
    const up = (e: PointerEvent) => this.released(e);
    const key = (e: KeyboardEvent) => {
      if (e.shiftKey && e.code === 'KeyV' && !(e.target instanceof HTMLInputElement)) this.frameSelection();
    };
    canvas.addEventListener('pointerdown', down);
    canvas.addEventListener('pointerup', up);
    document.addEventListener('keydown', key);
    this.leave.push(() => document.removeEventListener('keydown', key));
    this.fit();
  }

  dispose(): void {
    for (const f of this.leave) f();
    cancelAnimationFrame(this.asked);
    this.arrows.detach();
    this.arrows.dispose();
    this.orbit.dispose();
    stage.scene.remove(this.arrows.getHelper(), this.handle, this.drawn);
    this.renderer.dispose();
  }

  private readonly ask = (): void => {
    if (!this.asked) this.asked = requestAnimationFrame(() => this.draw());
  };

  private fit(): void {
    const { width, height } = this.box.getBoundingClientRect();
    if (width < 2 || height < 2) return;
    this.renderer.setSize(Math.floor(width), Math.floor(height));
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
    this.renderer.render(stage.scene, this.camera);
    this.canvas.dataset.drawn = String(useSequence.getState().version);
  }

  look(side: Side): void {
    const t = this.orbit.target;
    const far = { free: [13, 9, 12], top: [0, 200, 0.001], front: [0, 0, 200], side: [200, 0, 0] }[side];
    this.camera = side === 'free' ? this.free : this.flat;
    if (side !== 'free') this.camera.position.set(t.x + far[0], t.y + far[1], t.z + far[2]);
    this.orbit.object = this.camera;
    this.orbit.enableRotate = side === 'free';
    this.arrows.camera = this.camera;
    this.camera.lookAt(t);
    this.orbit.update();
    this.fit();
  }

  frameSelection(): void {
    const o = stage.drawnAs(useSequence.getState().selected[0]);
    if (!o) return;
    const b = new THREE.Box3().setFromObject(o);
    const at =
      b.isEmpty() || useSequence.getState().entities[o.userData.id as string]?.kind !== 'piece'
        ? new THREE.Vector3().setFromMatrixPosition(o.matrixWorld)
        : b.getCenter(new THREE.Vector3());
    const by = at.clone().sub(this.orbit.target);
    this.camera.position.add(by);
    this.orbit.target.copy(at);
    if (this.camera === this.free) {
      const r = b.isEmpty() ? 3 : Math.min(40, Math.max(2.5, b.getSize(new THREE.Vector3()).length() * 1.4));
      this.free.position.copy(at).addScaledVector(this.free.position.clone().sub(at).normalize(), r);
    }
    this.orbit.update();
    this.ask();
  }

  private movable(): Entity | undefined {
    const s = useSequence.getState();
    const e = s.entities[s.selected[0]];
    return s.mayEdit && (e?.kind === 'mark' || (e?.kind === 'piece' && !e.locked)) && s.drawing === null
      ? e
      : undefined;
  }

  private followSelection(): void {
    const e = this.movable();
    if (!e) this.arrows.detach();
    else if (!this.grabbed) {
      this.handle.position.setFromMatrixPosition(stage.drawnAs(e.id)!.matrixWorld);
      this.handle.updateMatrixWorld();
      if (this.arrows.object !== this.handle) this.arrows.attach(this.handle);
    }
  }

  private drag(on: boolean): void {
    this.orbit.enabled = !on;
    const e = this.movable();
    if (on && e) {
      // the axes its position is given in: those of what carries it
      const carrier = e.kind === 'piece' ? e.parent : e.kind === 'mark' ? e.rides : null;
      const slot = carrier ? theCore().slot(carrier) : -1;
      this.grabbed =
        slot < 0 ? new THREE.Matrix4() : new THREE.Matrix4().fromArray(evaluated().world, slot * 16).invert();
    } else {
      this.grabbed = null;
      commitPreview();
    }
  }

  private moved(): void {
    const e = this.movable();
    if (!e || !this.grabbed) return;
    const p = this.handle.position.clone().applyMatrix4(this.grabbed);
    const { frame } = useSequence.getState();
    const channels = ['x', 'y', 'z'] as const;
    preview(
      `Move ${e.name}`,
      ...channels.map((c): Command => ({
        kind: 'setValue',
        id: e.id,
        channel: c,
        frame,
        value: p[c],
        key: mayKey(),
      })),
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
        new THREE.Plane(new THREE.Vector3(0, 1, 0), -PATH_HEIGHT_M),
        new THREE.Vector3(),
      );
      if (at) useSequence.setState({ drawing: [...drawing, [at.x, at.y, at.z]] });
      return;
    }
    const hit = stage.pick(this.ray);
    select(...(hit ? [hit.id] : []));
  }
}
