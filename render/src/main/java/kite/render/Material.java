package kite.render;

import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;
import kite.core.document.Finish;

/**
 * The one material model: a base colour that is rough or smooth, metal or not, that may be seen
 * through and give off light.
 *
 * @param red linear base colour, multiplied with the corners' colours and the texture
 * @param roughness 0 mirror-like to 1 matt
 * @param metal 0 to 1
 * @param texture base colour image, or null
 * @param shine image whose green is multiplied with the roughness and whose blue with the metal, or
 *     null
 * @param relief how its normals are turned, or null
 */
public record Material(
    double red,
    double green,
    double blue,
    double roughness,
    double metal,
    Texture texture,
    Texture shine,
    Relief relief,
    SeeThrough seeThrough,
    Glow glow) {

  /**
   * @param texture directions as colours, in the axes of the texture's places
   * @param scale of its slopes
   */
  public record Relief(Texture texture, double scale) {}

  /**
   * How far a surface lets through what is behind it.
   *
   * @param alpha what it covers, 0 to 1, multiplied with the alpha of its texture
   */
  public record SeeThrough(Kind kind, double alpha, double cutOff) {
    /** How alpha is taken. */
    public enum Kind {
      /** Not at all. */
      SOLID,
      /** There from {@code cutOff} on, else not. */
      CUT_OUT,
      /** By its share. */
      BLENDED
    }

    public static final SeeThrough NOT = new SeeThrough(Kind.SOLID, 1, 0);
  }

  /**
   * Light that a surface gives off by itself, linear.
   *
   * @param texture multiplied with it, or null
   */
  public record Glow(double red, double green, double blue, Texture texture) {
    public static final Glow NONE = new Glow(0, 0, 0, null);

    boolean isNone() {
      return red == 0 && green == 0 && blue == 0;
    }
  }

  /**
   * A surface of a piece's own.
   *
   * @param colour of the piece, linear
   * @param inCorners whether its colour is in its corners already
   * @param picture of the finish, or null
   */
  static Material of(Finish f, double[] colour, boolean inCorners, Texture picture) {
    double k = f.glow();
    return new Material(
        inCorners ? 1 : colour[0],
        inCorners ? 1 : colour[1],
        inCorners ? 1 : colour[2],
        f.roughness(),
        f.metal(),
        picture,
        null,
        null,
        SeeThrough.NOT,
        k == 0 ? Glow.NONE : new Glow(k * colour[0], k * colour[1], k * colour[2], picture));
  }

  /** Stand-ins: their colour is in their corners. */
  public static final Material STAND_IN = new Material(1, 1, 1, 0.85, 0, null);

  /** One that is solid, even and dark by itself. */
  public Material(
      double red, double green, double blue, double roughness, double metal, Texture texture) {
    this(red, green, blue, roughness, metal, texture, null, null, SeeThrough.NOT, Glow.NONE);
  }

  /** Every image that it has. */
  List<Texture> textures() {
    return Stream.of(texture, shine, relief == null ? null : relief.texture(), glow.texture())
        .filter(Objects::nonNull)
        .toList();
  }

  boolean isSolid() {
    return seeThrough.kind() == SeeThrough.Kind.SOLID;
  }

  /** What the surface covers at a place of its texture, 0 to 1. */
  double covers(double u, double v) {
    double a = seeThrough.alpha() * (texture == null ? 1 : texture.alpha(u, v));
    return switch (seeThrough.kind()) {
      case SOLID -> 1;
      case CUT_OUT -> a >= seeThrough.cutOff() ? 1 : 0;
      case BLENDED -> Math.min(1, a);
    };
  }
}
