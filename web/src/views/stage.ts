import * as THREE from 'three';
import type { Camera, Entity, Mark, Piece } from '../core/types';
import { whenLaid } from '../session/document';
import { core, evaluated, shownFrame, shownTake } from '../session/evaluated';
import { rest } from '../session/rest';
import { useSequence, type Hit } from '../session/state';
import { lensCamera } from '../session/view';
import { ActionLineDrawn } from './actionLine';
import { SkyDome } from './air';
import { Crowds } from './crowds';
import { Ghosts } from './ghosts';
import { Grid } from './grid';
import { measureLine, shapeCamera } from './icons3d';
import { AIDS } from './layers';
import { Lighting } from './lighting';
import { metIcon, metPiece } from './met';
import { onScreen } from './onScreen';
import { RigHandles } from './rigHandles';
import { boxOf, leave, made, modelOf, type Coming, type Shown } from './shown';
import { Standing } from './standing';
import { standInMaterial } from './standIns';

/** Whether a matrix is another than 16 numbers of an array. */
function differs(m: number[], world: Float64Array, at: number): boolean {
  for (let i = 0; i < 16; i++) if (m[i] !== world[at + i]) return true;
  return false;
}

/** The scene both views draw, kept in step with the sequence. */
export class Stage {
  readonly scene = new THREE.Scene();
  readonly pieces = new THREE.Group();
  readonly crowds = new Crowds(this.pieces, {
    geometry: new THREE.BufferGeometry(),
    material: standInMaterial,
  });
  readonly aids = new THREE.Group();
  readonly ghosts = new Ghosts();
  readonly rigHandles = new RigHandles();
  private readonly actionLine = new ActionLineDrawn();
  private readonly shown = new Map<string, Shown>();
  private readonly dome = new SkyDome();
  private readonly lighting = new Lighting(this.dome);
  private readonly grid = new Grid();
  private readonly outline = new THREE.Box3Helper(new THREE.Box3(), 0xf4ecdd);
  private readonly listeners = new Set<() => void>();
  /** Whether who draws it is told later. */
  private held = false;
  /** Frame, version, selection, isolation and camera that the scene was last brought to. */
  private seen: unknown[] = [];
  private readonly coming: Coming = {
    draw: () => this.draw(),
    model: (asset) => this.modelCame(asset),
  };
  /** What everything was last looked up in. */
  private world: Float64Array = new Float64Array(0);

  /** Grows whenever shadows may fall elsewhere: a renderer that drew an older one draws them anew. */
  shadows = 0;

  constructor() {
    whenLaid((show) => this.inTurns(show));
    Object.assign(this.outline.material, { depthTest: false, transparent: true });
    this.outline.renderOrder = 8;
    this.outline.visible = false;
    this.aids.add(
      this.grid.group,
      this.outline,
      this.ghosts.group,
      this.rigHandles.group,
      this.actionLine.group,
    );
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

  /** Calls back whenever there is something new to draw; gives the way out. */
  listen(ask: () => void): () => void {
    this.listeners.add(ask);
    return () => this.listeners.delete(ask);
  }

  draw(): void {
    if (this.held) return;
    for (const ask of this.listeners) ask();
  }

  /**
   * Draws what `show` brings in turns, between which the page hears and shows what else there is: its lists, the scene, and one
   * view after the other, each once the one before is on the screen.
   */
  private async inTurns(show: () => boolean): Promise<boolean> {
    this.held = true;
    let shown: boolean;
    try {
      shown = show();
    } finally {
      this.held = false;
    }
    if (!shown) return false;
    await rest();
    this.update();
    for (const ask of [...this.listeners]) {
      await onScreen();
      if (this.listeners.has(ask)) ask();
    }
    await onScreen();
    return true;
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
    const { world, lens } = evaluated();
    if (this.seen[1] !== s.version || this.world !== world) this.lookUp(world);
    let moved = others || this.seen.length === 0;
    this.seen = now;
    for (const { entity, object, model, slot } of this.shown.values()) {
      if (slot < 0) continue;
      if (!moved && (entity.kind === 'piece' || entity.kind === 'light'))
        moved = (model !== undefined && frameChanged) || differs(object.matrix.elements, world, slot * 16);
      if (object instanceof Standing) {
        object.stand(world, slot * 16);
        continue;
      }
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
    if (this.grid.rule(s.header.gridM, s.header.gridLines)) this.toAids(this.grid.group);
    this.scene.updateMatrixWorld();
    if (moved) this.shadows++;
    this.outlineSelected(s.selected);
  }

  /** Finds out where the core has everything in what it evaluates, which is an array of another size where that is more or less. */
  private lookUp(world: Float64Array): void {
    this.world = world;
    const asked = core();
    for (const s of this.shown.values()) s.slot = asked.slot(s.entity.id);
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
      this.shown.set(id, { ...s, object, from });
    }
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
      const s = made(e, this.coming);
      if (!s) continue;
      this.shown.set(e.id, s);
      if (!(s.object instanceof Standing)) this.put(s.object, e);
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

  private put(object: THREE.Object3D, e: Entity): void {
    object.userData.id = e.id;
    if (e.kind === 'path' || e.kind === 'measure') object.updateMatrix();
    else object.matrixAutoUpdate = false;
    (e.kind === 'piece' ? this.pieces : this.aids).add(object);
    if (e.kind !== 'piece') this.toAids(object);
  }

  private *standIns(): Iterable<Standing> {
    for (const { object } of this.shown.values()) if (object instanceof Standing) yield object;
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

  /** Builds anew whatever waited for a model. */
  private modelCame(asset: string): void {
    for (const [id, s] of this.shown) {
      if (s.model || modelOf(s) !== asset) continue;
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
      this.outline.box.copy(boxOf(s!));
      if (this.outline.box.isEmpty()) this.outline.visible = false;
      this.outline.updateMatrixWorld(true);
    }
  }

  /** Has the lights that come draw their shadows finely, however long that takes. */
  fineShadows(): void {
    this.lighting.fine = true;
  }

  /** Takes haze and sky away for a view along an axis, or brings them back. */
  clearAir(on: boolean): void {
    this.dome.clear(on, shownFrame());
  }

  /** Takes haze alone away, or brings it back. */
  clearHaze(on: boolean): void {
    this.dome.clearHaze(on, shownFrame());
  }

  /** What stands for an entity in the scene, by itself. */
  drawnAs(id: string): THREE.Object3D | undefined {
    const object = this.shown.get(id)?.object;
    return object instanceof Standing ? object.in(this.pieces) : object;
  }

  /** Where an entity stands in the world. */
  standsAt(id: string): THREE.Matrix4 | undefined {
    const object = this.shown.get(id)?.object;
    return object instanceof Standing ? object.matrix : object?.matrixWorld;
  }

  /** The box about what stands for an entity, along the axes of the world. */
  boxOf(id: string): THREE.Box3 | undefined {
    const s = this.shown.get(id);
    return s && boxOf(s);
  }

  /** The boxes about all pieces that are seen. */
  boxes(): THREE.Box3[] {
    return [...this.shown.values()].filter((s) => s.entity.kind === 'piece' && s.object.visible).map(boxOf);
  }

  /** The entity under a ray: an icon if one is hit, else the nearest piece. */
  pick(ray: THREE.Raycaster, surfaces = false): Hit | null {
    const icons = surfaces ? [] : this.aids.children.filter((o) => o.userData.id);
    const hit = metIcon(ray, icons) ?? metPiece(ray, this.pieces, this.crowds);
    return hit ? { id: hit.id, point: hit.point.toArray(), normal: hit.normal?.toArray() ?? null } : null;
  }
}

/** The one stage of the page. */
export const stage = new Stage();
