package kite.core.optics;

import java.util.List;

/**
 * The lenses a production has with it.
 *
 * @param squeeze horizontal squeeze of all its lenses, 1 for spherical
 */
public record LensKit(String name, double squeeze, List<Lens> lenses) {
  /** A lens of this width across (in degrees of the delivered frame) or more is wide … */
  public static final double WIDE_DEGREES = 55;

  /** … one of this or less is long; between them it is normal. */
  public static final double LONG_DEGREES = 28;

  /** Kits made up for the demonstration; the names are ours. */
  public static final List<LensKit> STARTING =
      List.of(
          new LensKit(
              "Harbour primes",
              1,
              List.of(
                  prime(14, 2.8, 0.25),
                  prime(18, 2, 0.3),
                  prime(21, 2, 0.3),
                  prime(25, 1.8, 0.3),
                  prime(32, 1.8, 0.35),
                  prime(40, 1.8, 0.4),
                  prime(50, 1.8, 0.5),
                  prime(65, 1.8, 0.65),
                  prime(85, 1.8, 0.85),
                  prime(100, 2, 1),
                  prime(135, 2.4, 1.3))),
          new LensKit("Pier zoom", 1, List.of(new Lens(24, 290, 2.8, 1.2))),
          new LensKit(
              "Lighthouse anamorphics",
              2,
              List.of(
                  prime(32, 2.3, 0.9),
                  prime(40, 2.3, 0.9),
                  prime(50, 2.3, 1),
                  prime(75, 2.3, 1.1),
                  prime(100, 2.8, 1.3))));

  public LensKit {
    lenses = List.copyOf(lenses);
  }

  private static Lens prime(double mm, double stop, double closest) {
    return new Lens(mm, mm, stop, closest);
  }

  /** The lens for a focal length: a prime if one has just that, else a zoom; null when off kit. */
  public Lens lensFor(double focalLengthMm) {
    Lens found = null;
    for (Lens l : lenses) if (l.covers(focalLengthMm) && (found == null || l.isPrime())) found = l;
    return found;
  }

  /** wide, normal or long, from the angle of view across the delivered frame. */
  public static String reach(double degreesAcross) {
    return degreesAcross >= WIDE_DEGREES
        ? "wide"
        : degreesAcross <= LONG_DEGREES ? "long" : "normal";
  }
}
