import * as THREE from 'three';
import { theCore } from '../core/load';

const TABLE = 1024;
const SAMPLES = 96;

/** Blur wider than this share of the picture's height is drawn at this width. */
const WIDEST = 0.09;

/** How a picture is drawn through the pass. */
export interface Look {
  blurred: boolean;
  /** Whether what is sharp enough is tinted. */
  tinted: boolean;
  /** Whether a plate stands behind everything: it lies in the frame, where no lens blurs it. */
  still: boolean;
  /** How many times higher than the delivery frame the picture is. */
  wider: number;
  /** Draws more into the picture before it is blurred. */
  more: () => void;
}

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
      // a sample's colour and depth must be of one and the same pixel, or edges leak into wrong discs
      minFilter: THREE.NearestFilter,
      magFilter: THREE.NearestFilter,
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
        still: { value: 0 },
        sharp: { value: 0 },
      },
      vertexShader: 'varying vec2 at; void main() { at = uv; gl_Position = vec4(position.xy, 0.0, 1.0); }',
      fragmentShader: `
        uniform sampler2D colour; uniform sampler2D depth; uniform sampler2D blur;
        uniform vec2 size; uniform vec2 clips; uniform float widest; uniform float still; uniform float sharp; varying vec2 at;
        float inverseDepth(vec2 p) {
          float d = texture2D(depth, p).r;
          return (clips.y - d * (clips.y - clips.x)) / (clips.x * clips.y);
        }
        float radius(float inverse) { // in pixels
          if (still > 0.5 && inverse * clips.y < 1.0002) return 0.0;
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
          // two for each pixel of the widest disc are enough: a little blur costs little
          float samples = clamp(reach * reach * 6.0, 12.0, ${SAMPLES}.0);
          for (int i = 1; i <= ${SAMPLES}; i++) {
            if (float(i) > samples) break;
            float k = float(i) / samples, r = sqrt(k) * reach, a = float(i) * 2.39996323;
            vec2 p = at + vec2(cos(a), sin(a)) * r / size;
            float other = inverseDepth(p), spread = radius(other);
            if (other < here) spread = min(spread, own);
            float w = smoothstep(r - 1.0, r + 1.0, spread) * (reach * reach) / max(1.0, spread * spread) / samples;
            sum += texture2D(colour, p).rgb * w; total += w;
          }
          vec3 seen = sum / total;
          if (sharp > 0.0 && texture2D(depth, at).r < 1.0) {
            float x = clamp(here * clips.x, 0.0, 1.0) * ${(TABLE - 1).toFixed(1)};
            float wide = texelFetch(blur, ivec2(int(x + 0.5), 0), 0).r;
            if (wide <= sharp) seen = mix(seen, vec3(0.42, 0.22, 0.86), 0.34);
          }
          gl_FragColor = vec4(seen, 1.0);
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
    look: Look,
  ): void {
    const size = renderer.getDrawingBufferSize(this.material.uniforms.size.value as THREE.Vector2);
    if (this.target.width !== size.x || this.target.height !== size.y) this.target.setSize(size.x, size.y);
    theCore().blurTable(id, this.table);
    for (let i = 0; look.wider !== 1 && i < TABLE; i++) this.table[i] /= look.wider;
    this.texture.needsUpdate = true;
    let widest = 0;
    for (const b of this.table) widest = Math.max(widest, b);
    this.material.uniforms.widest.value = look.blurred ? Math.min(WIDEST, widest) : 0;
    this.material.uniforms.still.value = look.still ? 1 : 0;
    const { circleShare } = JSON.parse(theCore().lensReport(id)) as { circleShare: number };
    this.material.uniforms.sharp.value = look.tinted ? circleShare / look.wider : 0;
    (this.material.uniforms.clips.value as THREE.Vector2).set(camera.near, camera.far);
    renderer.setRenderTarget(this.target);
    renderer.render(scene, camera);
    look.more();
    renderer.setRenderTarget(null);
    renderer.render(this.scene, this.flat);
  }
}
