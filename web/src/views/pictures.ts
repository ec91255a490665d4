import * as THREE from 'three';
import { at } from '../session/http';
import { say } from '../session/said';

/** A picture that could not be loaded is asked for again after this long. */
const AGAIN_MS = 4000;

/** Pictures of image assets, fetched when they are first asked for; those that failed are tried again. */
export class Pictures {
  private readonly textures = new Map<string, THREE.Texture | 'coming'>();

  /** Those whose failure was said: trying again is not said every time. */
  private readonly said = new Set<string>();

  /**
   * @param failed what is said when one does not come
   * @param prepare makes one as it is wanted, before it is given out
   * @param most that are kept at hand
   */
  constructor(
    private readonly failed: string,
    private readonly prepare: (t: THREE.Texture) => void,
    private readonly most: number,
  ) {}

  /** How many are on their way. */
  coming(): number {
    return [...this.textures.values()].filter((t) => t === 'coming').length;
  }

  /** The picture of an asset, or null until it is here; `ready` is called then. */
  get(asset: string, ready: () => void): THREE.Texture | null {
    const have = this.textures.get(asset);
    if (have) return have === 'coming' ? null : have;
    this.textures.set(asset, 'coming');
    new THREE.TextureLoader().load(
      at(`/api/assets/${asset}`),
      (t) => {
        t.colorSpace = THREE.SRGBColorSpace;
        this.prepare(t);
        this.textures.set(asset, t);
        this.letGo(asset);
        ready();
      },
      undefined,
      () => {
        if (!this.said.has(asset)) say(this.failed, true);
        this.said.add(asset);
        globalThis.setTimeout(() => {
          if (this.textures.get(asset) === 'coming') this.textures.delete(asset);
          ready();
        }, AGAIN_MS);
      },
    );
    return null;
  }

  /** Keeps no more than so many, and this one. */
  private letGo(kept: string): void {
    for (const [asset, old] of this.textures) {
      if (this.textures.size <= this.most) return;
      if (old === 'coming' || asset === kept) continue;
      old.dispose();
      this.textures.delete(asset);
    }
  }
}
