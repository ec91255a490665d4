package kite.core.document;

import kite.core.number.Unit;

/**
 * What a channel is: its name in the document, its label on the screen, its unit, where it starts
 * and what it may be. Limits are inclusive.
 */
public record ChannelSpec(
    String name, String label, Unit unit, double initial, double least, double most) {

  /** Farther than any set reaches, near enough that a double still resolves a hundredth of a mm. */
  public static final double FAR_M = 1e6;

  public static ChannelSpec metres(String name, String label) {
    return new ChannelSpec(name, label, Unit.METRES, 0, -FAR_M, FAR_M);
  }

  public static ChannelSpec degrees(String name, String label) {
    return new ChannelSpec(name, label, Unit.DEGREES, 0, -36000, 36000);
  }

  /** A value kept inside the limits: free handles and runs beyond the keys may leave them. */
  public double within(double v) {
    return Math.max(least, Math.min(most, v));
  }

  public static ChannelSpec of(
      String name, String label, Unit unit, double initial, double least, double most) {
    return new ChannelSpec(name, label, unit, initial, least, most);
  }
}
