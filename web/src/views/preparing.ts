import type * as THREE from 'three';

/** How often the graphics side is asked whether it is done. */
const ASK_MS = 16;

/** After this long drawing waits for the rest: a graphics side that never says it is done holds nothing up for ever. */
const PATIENCE_MS = 10_000;

let last: Promise<void> = Promise.resolve();

const wait = (ms: number) => new Promise<void>((r) => setTimeout(r, ms));

/**
 * Has a scene's shaders made, one renderer after the other, without holding the page up: what is asked of the graphics side
 * while it makes them would wait for it, so it is only looked at how far it has come.
 *
 * @param wanted whether they are still asked for when their turn has come
 * @param target what the scene is drawn into; null for the canvas
 */
export function prepared(
  r: THREE.WebGLRenderer,
  scene: THREE.Scene,
  camera: THREE.Camera,
  wanted: () => boolean,
  target: THREE.WebGLRenderTarget | null = null,
): Promise<void> {
  last = last
    .then(() => (wanted() ? make(r, scene, camera, target) : undefined))
    .catch((e: unknown) => console.warn('Shaders are made when they are first drawn', e));
  return last;
}

async function make(
  r: THREE.WebGLRenderer,
  scene: THREE.Scene,
  camera: THREE.Camera,
  target: THREE.WebGLRenderTarget | null,
): Promise<void> {
  await wait(0); // views that open together get their contexts before the first shader is asked for
  const gl = r.getContext() as WebGL2RenderingContext;
  if (gl.isContextLost()) return;
  r.setRenderTarget(target); // what is drawn into a target has shaders of its own
  r.compile(scene, camera);
  r.setRenderTarget(null);
  const fence = gl.fenceSync(gl.SYNC_GPU_COMMANDS_COMPLETE, 0);
  gl.flush();
  const until = performance.now() + PATIENCE_MS;
  while (fence && !gl.isContextLost() && gl.getSyncParameter(fence, gl.SYNC_STATUS) !== gl.SIGNALED) {
    if (performance.now() > until) break;
    await wait(ASK_MS);
  }
  gl.deleteSync(fence);
  if (gl.isContextLost()) return;
  // what the first drawing would ask of them is asked now, while nothing is being drawn that it would wait for
  for (const p of r.info.programs ?? []) {
    p.getUniforms();
    p.getAttributes();
  }
}
