package kite.core.document;

/**
 * What the surface of a piece is like, where it has one of its own: with the colour of the piece,
 * in place of what a stand-in or a model's file says.
 *
 * @param roughness 0 mirror-like to 1 matt
 * @param metal 0 to 1
 * @param glow how much light it gives off, as so many times its colour; 0 for none
 * @param picture SHA-256 of an image that its colour is multiplied with, or null
 */
public record Finish(double roughness, double metal, double glow, @OrNull String picture) {
  /** Brighter than this no surface is. */
  public static final double MOST_GLOW = 1000;
}
