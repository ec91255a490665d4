import * as THREE from 'three';
import { theCore } from '../core/load';
import type { Camera, Entity, Light, Mark, Path, Piece } from '../core/types';
import { evaluated, LENS } from '../sequence/evaluated';
import { lensCamera, useSequence } from '../sequence/store';
import { ModelInstance, needModel } from './models';

/** Layer of what only the set view shows: icons, paths, the grid. */
export const AIDS = 1;

interface Shown {
  entity: Entity;
  object: THREE.Object3D;
  model?: ModelInstance;
}

/** A label drawn on a small canvas, always facing the viewer. */
function label(text: string, colour: string): THREE.Sprite {
  const c = document.createElement('canvas');
  c.width = c.height = 64;
  const g = c.getContext('2d')!;
  g.fillStyle = colour;
  g.beginPath();
  g.arc(32, 32, 30, 0, 7);
  g.fill();
  g.fillStyle = '#101b2d';
  g.font = `bold ${text.length > 1 ? 30 : 40}px "Nunito Sans Variable", sans-serif`;
  g.textAlign = 'center';
  g.textBaseline = 'middle';
  g.fillText(text, 32, 34);
  const s = new THREE.Sprite(
    new THREE.SpriteMaterial({ map: new THREE.CanvasTexture(c), depthTest: false, sizeAttenuation: false }),
  );
  s.scale.setScalar(0.045);
  s.renderOrder = 10;
  return s;
}

const KITE_LINE = (colour: string) => new THREE.LineBasicMaterial({ color: colour, depthTest: true });

/**
 * A renderer for one view. Where drawing is done in software (a machine with no graphics card), edges
 * stay unsmoothed so that the page stays quick.
 */
export function rendererFor(canvas: HTMLCanvasElement): THREE.WebGLRenderer {
  const probe = document.createElement('canvas').getContext('webgl2');
  const name = probe?.getExtension('WEBGL_debug_renderer_info') ? String(probe.getParameter(0x9246)) : '';
  probe?.getExtension('WEBGL_lose_context')?.loseContext();
  const r = new THREE.WebGLRenderer({
    canvas,
    antialias: !/swiftshader|llvmpipe|software/i.test(name),
    preserveDrawingBuffer: true,
  });
  r.shadowMap.enabled = true;
  r.shadowMap.autoUpdate = false;
  return r;
}

/** The scene both views draw, kept in step with the sequence. */
export class Stage {
  readonly scene = new THREE.Scene();
  readonly pieces = new THREE.Group();
  readonly aids = new THREE.Group();
  private readonly shown = new Map<string, Shown>();
  private readonly sun = new THREE.DirectionalLight();
  private readonly air = new THREE.HemisphereLight();
  private readonly sky: THREE.Mesh<THREE.SphereGeometry, THREE.ShaderMaterial>;
  private readonly outline = new THREE.Box3Helper(new THREE.Box3(), 0xf4ecdd);
  private readonly listeners = new Set<() => void>();
  private seenVersion = -1;

  /** Grows whenever shadows may fall elsewhere: a renderer that drew an older one draws them anew. */
  shadows = 0;
  private posed = '';

  constructor() {
    this.sky = new THREE.Mesh(
      new THREE.SphereGeometry(1, 32, 16),
      new THREE.ShaderMaterial({
        side: THREE.BackSide,
        depthWrite: false,
        uniforms: { zenith: { value: new THREE.Color() }, horizon: { value: new THREE.Color() } },
        vertexShader: `varying vec3 d; void main() { d = position; vec4 p = projectionMatrix * vec4(mat3(viewMatrix) * position, 1.0); gl_Position = p.xyww; }`,
        fragmentShader: `uniform vec3 zenith; uniform vec3 horizon; varying vec3 d;
          void main() { float y = normalize(d).y; vec3 c = mix(horizon, zenith, sqrt(max(0.0, y))) * (y < 0.0 ? max(0.35, 1.0 + y * 2.0) : 1.0);
          gl_FragColor = vec4(c, 1.0);
          #include <colorspace_fragment>
          }`,
      }),
    );
    this.sky.frustumCulled = false;
    this.sky.renderOrder = -1;
    this.sun.castShadow = true;
    this.sun.shadow.mapSize.set(1024, 1024);
    Object.assign(this.sun.shadow.camera, { left: -32, right: 32, top: 32, bottom: -32, near: 1, far: 220 });
    this.sun.shadow.bias = -0.0012;
    this.sun.shadow.normalBias = 0.03;
    const grid = new THREE.GridHelper(60, 60, 0x8fa3bf, 0x5d6f8a);
    (grid.material as THREE.Material).transparent = true;
    (grid.material as THREE.Material).opacity = 0.28;
    grid.position.y = 0.002;
    Object.assign(this.outline.material, { depthTest: false, transparent: true });
    this.outline.renderOrder = 8;
    this.outline.visible = false;
    this.aids.add(grid, this.outline);
    this.scene.add(this.sky, this.air, this.sun, this.sun.target, this.pieces, this.aids);
    this.toAids(this.aids);
    useSequence.subscribe((s, old) => {
      if (
        s.version !== old.version ||
        s.frame !== old.frame ||
        s.selected !== old.selected ||
        s.camera !== old.camera ||
        s.followCut !== old.followCut ||
        s.drawing !== old.drawing
      )
        this.draw();
    });
  }

  private toAids(o: THREE.Object3D): void {
    o.traverse((x) => x.layers.set(AIDS));
  }

  /** Calls back whenever there is something new to draw; gives the way out. */
  listen(f: () => void): () => void {
    this.listeners.add(f);
    return () => this.listeners.delete(f);
  }

  draw(): void {
    for (const f of this.listeners) f();
  }

  /** Brings the scene to the present frame. Cheap when nothing changed. */
  update(): void {
    const s = useSequence.getState();
    if (s.version !== this.seenVersion) {
      this.seenVersion = s.version;
      this.reconcile(s.entities);
    }
    const { world, lens } = evaluated();
    for (const { entity, object, model } of this.shown.values()) {
      const slot = theCore().slot(entity.id);
      if (slot < 0) continue;
      object.matrix.fromArray(world, slot * 16);
      object.matrixWorldNeedsUpdate = true;
      model?.pose(entity.id);
      if (entity.kind === 'camera')
        this.frustum(object, entity, lens, slot, s.selected.includes(entity.id), lensCamera(s) === entity.id);
      if (entity.kind === 'light') this.lightUp(entity, world, slot);
    }
    this.scene.updateMatrixWorld();
    if (this.posed !== `${s.frame}/${s.version}/${this.shown.size}`) this.shadows++;
    this.posed = `${s.frame}/${s.version}/${this.shown.size}`;
    this.outlineSelected(s.selected);
  }

  private reconcile(entities: Record<string, Entity>): void {
    for (const [id, s] of this.shown) {
      if (entities[id] === s.entity) continue;
      s.object.removeFromParent();
      this.shown.delete(id);
    }
    for (const e of Object.values(entities)) {
      if (this.shown.has(e.id)) continue;
      const s = this.build(e);
      if (!s) continue;
      s.object.userData.id = e.id;
      if (e.kind === 'path') {
        s.object.updateMatrix();
      } else s.object.matrixAutoUpdate = false;
      (e.kind === 'piece' ? this.pieces : this.aids).add(s.object);
      if (e.kind !== 'piece') this.toAids(s.object);
      this.shown.set(e.id, s);
    }
    for (const s of this.shown.values())
      if (s.entity.kind === 'piece') s.object.visible = this.visible(s.entity, entities);
  }

  private visible(p: Piece, entities: Record<string, Entity>): boolean {
    for (
      let q: Piece | undefined = p;
      q;
      q = q.parent ? (entities[q.parent] as Piece | undefined) : undefined
    )
      if (!q.shown) return false;
    return true;
  }

  private build(e: Entity): Shown | null {
    if (e.kind === 'piece') return this.piece(e);
    if (e.kind === 'camera') return { entity: e, object: this.cameraIcon(e) };
    if (e.kind === 'mark') return { entity: e, object: this.markIcon(e) };
    if (e.kind === 'path') return { entity: e, object: this.pathLine(e) };
    if (e.kind === 'light') return { entity: e, object: new THREE.Object3D() };
    return null;
  }

  private piece(p: Piece): Shown {
    const object = new THREE.Group();
    if (p.shape.kind === 'standIn') {
      const m = JSON.parse(theCore().standIn(p.id)) as {
        positions: number[];
        normals: number[];
        colours: number[];
        indices: number[];
      };
      const g = new THREE.BufferGeometry();
      g.setAttribute('position', new THREE.Float32BufferAttribute(m.positions, 3));
      g.setAttribute('normal', new THREE.Float32BufferAttribute(m.normals, 3));
      g.setAttribute('color', new THREE.Float32BufferAttribute(m.colours, 3));
      g.setIndex(m.indices);
      const mesh = new THREE.Mesh(
        g,
        new THREE.MeshStandardMaterial({ vertexColors: true, roughness: 0.85, side: THREE.DoubleSide }),
      );
      mesh.castShadow = mesh.receiveShadow = true;
      object.add(mesh);
    } else if (p.shape.kind === 'model') {
      const { asset, unitM } = p.shape;
      const model = needModel(asset, () => {
        for (const [id, s] of this.shown) {
          if (
            s.entity.kind !== 'piece' ||
            s.entity.shape.kind !== 'model' ||
            s.entity.shape.asset !== asset ||
            s.model
          )
            continue;
          s.object.removeFromParent();
          this.shown.delete(id);
        }
        this.seenVersion = -1;
        this.posed = '';
        this.draw();
      });
      if (model) {
        const instance = new ModelInstance(model, unitM);
        object.add(instance.root);
        return { entity: p, object, model: instance };
      }
    }
    return { entity: p, object };
  }

  private cameraIcon(c: Camera): THREE.Object3D {
    const o = new THREE.Group();
    const lines = new THREE.LineSegments(new THREE.BufferGeometry(), KITE_LINE(c.colour));
    lines.geometry.setAttribute('position', new THREE.Float32BufferAttribute(new Float32Array(16 * 3), 3));
    lines.frustumCulled = false;
    o.add(lines, label(c.letter, c.colour));
    return o;
  }

  /** The frustum to a fixed display distance, with a tick that says which way is up. */
  private frustum(
    o: THREE.Object3D,
    c: Camera,
    lens: Float64Array,
    slot: number,
    selected: boolean,
    live: boolean,
  ): void {
    const [l, r, b, t] = lens.subarray(slot * LENS + 8, slot * LENS + 12);
    const d = selected ? 2.2 : 0.9;
    const p = [
      [l, t],
      [r, t],
      [r, b],
      [l, b],
    ].map(([x, y]) => [x * d, y * d, -d]);
    const all: number[] = [];
    for (let i = 0; i < 4; i++) all.push(0, 0, 0, ...p[i], ...p[i], ...p[(i + 1) % 4]);
    const lines = o.children[0] as THREE.LineSegments<THREE.BufferGeometry, THREE.LineBasicMaterial>;
    (lines.geometry.attributes.position as THREE.BufferAttribute).copyArray(all).needsUpdate = true;
    lines.material.color.set(selected ? '#f4ecdd' : c.colour);
    lines.material.opacity = live || selected ? 1 : 0.6;
  }

  private markIcon(m: Mark): THREE.Object3D {
    const o = new THREE.Group();
    const g = new THREE.BufferGeometry();
    const k = 0.25;
    g.setAttribute(
      'position',
      new THREE.Float32BufferAttribute([-k, 0, 0, k, 0, 0, 0, -k, 0, 0, k, 0, 0, 0, -k, 0, 0, k], 3),
    );
    const lines = new THREE.LineSegments(g, KITE_LINE('#37b6a8'));
    lines.userData.name = m.name;
    o.add(lines);
    return o;
  }

  private pathLine(p: Path): THREE.Object3D {
    const places = new Float64Array(3 * Math.max(2, Math.min(600, p.points.length * 24)));
    theCore().pathPlaces(p.id, places);
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
      new THREE.Line(g, KITE_LINE('#f2b441')),
      new THREE.Points(
        points,
        new THREE.PointsMaterial({ color: '#f2b441', size: 8, sizeAttenuation: false }),
      ),
    );
    return o;
  }

  private lightUp(l: Light, world: Float64Array, slot: number): void {
    const value = (name: string) => {
      const c = l.channels[name];
      return typeof c === 'number'
        ? c
        : (
            JSON.parse(theCore().channels(l.id, useSequence.getState().frame)) as {
              address: string;
              value: number;
            }[]
          ).find((x) => x.address === name)!.value;
    };
    const toSun = new THREE.Vector3(world[slot * 16 + 8], world[slot * 16 + 9], world[slot * 16 + 10]);
    this.sun.target.position.set(0, 0, -14);
    this.sun.position.copy(this.sun.target.position).addScaledVector(toSun, 100);
    this.sun.color.set(l.colour);
    this.sun.intensity = value('intensity') ?? 3;
    const air = value('skyIntensity') ?? 1;
    this.sky.material.uniforms.zenith.value.set(l.sky).multiplyScalar(air);
    this.sky.material.uniforms.horizon.value.set(l.horizon).multiplyScalar(air);
    this.air.color.set(l.sky).lerp(new THREE.Color(l.horizon), 0.5);
    this.air.groundColor.set(l.horizon).multiplyScalar(0.3);
    this.air.intensity = air * Math.PI * 0.8;
  }

  private outlineSelected(selected: string[]): void {
    const s = this.shown.get(selected[0]);
    this.outline.visible = s?.entity.kind === 'piece' && s.object.visible;
    if (this.outline.visible) {
      this.outline.box.setFromObject(s!.object);
      if (this.outline.box.isEmpty()) this.outline.visible = false;
      this.outline.updateMatrixWorld(true);
    }
  }

  /** What stands for an entity in the scene. */
  drawnAs(id: string): THREE.Object3D | undefined {
    return this.shown.get(id)?.object;
  }

  /** The entity under a ray: an icon if one is hit, else the nearest piece. */
  pick(ray: THREE.Raycaster): { id: string; point: THREE.Vector3 } | null {
    ray.layers.set(AIDS);
    ray.params.Line.threshold = 0.15;
    const icons = ray.intersectObjects(
      this.aids.children.filter((o) => o.userData.id),
      true,
    );
    ray.layers.set(0);
    const hit = icons[0] ?? ray.intersectObject(this.pieces, true).find((h) => this.shownAll(h.object));
    for (let o: THREE.Object3D | null = hit?.object ?? null; o; o = o.parent)
      if (o.userData.id) return { id: o.userData.id as string, point: hit.point };
    return null;
  }

  private shownAll(o: THREE.Object3D | null): boolean {
    for (; o; o = o.parent) if (!o.visible) return false;
    return true;
  }
}

/** The one stage of the page. */
export const stage = new Stage();
