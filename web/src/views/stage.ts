import * as THREE from 'three';
import type { Camera, Entity, Mark, Piece, Shape } from '../core/types';
import { whenLaid } from '../session/document';
import { core, evaluated, shownFrame, shownTake } from '../session/evaluated';
import { useSequence, type Hit } from '../session/state';
import { lensCamera } from '../session/view';
import { ActionLineDrawn } from './actionLine';
import { SkyDome } from './air';
import { cameraIcon, lightIcon, markIcon, measureLine, pathLine, shapeCamera } from './icons3d';
import type { Standing } from './atOnce';
import { Crowds } from './crowds';
import { coat } from './finishes';
import { Ghosts } from './ghosts';
import { RigHandles } from './rigHandles';
import { AIDS, CROWDED } from './layers';
import { Lighting } from './lighting';
import { ModelInstance, needModel } from './models';
import { standIn, standInMaterial } from './standIns';

interface Shown {
  entity: Entity;
  object: THREE.Object3D;
  model?: ModelInstance;
  /** The same object, where it is a stand-in. */
  standIn?: Standing;
  /** The piece it repeats, when it is an instance. */
  like?: Entity;
  /** Where a measurement was drawn from. */
  from?: [number, number, number];
}

/**
 * Takes something out of the scene, and what was made for it alone off the graphics side. Pieces share their meshes; materials
 * stay, with the shaders that the next of their kind is drawn with.
 */
function leave({ entity, object }: Shown): void {
  object.removeFromParent();
  if (entity.kind === 'piece') return;
  object.traverse((o) => {
    (o as THREE.Line).geometry?.dispose();
    if (o instanceof THREE.Sprite) o.material.map?.dispose();
  });
}

/** Whether a matrix is another than 16 numbers of an array. */
function differs(m: number[], world: Float64Array, at: number): boolean {
  for (let i = 0; i < 16; i++) if (m[i] !== world[at + i]) return true;
  return false;
}

/** The scene both views draw, kept in step with the sequence. */
export class Stage {
  readonly scene = new THREE.Scene();
  readonly pieces = new THREE.Group();
  readonly crowds = new Crowds(new THREE.Mesh(new THREE.BufferGeometry(), standInMaterial));
  readonly aids = new THREE.Group();
  readonly ghosts = new Ghosts();
  readonly rigHandles = new RigHandles();
  private readonly actionLine = new ActionLineDrawn();
  private readonly shown = new Map<string, Shown>();
  private readonly dome = new SkyDome();
  private readonly lighting = new Lighting(this.dome);
  private grid = new THREE.Group();
  private gridSeen = '';
  private readonly outline = new THREE.Box3Helper(new THREE.Box3(), 0xf4ecdd);
  private readonly listeners = new Set<() => void>();
  private readonly hurried = new Set<() => void>();
  /** Made before they are shown; what never is goes with its entity. */
  private readonly prepared = new WeakMap<Entity, Shown>();
  /** Frame, version, selection, isolation and camera that the scene was last brought to. */
  private seen: unknown[] = [];

  /** Grows whenever shadows may fall elsewhere: a renderer that drew an older one draws them anew. */
  shadows = 0;

  constructor() {
    whenLaid({
      prepare: (coming) => this.prepare(coming),
      draw: () => {
        for (const f of this.hurried) f();
      },
    });
    Object.assign(this.outline.material, { depthTest: false, transparent: true });
    this.outline.renderOrder = 8;
    this.outline.visible = false;
    this.aids.add(this.outline, this.ghosts.group, this.rigHandles.group, this.actionLine.group);
    this.scene.add(this.dome.mesh, this.lighting.group, this.pieces, this.crowds.group, this.aids);
    this.toAids(this.aids);
    useSequence.subscribe((s, old) => {
      if (
        s.version !== old.version ||
        s.frame !== old.frame ||
        s.shot !== old.shot ||
        s.selected !== old.selected ||
        s.camera !== old.camera ||
        s.followCut !== old.followCut ||
        s.drawing !== old.drawing ||
        s.setTool !== old.setTool ||
        s.isolated !== old.isolated ||
        s.picking !== old.picking ||
        s.sharpTint !== old.sharpTint ||
        s.ghosts !== old.ghosts ||
        s.compared !== old.compared ||
        s.desk !== old.desk
      )
        this.draw();
    });
  }

  private toAids(o: THREE.Object3D): void {
    o.traverse((x) => x.layers.set(AIDS));
  }

  /** What lens views draw, beside plates. */
  get seenByLenses(): THREE.Object3D[] {
    return [this.dome.mesh, this.pieces, this.crowds.group];
  }

  /**
   * Calls back whenever there is something new to draw; gives the way out.
   *
   * @param now draws what was asked for, when it is to be drawn before the page does anything else
   */
  listen(ask: () => void, now: () => void = () => {}): () => void {
    this.listeners.add(ask);
    this.hurried.add(now);
    return () => {
      this.listeners.delete(ask);
      this.hurried.delete(now);
    };
  }

  draw(): void {
    for (const f of this.listeners) f();
  }

  /** Brings the scene to the present frame. Cheap when nothing changed. */
  update(): void {
    const s = useSequence.getState();
    if (this.ghosts.update()) this.toAids(this.ghosts.group);
    if (this.rigHandles.update()) this.toAids(this.rigHandles.group);
    const frame = shownFrame();
    const now = [frame, s.version, s.selected, s.isolated, lensCamera(s), shownTake()];
    if (this.seen.every((v, i) => v === now[i]) && this.seen.length) return; // the other view was first
    const frameChanged = this.seen[0] !== frame;
    const others = (this.seen[1] !== s.version || this.seen[3] !== s.isolated) && this.reconcile(s.entities);
    let moved = others || this.seen.length === 0;
    this.seen = now;
    const { world, lens } = evaluated();
    for (const { entity, object, model } of this.shown.values()) {
      const slot = core().slot(entity.id);
      if (slot < 0) continue;
      if (!moved && (entity.kind === 'piece' || entity.kind === 'light'))
        moved = (model !== undefined && frameChanged) || differs(object.matrix.elements, world, slot * 16);
      object.matrix.fromArray(world, slot * 16);
      object.matrixWorldNeedsUpdate = true;
      model?.pose(entity.id);
      if (entity.kind === 'camera')
        shapeCamera(object, entity, lens, slot, s.selected.includes(entity.id), lensCamera(s) === entity.id);
    }
    if (others) this.crowds.gather(this.standIns());
    if (moved) this.crowds.place();
    this.measureFromCameras(world);
    if (this.actionLine.update()) this.toAids(this.actionLine.group);
    this.lighting.update(s.entities, frame, world);
    this.ruleGrid(s.header.gridM, s.header.gridLines);
    this.scene.updateMatrixWorld();
    if (moved) this.shadows++;
    this.outlineSelected(s.selected);
  }

  /** A measurement from a camera follows it. */
  private measureFromCameras(world: Float64Array): void {
    for (const [id, s] of this.shown) {
      if (s.entity.kind !== 'measure' || !s.entity.camera) continue;
      const o = core().slot(s.entity.camera) * 16;
      const from: [number, number, number] = [world[o + 12], world[o + 13], world[o + 14]];
      if (s.from?.every((v, i) => v === from[i])) continue;
      leave(s);
      const object = measureLine(s.entity, from);
      object.userData.id = id;
      this.toAids(object);
      this.aids.add(object);
      this.shown.set(id, { entity: s.entity, object, from });
    }
  }

  /** Heavy lines a cell apart, fine lines between them near the middle. */
  private ruleGrid(cellM: number, lines: number): void {
    const key = `${cellM}/${lines}`;
    if (key === this.gridSeen) return;
    this.gridSeen = key;
    this.aids.remove(this.grid);
    this.grid = new THREE.Group();
    const rule = (cells: number, step: number, opacity: number) => {
      const g = new THREE.GridHelper(cells * step, cells, 0x8fa3bf, 0x5d6f8a);
      Object.assign(g.material, { transparent: true, opacity, depthWrite: false });
      g.position.y = 0.002;
      this.grid.add(g);
    };
    const cells = Math.max(8, Math.min(200, 2 * Math.round(30 / cellM)));
    rule(cells, cellM, 0.3);
    if (lines > 1) rule(Math.min(240, Math.max(2, Math.round(6 / cellM) * 2) * lines), cellM / lines, 0.11);
    this.aids.add(this.grid);
    this.toAids(this.grid);
  }

  /** Gives whether anything that casts shadows or light came, went, or was shown or hidden. */
  private reconcile(entities: Record<string, Entity>): boolean {
    let changed = false;
    for (const [id, s] of this.shown) {
      if (entities[id] === s.entity && (!s.like || entities[s.like.id] === s.like)) continue;
      leave(s);
      this.shown.delete(id);
      changed ||= s.entity.kind === 'piece' || s.entity.kind === 'light';
    }
    for (const e of Object.values(entities)) {
      if (this.shown.has(e.id)) continue;
      const s = this.prepared.get(e) ?? this.build(e);
      if (!s) continue;
      s.object.userData.id = e.id;
      if (e.kind === 'path' || e.kind === 'measure') {
        s.object.updateMatrix();
      } else s.object.matrixAutoUpdate = false;
      (e.kind === 'piece' ? this.pieces : this.aids).add(s.object);
      if (e.kind !== 'piece') this.toAids(s.object);
      this.shown.set(e.id, s);
      changed ||= e.kind === 'piece' || e.kind === 'light';
    }
    const hidden = new Set(core().hiddenPieces());
    for (const s of this.shown.values()) {
      const was = s.object.visible;
      if (s.entity.kind === 'piece')
        s.object.visible = !hidden.has(s.entity.id) && this.alone(s.entity, entities);
      if (s.entity.kind === 'light') s.object.visible = s.entity.shown;
      if (s.entity.kind === 'mark' || s.entity.kind === 'camera')
        s.object.visible = this.iconVisible(s.entity, entities);
      changed ||= s.object.visible !== was;
    }
    return changed;
  }

  /** Makes stand-ins that will be shown. */
  private prepare(coming: Entity[]): void {
    for (const e of coming)
      if (e.kind === 'piece' && e.shape.kind === 'standIn') this.prepared.set(e, this.piece(e));
  }

  private *standIns(): Iterable<Standing> {
    for (const s of this.shown.values()) if (s.standIn) yield s.standIn;
  }

  /** Whether a piece is among those that are seen alone, or in one of them. */
  private alone(p: Piece, entities: Record<string, Entity>): boolean {
    const pieces = useSequence.getState().isolated?.filter((id) => entities[id]?.kind === 'piece') ?? [];
    if (!pieces.length) return true;
    for (
      let q: Piece | undefined = p;
      q;
      q = q.parent ? (entities[q.parent] as Piece | undefined) : undefined
    )
      if (pieces.includes(q.id)) return true;
    return false;
  }

  private iconVisible(e: Mark | Camera, entities: Record<string, Entity>): boolean {
    const { isolated } = useSequence.getState();
    const layer = e.layer ? entities[e.layer] : undefined;
    if (!e.shown || (layer?.kind === 'layer' && !layer.shown)) return false;
    const icons = isolated?.filter((id) => entities[id]?.kind !== 'piece') ?? [];
    return icons.length === 0 || icons.includes(e.id);
  }

  private build(e: Entity): Shown | null {
    switch (e.kind) {
      case 'piece':
        return this.piece(e);
      case 'camera':
        return { entity: e, object: cameraIcon(e) };
      case 'mark':
        return { entity: e, object: markIcon(e) };
      case 'path':
        return { entity: e, object: pathLine(e) };
      case 'light':
        return { entity: e, object: lightIcon(e) };
      case 'measure':
        return { entity: e, object: measureLine(e, e.from), from: e.from };
      default:
        return null;
    }
  }

  private piece(p: Piece): Shown {
    const entities = useSequence.getState().entities;
    const like = p.shape.kind === 'instance' ? (entities[p.shape.of] as Piece | undefined) : undefined;
    const shape = like?.shape ?? p.shape;
    if (shape.kind === 'standIn') {
      const object = standIn(p, like, () => this.draw());
      return { entity: p, object, standIn: object, like };
    }
    const object = new THREE.Group();
    if (shape.kind === 'model') {
      const model = needModel(shape.asset, () => this.modelCame(shape.asset));
      if (model) {
        const instance = new ModelInstance(model, shape.unitM, shape.zUp);
        const finish = p.finish ?? like?.finish;
        if (finish) coat(instance.root, like ?? p, finish, () => this.draw());
        object.add(instance.root);
        return { entity: p, object, model: instance, like };
      }
    }
    return { entity: p, object, like };
  }

  /** Builds anew whatever waited for a model. */
  private modelCame(asset: string): void {
    const shapeOf = (e: Entity, like?: Entity): Shape | null =>
      like?.kind === 'piece' ? like.shape : e.kind === 'piece' ? e.shape : null;
    for (const [id, s] of this.shown) {
      const shape = shapeOf(s.entity, s.like);
      if (shape?.kind !== 'model' || shape.asset !== asset || s.model) continue;
      leave(s);
      this.shown.delete(id);
    }
    this.seen = [];
    this.draw();
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

  /** Takes haze and sky away for a view along an axis, or brings them back. */
  clearAir(on: boolean): void {
    this.dome.clear(on, shownFrame());
  }

  /** Takes haze alone away, or brings it back. */
  clearHaze(on: boolean): void {
    this.dome.clearHaze(on, shownFrame());
  }

  /** What stands for an entity in the scene. */
  drawnAs(id: string): THREE.Object3D | undefined {
    return this.shown.get(id)?.object;
  }

  /** The entity under a ray: an icon if one is hit, else the nearest piece. */
  pick(ray: THREE.Raycaster, surfaces = false): Hit | null {
    ray.layers.set(AIDS);
    ray.params.Line.threshold = 0.15;
    const icons = surfaces
      ? []
      : ray.intersectObjects(
          this.aids.children.filter((o) => o.userData.id),
          true,
        );
    ray.layers.set(0);
    ray.layers.enable(CROWDED);
    const hit = icons[0] ?? ray.intersectObject(this.pieces, true).find((h) => this.shownAll(h.object));
    for (let o: THREE.Object3D | null = hit?.object ?? null; o; o = o.parent)
      if (o.userData.id)
        return {
          id: o.userData.id as string,
          point: hit!.point.toArray(),
          normal: hit!.face
            ? hit!.face.normal.clone().transformDirection(hit!.object.matrixWorld).toArray()
            : null,
        };
    return null;
  }

  private shownAll(o: THREE.Object3D | null): boolean {
    for (; o; o = o.parent) if (!o.visible) return false;
    return true;
  }
}

/** The one stage of the page. */
export const stage = new Stage();
