import { previewing } from '../session/document';

/** While something is dragged, costly pictures may take this share of the time. */
const SHARE = 0.1;

/** Keeps a costly picture out of a drag's way: it is made anew now and then, and on release. */
export class Paced {
  private done = 0;
  private costMs = 0;

  /** Makes it if it is time; gives whether it was made. */
  make(work: () => void): boolean {
    const start = performance.now();
    if (previewing() && start < this.done + this.costMs / SHARE) return false;
    work();
    this.done = performance.now();
    this.costMs = this.done - start;
    return true;
  }
}
