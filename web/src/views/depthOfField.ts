import * as THREE from 'three';
import { core } from '../session/evaluated';
import { prepared, type Drawing } from './preparing';

/** Samples of the widest disc at most: a wider one has a coarser grain. */
const SAMPLES = 256;

/** A disc as wide as the whole picture leaves nothing to be told apart: none is drawn wider. */
const WIDEST = 1;

/** How a picture is drawn through the pass. */
export interface Look {
  /** The widest disc of what is seen, in shares of the delivery height; 0 draws all sharp. */
  widest: number;
  /** Whether what is sharp enough is tinted. */
  tinted: boolean;
  /** Whether a plate stands behind everything: it lies in the frame, where no lens blurs it. */
  still: boolean;
  /** How many times higher than the delivery frame the picture is. */
  wider: number;
  /** Where the picture is drawn; on the canvas where that is not said. */
  into?: THREE.WebGLRenderTarget | null;
  /** Draws more into the picture before it is blurred. */
  more: () => void;
}

/**
 * Depth-of-field blur for the lens view. How wide each depth blurs the core says (`blur`); this
 * pass only spreads each pixel over its disc, gathered along a golden-angle spiral.
 */
export class DepthOfFieldPass {
  readonly target: THREE.WebGLRenderTarget;
  private readonly line = new Float64Array(2);
  private readonly scene = new THREE.Scene();
  private readonly flat = new THREE.OrthographicCamera(-1, 1, 1, -1, 0, 1);
  private readonly square = new THREE.PlaneGeometry(2, 2);
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
        blur: { value: new THREE.Vector2() },
        size: { value: new THREE.Vector2() },
        clips: { value: new THREE.Vector2() },
        widest: { value: 0 },
        still: { value: 0 },
        sharp: { value: 0 },
      },
      vertexShader: 'varying vec2 at; void main() { at = uv; gl_Position = vec4(position.xy, 0.0, 1.0); }',
      fragmentShader: `
        uniform sampler2D colour; uniform sampler2D depth; uniform vec2 blur;
        uniform vec2 size; uniform vec2 clips; uniform float widest; uniform float still; uniform float sharp; varying vec2 at;
        float inverseDepth(vec2 p) {
          float d = texture2D(depth, p).r;
          return (clips.y - d * (clips.y - clips.x)) / (clips.x * clips.y);
        }
        float wide(float inverse) { // shares of the picture's height
          return blur.x * abs(1.0 - inverse / blur.y);
        }
        float radius(float inverse) { // in pixels
          if (still > 0.5 && inverse * clips.y < 1.0002) return 0.0;
          return min(wide(inverse), widest) * 0.5 * size.y;
        }
        void main() {
          float here = inverseDepth(at), own = radius(here), reach = widest * 0.5 * size.y;
          float total = 1.0 / max(1.0, 3.14159 * own * own); // the middle pixel counts for its share of its disc
          vec3 sum = texture2D(colour, at).rgb * total;
          // evenly far apart outwards, each for the ring it stands on: small discs beside a wide one get theirs
          float samples = clamp(reach * 6.0, 12.0, ${SAMPLES}.0);
          for (int i = 1; i <= ${SAMPLES}; i++) {
            if (float(i) > samples) break;
            float k = (float(i) - 0.5) / samples, r = k * reach, a = float(i) * 2.39996323;
            vec2 p = at + vec2(cos(a), sin(a)) * r / size;
            float other = inverseDepth(p), spread = radius(other);
            if (other < here) spread = min(spread, own);
            float w = smoothstep(r - 1.0, r + 1.0, spread) * 2.0 * k * (reach * reach) / max(1.0, spread * spread) / samples;
            sum += texture2D(colour, p).rgb * w; total += w;
          }
          vec3 seen = sum / total;
          if (sharp > 0.0 && texture2D(depth, at).r < 1.0) {
            if (wide(here) <= sharp) seen = mix(seen, vec3(0.42, 0.22, 0.86), 0.34);
          }
          gl_FragColor = vec4(seen, 1.0);
          #include <colorspace_fragment>
        }`,
    });
    this.scene.add(new THREE.Mesh(this.square, this.material));
  }

  /** Has the shaders made that a drawing needs to go through the pass. */
  async prepare(d: Drawing): Promise<void> {
    await prepared({ ...d, target: this.target });
    await prepared({ ...d, scene: this.scene, parts: undefined, camera: this.flat });
  }

  /** Takes what it draws into off the graphics side. */
  dispose(): void {
    this.target.dispose();
    this.target.depthTexture!.dispose();
    this.square.dispose();
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
    core().blur(id, this.line);
    const [endless, focus] = this.line;
    (this.material.uniforms.blur.value as THREE.Vector2).set(endless / look.wider, focus);
    this.material.uniforms.widest.value = Math.min(WIDEST, look.widest / look.wider);
    this.material.uniforms.still.value = look.still ? 1 : 0;
    const { circleShare } = core().lensReport(id);
    this.material.uniforms.sharp.value = look.tinted ? circleShare / look.wider : 0;
    (this.material.uniforms.clips.value as THREE.Vector2).set(camera.near, camera.far);
    renderer.setRenderTarget(this.target);
    renderer.render(scene, camera);
    look.more();
    renderer.setRenderTarget(look.into ?? null);
    renderer.render(this.scene, this.flat);
    renderer.setRenderTarget(null);
  }
}
