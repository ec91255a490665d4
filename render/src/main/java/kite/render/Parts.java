package kite.render;

import java.util.Arrays;

/**
 * The light of one ray, by where it comes from: all parts together are what the eye sees. Linear
 * red, green, blue each. Reused; belongs to one thread.
 */
final class Parts {
  /** From the sky, thrown back dully. */
  final double[] ambient = new double[3];

  /** From the lights, thrown back dully. */
  final double[] diffuse = new double[3];

  /** From the lights, as highlights. */
  final double[] specular = new double[3];

  /** What is mirrored in a surface. */
  final double[] reflection = new double[3];

  /** From other surfaces, thrown back dully. */
  final double[] bounce = new double[3];

  /** What a surface gives off by itself. */
  final double[] emission = new double[3];

  /** Sky, background, haze and plates. */
  final double[] surroundings = new double[3];

  private final double[][] all = {
    ambient, diffuse, specular, reflection, bounce, emission, surroundings
  };

  /** What the lights would add where something stands in their way: no part of what is seen. */
  final double[] shadow = new double[3];

  /** For each lamp what of its light is diffuse, specular, and kept away by shadow. */
  final double[][] lampDiffuse, lampSpecular, lampShadow;

  private final double[][] allOfLamps;

  /**
   * @param lamps for which it is told apart, 0 for none
   */
  Parts(int lamps) {
    lampDiffuse = new double[lamps][3];
    lampSpecular = new double[lamps][3];
    lampShadow = new double[lamps][3];
    allOfLamps = new double[3 * lamps][];
    for (int i = 0; i < lamps; i++) {
      allOfLamps[3 * i] = lampDiffuse[i];
      allOfLamps[3 * i + 1] = lampSpecular[i];
      allOfLamps[3 * i + 2] = lampShadow[i];
    }
  }

  void clear() {
    for (double[] p : all) Arrays.fill(p, 0);
    Arrays.fill(shadow, 0);
    for (double[] p : allOfLamps) Arrays.fill(p, 0);
  }

  /** Lets a share of it through something that is seen instead of the rest. */
  void scale(double share) {
    for (double[] p : all) for (int i = 0; i < 3; i++) p[i] *= share;
    for (int i = 0; i < 3; i++) shadow[i] *= share;
    for (double[] p : allOfLamps) for (int i = 0; i < 3; i++) p[i] *= share;
  }

  /** What the eye sees. */
  void sum(double[] out) {
    for (int i = 0; i < 3; i++) {
      double s = 0;
      for (double[] p : all) s += p[i];
      out[i] = s;
    }
  }
}
