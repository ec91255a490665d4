package kite.core.shape;

/**
 * Where a picture lies on a mesh that has no places of its own: whole on each side of the box about
 * it, upright, as seen from outside.
 */
public final class BoxPlaces {
  private static final int X = 0, Y = 1, Z = 2;

  private BoxPlaces() {}

  /** Two numbers for each corner, from the left and from the top, 0 to 1. */
  public static float[] of(Mesh m) {
    float[] p = m.positions(), n = m.normals(), places = new float[p.length / 3 * 2];
    float[] least = {Float.MAX_VALUE, Float.MAX_VALUE, Float.MAX_VALUE};
    float[] most = {-Float.MAX_VALUE, -Float.MAX_VALUE, -Float.MAX_VALUE};
    for (int i = 0; i < p.length; i++) {
      least[i % 3] = Math.min(least[i % 3], p[i]);
      most[i % 3] = Math.max(most[i % 3], p[i]);
    }
    for (int c = 0; c < p.length; c += 3) {
      float ax = Math.abs(n[c]), ay = Math.abs(n[c + 1]), az = Math.abs(n[c + 2]);
      int out = c / 3 * 2;
      if (ay >= ax && ay >= az) {
        places[out] = share(p[c + X], least[X], most[X]);
        places[out + 1] = turned(share(p[c + Z], least[Z], most[Z]), n[c + Y] < 0);
      } else {
        places[out] =
            ax >= az
                ? turned(share(p[c + Z], least[Z], most[Z]), n[c + X] > 0)
                : turned(share(p[c + X], least[X], most[X]), n[c + Z] < 0);
        places[out + 1] = 1 - share(p[c + Y], least[Y], most[Y]);
      }
    }
    return places;
  }

  private static float share(float v, float least, float most) {
    return most > least ? (v - least) / (most - least) : 0;
  }

  private static float turned(float share, boolean other) {
    return other ? 1 - share : share;
  }
}
