import * as THREE from 'three';
import { core } from '../session/evaluated';

/** Shared by every material that haze reaches. */
const uniforms = {
  hazeColour: { value: new THREE.Color(0, 0, 0) },
  haze: { value: new THREE.Vector2(0, 1) },
  sunMatte: { value: 0 },
};

/** The share of light that comes through, as the core's Haze has it: density and height in `haze`. */
const THROUGH = `
uniform vec3 hazeColour; uniform vec2 haze; uniform float sunMatte;
float hazeAmount(float y) { return y <= 0.0 ? y : haze.y * (1.0 - exp(-y / haze.y)); }
float hazeThrough(float fromY, float dirY, float metres) {
  if (haze.x <= 0.0) return 1.0;
  float toY = fromY + dirY * metres;
  float loss = abs(dirY) < 1e-4 ? metres * exp(-max(0.0, fromY) / haze.y) : (hazeAmount(toY) - hazeAmount(fromY)) / dirY;
  return exp(-haze.x * loss);
}`;

/**
 * Lights that shall not show as highlights are told by a decay a hair over 2 (point, spot) or by
 * `sunMatte`; their highlight is taken back after each light is added up.
 */
const LIGHTS = THREE.ShaderChunk.lights_fragment_begin
  .replace(/RE_Direct\( directLight,/g, 'vec3 plain = reflectedLight.directSpecular; RE_Direct( directLight,')
  .split('#pragma unroll_loop_end')
  .map((part) => {
    const matte = part.includes('pointLights[ i ]')
      ? 'pointLights[ i ].decay > 2.0000005'
      : part.includes('spotLights[ i ]')
        ? 'spotLights[ i ].decay > 2.0000005'
        : part.includes('directionalLights[ i ]')
          ? 'sunMatte > 0.5'
          : '';
    return matte && part.includes('vec3 plain')
      ? part.replace(
          /(vec3 plain = [^;]*; RE_Direct\([^;]*;)/,
          `{ $1 if (${matte}) reflectedLight.directSpecular = plain; }`,
        )
      : part;
  })
  .join('#pragma unroll_loop_end');

/** Decay of a light whose highlights are kept, and of one whose are taken back. */
export const DECAY = { glossy: 2, matte: 2.000001 };

/** Lets haze reach a material, in linear light, before it is turned to screen colours. */
export function hazed<M extends THREE.Material>(material: M): M {
  if (material.userData.hazed) return material;
  material.userData.hazed = true;
  material.onBeforeCompile = (shader) => {
    Object.assign(shader.uniforms, uniforms);
    shader.vertexShader = shader.vertexShader
      .replace('void main() {', 'varying vec3 hazeAt;\nvoid main() {')
      .replace(
        '#include <project_vertex>',
        `#include <project_vertex>
        vec4 stands = vec4(transformed, 1.0);
        #ifdef USE_INSTANCING
          stands = instanceMatrix * stands;
        #endif
        hazeAt = (modelMatrix * stands).xyz;`,
      );
    shader.fragmentShader = shader.fragmentShader
      .replace('void main() {', `varying vec3 hazeAt;\n${THROUGH}\nvoid main() {`)
      .replace('#include <lights_fragment_begin>', LIGHTS)
      .replace(
        '#include <opaque_fragment>',
        `#include <opaque_fragment>
        { vec3 way = hazeAt - cameraPosition; float metres = length(way);
          float through = hazeThrough(cameraPosition.y, way.y / max(metres, 1e-6), metres);
          gl_FragColor.rgb = mix(hazeColour, gl_FragColor.rgb, through); }`,
      );
  };
  material.customProgramCacheKey = () => 'hazed';
  return material;
}

/** The sky, or the plain background, seen through the haze. */
export class SkyDome {
  readonly mesh: THREE.Mesh<THREE.SphereGeometry, THREE.ShaderMaterial>;

  constructor() {
    this.mesh = new THREE.Mesh(
      new THREE.SphereGeometry(1, 32, 16),
      new THREE.ShaderMaterial({
        side: THREE.BackSide,
        depthWrite: false,
        uniforms: {
          ...uniforms,
          zenith: { value: new THREE.Color() },
          horizon: { value: new THREE.Color() },
          background: { value: new THREE.Color() },
          plain: { value: 0 },
        },
        vertexShader: `varying vec3 d; void main() { d = position; vec4 p = projectionMatrix * vec4(mat3(viewMatrix) * position, 1.0); gl_Position = p.xyww; }`,
        fragmentShader: `uniform vec3 zenith; uniform vec3 horizon; uniform vec3 background; uniform float plain; varying vec3 d;
          ${THROUGH}
          void main() { float y = normalize(d).y; vec3 c = mix(horizon, zenith, sqrt(max(0.0, y))) * (y < 0.0 ? max(0.35, 1.0 + y * 2.0) : 1.0);
          c = mix(c, background, plain);
          gl_FragColor = vec4(mix(hazeColour, c, hazeThrough(cameraPosition.y, y, 1e5)), 1.0);
          #include <colorspace_fragment>
          }`,
      }),
    );
    this.mesh.frustumCulled = false;
    this.mesh.renderOrder = -1;
  }

  /** Colours as #rrggbb with their strength. */
  sky(zenith: string, horizon: string, strength: number): void {
    this.mesh.material.uniforms.zenith.value.set(zenith).multiplyScalar(strength);
    this.mesh.material.uniforms.horizon.value.set(horizon).multiplyScalar(strength);
  }

  /** Takes haze and background from the core at a frame. */
  air(frame: number): void {
    const a = core().air(frame);
    uniforms.haze.value.set(a?.density ?? 0, a?.heightM ?? 1);
    uniforms.hazeColour.value.set(a?.colour ?? '#000000');
    this.mesh.material.uniforms.plain.value = a?.background ? 1 : 0;
    if (a?.background) this.mesh.material.uniforms.background.value.set(a.background);
  }

  /** Views along an axis stand far off: they see no haze, and plain grey instead of the sky. */
  clear(on: boolean, frame: number): void {
    this.mesh.visible = !on;
    if (on) uniforms.haze.value.set(0, 1);
    else this.air(frame);
  }

  /** Takes haze alone away, or brings it back. */
  clearHaze(on: boolean, frame: number): void {
    if (on) uniforms.haze.value.set(0, 1);
    else this.air(frame);
  }

  matteSun(matte: boolean): void {
    uniforms.sunMatte.value = matte ? 1 : 0;
  }
}
