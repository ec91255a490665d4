package kite.core.document;

import java.util.List;
import kite.core.number.Unit;

/** Channels of a full placement: position, three angles, scale and pivot. */
public final class Place {
  /** A thing is scaled by no less than this; its inverse is the most. Both can be undone. */
  private static final double LEAST_SCALE = 1e-4;

  public static final ChannelSpec X = ChannelSpec.metres("x", "X");
  public static final ChannelSpec Y = ChannelSpec.metres("y", "Y");
  public static final ChannelSpec Z = ChannelSpec.metres("z", "Z");
  public static final ChannelSpec PAN = ChannelSpec.degrees("pan", "Pan");
  public static final ChannelSpec TILT = ChannelSpec.degrees("tilt", "Tilt");
  public static final ChannelSpec ROLL = ChannelSpec.degrees("roll", "Roll");
  public static final ChannelSpec SCALE_X = scale("scaleX", "Scale X");
  public static final ChannelSpec SCALE_Y = scale("scaleY", "Scale Y");
  public static final ChannelSpec SCALE_Z = scale("scaleZ", "Scale Z");
  public static final ChannelSpec PIVOT_X = ChannelSpec.metres("pivotX", "Pivot X");
  public static final ChannelSpec PIVOT_Y = ChannelSpec.metres("pivotY", "Pivot Y");
  public static final ChannelSpec PIVOT_Z = ChannelSpec.metres("pivotZ", "Pivot Z");

  public static final List<ChannelSpec> POSITION = List.of(X, Y, Z);
  public static final List<ChannelSpec> POSE = List.of(X, Y, Z, PAN, TILT, ROLL);

  /** Where {@link #FULL} begins with each group of its channels. */
  public static final int AT = 0;

  public static final int TURN = 3;
  public static final int SCALE = 6;
  public static final int PIVOT = 9;

  public static final List<ChannelSpec> FULL =
      List.of(X, Y, Z, PAN, TILT, ROLL, SCALE_X, SCALE_Y, SCALE_Z, PIVOT_X, PIVOT_Y, PIVOT_Z);

  private Place() {}

  /** A scale stays above zero, so that every placement can be undone by another. */
  private static ChannelSpec scale(String name, String label) {
    return ChannelSpec.of(name, label, Unit.FACTOR, 1, LEAST_SCALE, 1 / LEAST_SCALE);
  }
}
