package kite.core.optics;

import java.util.List;

/**
 * Film backs and sensors in common use, by the trade's own names. Where each size comes from stands
 * in docs/film-backs.md.
 */
public final class FilmBacks {

  /** A film back with the name the trade gives it. */
  public record NamedBack(String name, FilmBack back) {}

  public static final List<NamedBack> ALL =
      List.of(
          named("Full frame", 36.0, 24.0, 1),
          named("Super 35, 4-perf", 24.89, 18.66, 1),
          named("Super 35, 3-perf", 24.89, 13.87, 1),
          named("Super 35, digital 16:9", 24.89, 14.0, 1),
          named("Academy", 21.95, 16.0, 1),
          named("Anamorphic 2×", 21.95, 18.59, 2),
          named("Super 16", 12.52, 7.41, 1),
          named("16 mm", 10.26, 7.49, 1),
          named("65 mm, 5-perf", 52.48, 23.01, 1),
          named("65 mm, 15-perf", 70.41, 52.63, 1),
          named("Large format", 36.7, 25.54, 1),
          named("2/3-inch", 9.59, 5.39, 1));

  private FilmBacks() {}

  private static NamedBack named(String name, double width, double height, double squeeze) {
    return new NamedBack(name, new FilmBack(width, height, squeeze));
  }

  /** The trade's name of a size, or its measures where it has none. */
  public static String nameOf(FilmBack b) {
    String name = tradeNameOf(b);
    return name == null ? b.widthMm() + " × " + b.heightMm() + " mm" : name;
  }

  /** The trade's name of a size, or null. */
  public static String tradeNameOf(FilmBack b) {
    for (NamedBack n : ALL)
      if (n.back().widthMm() == b.widthMm() && n.back().heightMm() == b.heightMm()) return n.name();
    return null;
  }
}
