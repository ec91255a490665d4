import * as THREE from 'three';
import { theCore } from '../core/load';

const TABLE = 1024;
const SAMPLES = 64;

/** Blur wider than this share of the picture's height is drawn at this width. */
const WIDEST = 0.09;

/**
 * Depth-of-field blur for the lens view. How wide each depth blurs is a table made by the core; this
 * pass only spreads each pixel over its disc, gathered along a golden-angle spiral.
 */
export class DepthOfFieldPass {
  private readonly target: THREE.WebGLRenderTarget;
  private readonly table = new Float32Array(TABLE);
  private readonly texture = new THREE.DataTexture(this.table, TABLE, 1, THREE.RedFormat, THREE.FloatType);
  private readonly scene = new THREE.Scene();
  private readonly flat = new THREE.OrthographicCamera(-1, 1, 1, -1, 0, 1);
  private readonly material: THREE.ShaderMaterial;

  constructor() {
    this.target = new THREE.WebGLRenderTarget(8, 8, {
      type: THREE.HalfFloatType,
      depthTexture: new THREE.DepthTexture(8, 8, THREE.UnsignedIntType),
      samples: 0,
    });
    this.target.depthTexture!.minFilter = this.target.depthTexture!.magFilter = THREE.NearestFilter;
    this.material = new THREE.ShaderMaterial({
      depthTest: false,
      uniforms: {
        colour: { value: this.target.texture },
        depth: { value: this.target.depthTexture },
        blur: { value: this.texture },
        size: { value: new THREE.Vector2() },
        clips: { value: new THREE.Vector2() },
        widest: { value: 0 },
      },
      vertexShader: 'varying vec2 at; void main() { at = uv; gl_Position = vec4(position.xy, 0.0, 1.0); }',
      fragmentShader: `
        uniform sampler2D colour; uniform sampler2D depth; uniform sampler2D blur;
        uniform vec2 size; uniform vec2 clips; uniform float widest; varying vec2 at;
        float inverseDepth(vec2 p) {
          float d = texture2D(depth, p).r;
          return (clips.y - d * (clips.y - clips.x)) / (clips.x * clips.y);
        }
        float radius(float inverse) { // in pixels
          float x = clamp(inverse * clips.x, 0.0, 1.0) * ${(TABLE - 1).toFixed(1)};
          float i = floor(x);
          float a = texelFetch(blur, ivec2(int(i), 0), 0).r;
          float b = texelFetch(blur, ivec2(min(int(i) + 1, ${TABLE - 1}), 0), 0).r;
          return min(mix(a, b, x - i), widest) * 0.5 * size.y;
        }
        void main() {
          float here = inverseDepth(at), own = radius(here), reach = widest * 0.5 * size.y;
          float total = 1.0 / max(1.0, 3.14159 * own * own); // the middle pixel counts for its share of its disc
          vec3 sum = texture2D(colour, at).rgb * total;
          for (int i = 1; i <= ${SAMPLES}; i++) {
            float k = float(i) / ${SAMPLES}.0, r = sqrt(k) * reach, a = float(i) * 2.39996323;
            vec2 p = at + vec2(cos(a), sin(a)) * r / size;
            float other = inverseDepth(p), spread = radius(other);
            if (other < here) spread = min(spread, own);
            float w = smoothstep(r - 1.0, r + 1.0, spread) * (reach * reach) / max(1.0, spread * spread) / ${SAMPLES}.0;
            sum += texture2D(colour, p).rgb * w; total += w;
          }
          gl_FragColor = vec4(sum / total, 1.0);
          #include <colorspace_fragment>
        }`,
    });
    this.scene.add(new THREE.Mesh(new THREE.PlaneGeometry(2, 2), this.material));
  }

  /** Draws a scene through a camera of the sequence with its blur. */
  render(
    renderer: THREE.WebGLRenderer,
    scene: THREE.Scene,
    camera: THREE.PerspectiveCamera,
    id: string,
  ): void {
    const size = renderer.getDrawingBufferSize(this.material.uniforms.size.value as THREE.Vector2);
    if (this.target.width !== size.x || this.target.height !== size.y) this.target.setSize(size.x, size.y);
    theCore().blurTable(id, this.table);
    this.texture.needsUpdate = true;
    let widest = 0;
    for (const b of this.table) widest = Math.max(widest, b);
    this.material.uniforms.widest.value = Math.min(WIDEST, widest);
    (this.material.uniforms.clips.value as THREE.Vector2).set(camera.near, camera.far);
    renderer.setRenderTarget(this.target);
    renderer.render(scene, camera);
    renderer.setRenderTarget(null);
    renderer.render(this.scene, this.flat);
  }
}
