package kite.core.document;

import kite.core.math.Vec3;

/**
 * A measurement that stays in the set.
 *
 * @param camera the camera it is taken from, or null when it runs from {@code from}
 * @param from metres in the world; not used when a camera is named
 */
public record Measure(String id, String name, @OrNull String camera, Vec3 from, Vec3 to)
    implements Entity {
  public static final String KIND = "measure";

  @Override
  public String kind() {
    return KIND;
  }

  @Override
  public Measure withName(String n) {
    return new Measure(id, n, camera, from, to);
  }
}
