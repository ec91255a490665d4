import * as THREE from 'three';
import { drawnSoFar } from './drawnSoFar';

/** How often the graphics side is asked whether it is done. */
const ASK_MS = 16;

/** After this long drawing waits for the rest: a graphics side that never says it is done holds nothing up for ever. */
const PATIENCE_MS = 10_000;

const wait = (ms: number) => new Promise<void>((r) => setTimeout(r, ms));

/** What is to be drawn. */
export interface Drawing {
  renderer: THREE.WebGLRenderer;
  /** With the lights that all of it stands in. */
  scene: THREE.Scene;
  /** Of the scene, what is drawn; all of it where that is not said. */
  parts?: THREE.Object3D[];
  camera: THREE.Camera;
  /** What everything is drawn with, whatever it has of its own. */
  material?: THREE.Material;
  /** What it is drawn into, which needs shaders of its own; the canvas where that is not said. */
  target?: THREE.WebGLRenderTarget;
  /** Whether it is still wanted when its turn has come. */
  wanted: () => boolean;
  /** Whether it comes before what waits already. */
  first?: boolean;
}

interface Waiting extends Drawing {
  made: () => void;
}

const waiting: Waiting[] = [];
let busy = false;

/**
 * Has the shaders of a drawing made, one drawing after the other, without holding the page up: what is asked of the graphics side
 * while it makes them would wait for it, so it is only looked at how far it has come.
 */
export function prepared(d: Drawing): Promise<void> {
  return new Promise((made) => {
    if (d.first) waiting.unshift({ ...d, made });
    else waiting.push({ ...d, made });
    void work();
  });
}

/** Until every drawing that was asked for has its shaders. */
export async function allPrepared(): Promise<void> {
  while (busy || waiting.length) await wait(10 * ASK_MS);
}

/** Until what is drawn next by a renderer is drawn, if that is soon. */
async function nextPicture(r: THREE.WebGLRenderer): Promise<void> {
  for (let i = 0; i < 2; i++) await new Promise((on) => requestAnimationFrame(on));
  await done(r);
}

/** Until all is done that a renderer was asked for, looking now and then: asking outright would hold the page up. */
async function done(r: THREE.WebGLRenderer): Promise<void> {
  const drawn = drawnSoFar(r);
  const until = performance.now() + PATIENCE_MS;
  while (!drawn() && performance.now() < until) await wait(ASK_MS);
}

async function work(): Promise<void> {
  if (busy) return;
  busy = true;
  await wait(0); // views that open together get their contexts before the first shader is asked for
  for (let d = waiting.shift(); d; d = waiting.shift()) {
    try {
      if (d.wanted()) await make(d);
    } catch (e) {
      console.warn('Shaders are made when they are first drawn', e);
    }
    d.made();
    await wait(0); // it may ask for more before it is drawn
    // its first picture is the longest; what is asked for another view would wait for it
    if (waiting.length && waiting[0].renderer !== d.renderer) await nextPicture(d.renderer);
  }
  busy = false;
}

/** Has `work` done while all meshes of `parts` have the given material, if any. */
function wearing(material: THREE.Material | undefined, parts: THREE.Object3D[], work: () => void): void {
  const own: [THREE.Mesh, THREE.Material | THREE.Material[]][] = [];
  if (material)
    for (const p of parts)
      p.traverse((o) => {
        if (!(o instanceof THREE.Mesh)) return;
        own.push([o, o.material]);
        o.material = material;
      });
  try {
    work();
  } finally {
    for (const [mesh, was] of own) mesh.material = was;
  }
}

async function make({
  renderer: r,
  scene,
  parts = [scene],
  material,
  camera,
  target,
}: Drawing): Promise<void> {
  const gl = r.getContext() as WebGL2RenderingContext;
  if (gl.isContextLost()) return;
  const had = r.info.programs?.length ?? 0;
  r.setRenderTarget(target ?? null);
  wearing(material, parts, () => {
    for (const p of parts) r.compile(p, camera, scene);
  });
  r.setRenderTarget(null);
  if (r.info.programs?.length === had) return; // all were made for an earlier view
  await done(r);
  if (gl.isContextLost()) return;
  // what the first drawing would ask of them is asked now, while nothing is being drawn that it would wait for, and the
  // page goes on between one and the next
  for (const p of [...(r.info.programs ?? [])]) {
    p.getUniforms();
    p.getAttributes();
    await wait(0);
    if (gl.isContextLost()) return;
  }
}
