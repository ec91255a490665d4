import * as THREE from 'three';
import { HATCH } from './layers';
import { prepared, type Drawing } from './preparing';

/** Draws, hatched, the parts of pieces that a camera's clips cut away. */
export class ClipHatch {
  private readonly eye = new THREE.PerspectiveCamera();
  private readonly uniforms = { clips: { value: new THREE.Vector2() } };
  private readonly material = new THREE.MeshBasicMaterial({ transparent: true, side: THREE.DoubleSide });

  constructor() {
    this.eye.matrixAutoUpdate = false;
    this.eye.matrixWorldAutoUpdate = false;
    this.eye.layers.set(HATCH);
    this.material.onBeforeCompile = (s) => {
      Object.assign(s.uniforms, this.uniforms);
      s.vertexShader = s.vertexShader
        .replace('void main() {', 'varying float along;\nvoid main() {')
        .replace('#include <project_vertex>', '#include <project_vertex>\nalong = -mvPosition.z;');
      s.fragmentShader = s.fragmentShader
        .replace('void main() {', 'varying float along; uniform vec2 clips;\nvoid main() {')
        .replace(
          '#include <opaque_fragment>',
          `#include <opaque_fragment>
          bool near = along < clips.x;
          if (!near && along < clips.y) discard;
          float stripe = mod(gl_FragCoord.x + (near ? 1.0 : -1.0) * gl_FragCoord.y, 9.0);
          gl_FragColor = vec4(near ? vec3(0.87, 0.19, 0.10) : vec3(0.88, 0.45, 0.04), stripe < 3.0 ? 0.85 : 0.14);
          gl_FragDepth = near ? 0.0 : 0.9999995; // over everything, or only where nothing stands`,
        );
    };
  }

  /** Has the shaders made that hatching the parts of a drawing needs. */
  prepare(d: Drawing): Promise<void> {
    return prepared({ ...d, material: this.material });
  }

  /** Adds the hatching to what `eye` has just drawn. */
  draw(
    renderer: THREE.WebGLRenderer,
    scene: THREE.Scene,
    eye: THREE.PerspectiveCamera,
    cut: THREE.Object3D[],
  ): void {
    const touched: THREE.Object3D[] = [];
    for (const o of cut)
      o.traverse((x) => {
        if (!(x instanceof THREE.Mesh)) return;
        x.layers.enable(HATCH);
        touched.push(x);
      });
    this.uniforms.clips.value.set(eye.near, eye.far);
    this.eye.matrixWorld.copy(eye.matrixWorld);
    this.eye.matrixWorldInverse.copy(eye.matrixWorldInverse);
    const p = eye.projectionMatrix.elements;
    const near = Math.min(0.01, eye.near * 0.2);
    const far = Math.max(1e4, eye.far * 20);
    this.eye.projectionMatrix.copy(eye.projectionMatrix);
    const e = this.eye.projectionMatrix.elements;
    e[0] = p[0];
    e[10] = -(far + near) / (far - near);
    e[14] = (-2 * far * near) / (far - near);
    this.eye.projectionMatrixInverse.copy(this.eye.projectionMatrix).invert();
    const auto = renderer.autoClear;
    const background = scene.overrideMaterial;
    renderer.autoClear = false;
    scene.overrideMaterial = this.material;
    renderer.render(scene, this.eye);
    scene.overrideMaterial = background;
    renderer.autoClear = auto;
    for (const o of touched) o.layers.disable(HATCH);
  }
}
