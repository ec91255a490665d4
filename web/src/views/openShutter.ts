import * as THREE from 'three';

/** Moments of one exposure that a picture at rest is made of. A power of two. */
export const MOMENTS = 16;

/**
 * Where in the opening a moment lies, 0 to 1: each new one halves the widest gap, so that the picture is even after 2, 4, 8 …
 * (van der Corput's sequence, each in the middle of its stretch).
 */
export function shareOf(moment: number): number {
  let [share, half] = [0, 0.5];
  for (let m = moment; m > 0; m >>= 1, half /= 2) if (m & 1) share += half;
  return share + 0.5 / MOMENTS;
}

/** Lays the moments of an exposure over each other, in linear light: what is shown is their mean so far. */
export class OpenShutter {
  /** What each moment is drawn into. */
  readonly moment = target();
  private readonly sum = target();
  private readonly square = new THREE.PlaneGeometry(2, 2);
  private readonly flat = new THREE.OrthographicCamera(-1, 1, 1, -1, 0, 1);
  private readonly scene = new THREE.Scene();
  private readonly material = new THREE.ShaderMaterial({
    depthTest: false,
    depthWrite: false,
    transparent: true,
    blending: THREE.NormalBlending,
    uniforms: { colour: { value: null as THREE.Texture | null }, share: { value: 1 } },
    vertexShader: 'varying vec2 at; void main() { at = uv; gl_Position = vec4(position.xy, 0.0, 1.0); }',
    fragmentShader: `uniform sampler2D colour; uniform float share; varying vec2 at;
      void main() { gl_FragColor = vec4(texture2D(colour, at).rgb, share);
      #include <colorspace_fragment>
      }`,
  });
  private taken = 0;

  constructor() {
    this.scene.add(new THREE.Mesh(this.square, this.material));
  }

  /** Begins an exposure of as many pixels as are drawn on. */
  begin(renderer: THREE.WebGLRenderer): void {
    const size = renderer.getDrawingBufferSize(new THREE.Vector2());
    for (const t of [this.moment, this.sum])
      if (t.width !== size.x || t.height !== size.y) t.setSize(size.x, size.y);
    this.taken = 0;
  }

  /** Takes what was drawn into {@link moment}. */
  take(renderer: THREE.WebGLRenderer): void {
    this.taken++;
    this.draw(renderer, this.moment.texture, 1 / this.taken, this.sum);
  }

  /** Draws what was taken so far on the canvas. */
  show(renderer: THREE.WebGLRenderer): void {
    this.draw(renderer, this.sum.texture, 1, null);
  }

  private draw(
    renderer: THREE.WebGLRenderer,
    colour: THREE.Texture,
    share: number,
    into: THREE.WebGLRenderTarget | null,
  ): void {
    this.material.uniforms.colour.value = colour;
    this.material.uniforms.share.value = share;
    const cleared = renderer.autoClear;
    renderer.autoClear = false; // what lies below is kept
    renderer.setRenderTarget(into);
    renderer.render(this.scene, this.flat);
    renderer.setRenderTarget(null);
    renderer.autoClear = cleared;
  }

  dispose(): void {
    this.moment.dispose();
    this.sum.dispose();
    this.square.dispose();
    this.material.dispose();
  }
}

function target(): THREE.WebGLRenderTarget {
  return new THREE.WebGLRenderTarget(8, 8, {
    type: THREE.HalfFloatType,
    minFilter: THREE.NearestFilter,
    magFilter: THREE.NearestFilter,
  });
}
