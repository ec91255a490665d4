import type * as THREE from 'three';

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
  }
  busy = false;
}

async function make({ renderer: r, scene, parts, camera, target }: Drawing): Promise<void> {
  const gl = r.getContext() as WebGL2RenderingContext;
  if (gl.isContextLost()) return;
  const had = r.info.programs?.length ?? 0;
  r.setRenderTarget(target ?? null);
  for (const p of parts ?? [scene]) r.compile(p, camera, scene);
  r.setRenderTarget(null);
  if (r.info.programs?.length === had) return; // all were made for an earlier view
  const fence = gl.fenceSync(gl.SYNC_GPU_COMMANDS_COMPLETE, 0);
  gl.flush();
  const until = performance.now() + PATIENCE_MS;
  while (fence && !gl.isContextLost() && gl.getSyncParameter(fence, gl.SYNC_STATUS) !== gl.SIGNALED) {
    if (performance.now() > until) break;
    await wait(ASK_MS);
  }
  gl.deleteSync(fence);
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
