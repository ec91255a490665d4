import * as THREE from 'three';

/** The grid on the ground: heavy lines a cell apart, fine lines between them near the middle. */
export class Grid {
  readonly group = new THREE.Group();
  private ruled = '';

  /**
   * Gives whether it is another than it was.
   *
   * @param lines fine ones from a heavy one to the next
   */
  rule(cellM: number, lines: number): boolean {
    const key = `${cellM}/${lines}`;
    if (key === this.ruled) return false;
    this.ruled = key;
    for (const old of this.group.children as THREE.GridHelper[]) old.geometry.dispose();
    this.group.clear();
    const cells = Math.max(8, Math.min(200, 2 * Math.round(30 / cellM)));
    this.add(cells, cellM, 0.3);
    if (lines > 1)
      this.add(Math.min(240, Math.max(2, Math.round(6 / cellM) * 2) * lines), cellM / lines, 0.11);
    return true;
  }

  private add(cells: number, step: number, opacity: number): void {
    const g = new THREE.GridHelper(cells * step, cells, 0x8fa3bf, 0x5d6f8a);
    Object.assign(g.material, { transparent: true, opacity, depthWrite: false });
    g.position.y = 0.002;
    this.group.add(g);
  }
}
