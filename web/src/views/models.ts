import { drawnAnew } from '../session/document';
import { core } from '../session/evaluated';
import * as THREE from 'three';
import { at } from '../session/http';
import type { ModelReport } from '../session/modelReport';
import { clone } from 'three/addons/utils/SkeletonUtils.js';
import { say } from '../session/said';
import { hazed } from './air';

interface Model {
  scene: THREE.Object3D;
  report: ModelReport;
}

/** A model that could not be loaded is asked for again after this long. */
const AGAIN_MS = 4000;

/** Models whose failure was said: trying again is not said every time. */
const said = new Set<string>();

const loading = new Map<string, Promise<Model | null>>();
const known = new Map<string, Model>();

/** How many models are on their way. */
export const modelsComing = (): number => loading.size - known.size;

export const reportOf = (asset: string): ModelReport | undefined => known.get(asset)?.report;

/** Fetches a model and its rig once; `ready` is called when it can be shown. */
export function needModel(asset: string, ready: () => void): Model | undefined {
  const have = known.get(asset);
  if (have) return have;
  let promise = loading.get(asset);
  if (!promise) {
    promise = fetchModel(asset).catch((e: unknown) => {
      if (!said.has(asset))
        say(`A model could not be loaded: ${e instanceof Error ? e.message : e}. It is tried again.`, true);
      said.add(asset);
      globalThis.setTimeout(() => {
        loading.delete(asset); // whoever draws it asks again
        ready();
      }, AGAIN_MS);
      return null;
    });
    loading.set(asset, promise);
  }
  void promise.then((m) => m && ready());
  return undefined;
}

async function get(path: string): Promise<Response> {
  const r = await fetch(at(path));
  if (!r.ok) throw new Error(`the server answered ${r.status}`);
  return r;
}

/** A model that is here, and waits to be shown with those that come at the same time. */
interface Arrived {
  asset: string;
  rig: string;
  model: Model;
  shown: () => void;
  failed: (e: unknown) => void;
}

/** Models that arrive within this time are shown together: each showing evaluates and draws everything anew. */
const TOGETHER_MS = 250;

const arrived: Arrived[] = [];
let flush = 0;

/** Makes all that have arrived known to the core, which then has one new plan. */
function show(): void {
  clearTimeout(flush);
  flush = 0;
  const all = arrived.splice(0);
  for (const { asset, rig, model, failed } of all) {
    try {
      core().registerModel(asset, rig);
      known.set(asset, model);
    } catch (e) {
      failed(e);
    }
  }
  drawnAnew(); // sizes and anchors are known now
  for (const { shown } of all) shown();
}

async function fetchModel(asset: string): Promise<Model> {
  const [{ GLTFLoader }, file, rig, report] = await Promise.all([
    import('three/addons/loaders/GLTFLoader.js'),
    get(`/api/assets/${asset}`).then((r) => r.arrayBuffer()),
    get(`/api/assets/${asset}/rig`).then((r) => r.text()),
    get(`/api/assets/${asset}/report`).then((r) => r.json() as Promise<ModelReport>),
  ]);
  const gltf = await new GLTFLoader().parseAsync(file, '');
  gltf.scene.traverse((o) => {
    const node = gltf.parser.associations.get(o)?.nodes;
    if (node !== undefined) o.userData.node = report.fileNodes.indexOf(node);
    if (o instanceof THREE.Mesh) {
      o.castShadow = o.receiveShadow = true;
      for (const m of Array.isArray(o.material) ? o.material : [o.material]) hazed(m as THREE.Material);
      o.frustumCulled = !(o instanceof THREE.SkinnedMesh);
    }
  });
  const model = { scene: gltf.scene, report };
  await new Promise<void>((shown, failed) => {
    arrived.push({ asset, rig, model, shown, failed });
    if (arrived.length === modelsComing())
      show(); // none is waited for any more
    else flush ||= globalThis.setTimeout(show, TOGETHER_MS) as unknown as number;
  });
  return model;
}

let pose = new Float64Array(0);
const weights = new Float64Array(256);

/** One model in the scene: its nodes are posed by the core. */
export class ModelInstance {
  readonly root: THREE.Object3D;
  private readonly nodes: { object: THREE.Object3D; node: number }[] = [];

  constructor(
    private readonly model: Model,
    unitM: number,
    zUp: boolean,
  ) {
    this.root = clone(model.scene);
    this.root.scale.setScalar(unitM);
    if (zUp) this.root.rotation.x = -Math.PI / 2;
    this.root.traverse((o) => {
      const node = o.userData.node as number | undefined;
      if (node !== undefined && node >= 0) {
        o.matrixAutoUpdate = false;
        this.nodes.push({ object: o, node });
      }
    });
  }

  pose(piece: string): void {
    const size = this.model.report.fileNodes.length * 16;
    if (pose.length < size) pose = new Float64Array(size);
    core().modelPose(piece, pose);
    for (const { object, node } of this.nodes) {
      for (let i = 0; i < 16; i++) object.matrix.elements[i] = pose[node * 16 + i];
      object.matrixWorldNeedsUpdate = true;
      const mesh = object as THREE.Mesh;
      const meshes = mesh.isMesh
        ? [mesh]
        : (object.children as THREE.Mesh[]).filter((c) => c.isMesh && c.userData.node === undefined);
      for (const m of meshes) {
        if (!m.morphTargetInfluences?.length) continue;
        const n = core().modelWeights(piece, node, weights);
        for (let i = 0; i < n; i++) m.morphTargetInfluences[i] = weights[i];
      }
    }
  }
}
