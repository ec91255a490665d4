package kite.render;

import kite.render.sample.Spread;
import kite.render.trace.SceneRay;

/**
 * Rays that pass what can be seen through: a blended surface stops as many of them as it covers.
 * Belongs to one thread.
 */
final class Seeing {
  /** Surfaces behind each other that a ray passes at the most. */
  private static final int MOST = 64;

  /** A ray goes on this share of its way behind what it passed. */
  private static final double BEHIND = 1e-6;

  private final Spread spread;
  private final Scene.Hit passed = new Scene.Hit();

  Seeing(Spread spread) {
    this.spread = spread;
  }

  /**
   * Shortens a ray to the first thing that stops it.
   *
   * @param choice number of the pair by which it is decided what does
   */
  boolean nearest(
      Scene scene,
      SceneRay r,
      double ox,
      double oy,
      double oz,
      double[] dir,
      double near,
      double far,
      int choice) {
    r.set(ox, oy, oz, dir[0], dir[1], dir[2], near, far);
    boolean met = scene.nearest(r);
    if (scene.allSolid()) return met;
    for (int i = 0; met && i < MOST && passes(scene, r, choice + i); i++) {
      double from = r.far() * (1 + BEHIND);
      if (from >= far) return false;
      r.set(ox, oy, oz, dir[0], dir[1], dir[2], from, far);
      met = scene.nearest(r);
    }
    return met;
  }

  /** Whether anything stops a ray on its way. */
  boolean blocked(
      Scene scene,
      SceneRay r,
      double ox,
      double oy,
      double oz,
      double[] dir,
      double far,
      int choice) {
    if (scene.allSolid()) return scene.blocked(r.set(ox, oy, oz, dir[0], dir[1], dir[2], 0, far));
    return nearest(scene, r, ox, oy, oz, dir, 0, far, choice);
  }

  private boolean passes(Scene scene, SceneRay r, int choice) {
    scene.meetTexture(r, passed);
    Material m = scene.placed(passed.placed).surface().material();
    if (m.isSolid()) return false;
    double covers = m.covers(passed.textureU, passed.textureV);
    if (covers >= 1) return false;
    if (covers <= 0) return true;
    spread.pair(choice);
    return spread.x >= covers;
  }
}
