import { drawnAnew } from '../session/document';
import * as THREE from 'three';
import { at } from '../session/http';
import type { ModelReport } from '../session/modelReport';
import { clone } from 'three/addons/utils/SkeletonUtils.js';
import { answer, theCore } from '../core/load';
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

async function fetchModel(asset: string): Promise<Model> {
  const [{ GLTFLoader }, file, rig, report] = await Promise.all([
    import('three/addons/loaders/GLTFLoader.js'),
    get(`/api/assets/${asset}`).then((r) => r.arrayBuffer()),
    get(`/api/assets/${asset}/rig`).then((r) => r.text()),
    get(`/api/assets/${asset}/report`).then((r) => r.json() as Promise<ModelReport>),
  ]);
  answer(theCore().registerModel(asset, rig));
  drawnAnew(); // the core has a new plan, which nothing has evaluated yet
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
  known.set(asset, model);
  drawnAnew(); // sizes and anchors are known now
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
    theCore().modelPose(piece, pose);
    for (const { object, node } of this.nodes) {
      for (let i = 0; i < 16; i++) object.matrix.elements[i] = pose[node * 16 + i];
      object.matrixWorldNeedsUpdate = true;
      const mesh = object as THREE.Mesh;
      const meshes = mesh.isMesh
        ? [mesh]
        : (object.children as THREE.Mesh[]).filter((c) => c.isMesh && c.userData.node === undefined);
      for (const m of meshes) {
        if (!m.morphTargetInfluences?.length) continue;
        const n = theCore().modelWeights(piece, node, weights);
        for (let i = 0; i < n; i++) m.morphTargetInfluences[i] = weights[i];
      }
    }
  }
}
