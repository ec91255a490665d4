package kite.render;

import java.util.function.Supplier;
import kite.core.math.Matrix;
import kite.render.trace.SceneRay;

/** Whether something stands between a lens and a place. */
public final class Hidden {
  /** What is met so near to the place is what it lies on, metres. */
  private static final double ON_IT_M = 0.05;

  private final SceneRay ray = new SceneRay();

  /**
   * @param scene as it is on that frame; asked for only where a look is needed
   * @param world place and axes of the lens, 16 numbers from {@code at} on
   * @param place x, y, z in the world, from {@code of} on
   * @param nearM how far before the lens seeing begins
   */
  public boolean behind(
      Supplier<Scene> scene, double[] world, int at, double[] place, int of, double nearM) {
    double[] from = {world[at + Matrix.OX], world[at + Matrix.OY], world[at + Matrix.OZ]};
    double x = place[of] - from[0], y = place[of + 1] - from[1], z = place[of + 2] - from[2];
    double far = Math.sqrt(x * x + y * y + z * z);
    if (far - ON_IT_M <= nearM) return false;
    ray.set(from[0], from[1], from[2], x / far, y / far, z / far, nearM, far - ON_IT_M);
    return scene.get().blocked(ray);
  }
}
