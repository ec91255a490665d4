package kite.render;

/**
 * The one material model: a base colour that is rough or smooth, metal or not.
 *
 * @param red linear base colour, multiplied with the corners' colours and the texture
 * @param roughness 0 mirror-like to 1 matt
 * @param metal 0 to 1
 * @param texture base colour image, or null
 */
public record Material(
    double red, double green, double blue, double roughness, double metal, Texture texture) {
  /** Stand-ins: their colour is in their corners. */
  public static final Material STAND_IN = new Material(1, 1, 1, 0.85, 0, null);
}
