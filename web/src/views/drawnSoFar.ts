import type * as THREE from 'three';

/** Gives what says whether all is drawn that was asked of a renderer until now; asking it waits for nothing. */
export function drawnSoFar(renderer: THREE.WebGLRenderer): () => boolean {
  const gl = renderer.getContext() as WebGL2RenderingContext;
  let fence = gl.fenceSync(gl.SYNC_GPU_COMMANDS_COMPLETE, 0);
  gl.flush();
  return () => {
    if (!fence) return true;
    if (!gl.isContextLost() && gl.getSyncParameter(fence, gl.SYNC_STATUS) !== gl.SIGNALED) return false;
    gl.deleteSync(fence);
    fence = null;
    return true;
  };
}
