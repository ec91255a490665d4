import * as THREE from 'three';

/**
 * A stand-in where it stands. It becomes a mesh in the scene only where it is drawn or looked at by itself: most of thousands
 * that are drawn at once never are, and making a mesh of each takes longer than drawing them.
 */
export class Standing {
  /** Where it stands in the world. */
  readonly matrix = new THREE.Matrix4();
  private mesh: THREE.Mesh | null = null;
  private seen = true;
  private onLayer = 0;

  constructor(
    readonly id: string,
    readonly geometry: THREE.BufferGeometry,
    readonly material: THREE.Material,
  ) {}

  get visible(): boolean {
    return this.seen;
  }

  set visible(seen: boolean) {
    this.seen = seen;
    if (this.mesh) this.mesh.visible = seen;
  }

  /** Who sees its mesh. */
  set layer(layer: number) {
    this.onLayer = layer;
    this.mesh?.layers.set(layer);
  }

  /** Takes 16 numbers, by columns, of an array for its matrix. */
  stand(world: Float64Array, at: number): void {
    this.matrix.fromArray(world, at);
    if (this.mesh) this.mesh.matrixWorldNeedsUpdate = true;
  }

  /** The box about it, along the axes of the world. */
  box(): THREE.Box3 {
    if (!this.geometry.boundingBox) this.geometry.computeBoundingBox();
    return new THREE.Box3().copy(this.geometry.boundingBox!).applyMatrix4(this.matrix);
  }

  /** Puts its mesh, made when that is first asked for, into a group that lies in the world as it is. */
  in(group: THREE.Group): THREE.Mesh {
    const mesh = (this.mesh ??= this.made());
    if (mesh.parent !== group) group.add(mesh);
    return mesh;
  }

  private made(): THREE.Mesh {
    const mesh = new THREE.Mesh(this.geometry, this.material);
    mesh.castShadow = mesh.receiveShadow = true;
    mesh.matrixAutoUpdate = false;
    mesh.matrix = this.matrix;
    mesh.matrixWorld.copy(this.matrix);
    mesh.visible = this.seen;
    mesh.layers.set(this.onLayer);
    mesh.userData.id = this.id;
    return mesh;
  }

  removeFromParent(): void {
    this.mesh?.removeFromParent();
  }
}
