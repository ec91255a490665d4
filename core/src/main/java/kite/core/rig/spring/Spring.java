package kite.core.rig.spring;

import java.util.List;
import kite.core.document.ChannelSpec;
import kite.core.document.Channels;
import kite.core.number.Unit;
import kite.core.rig.RigPart;

/**
 * Follows the part below as if by a spring: late off the mark, and past the mark before it rests
 * where the damping is under 1.
 */
public record Spring(String id, boolean on, Channels channels) implements RigPart {
  public static final String KIND = "spring";

  @Override
  public String kind() {
    return KIND;
  }

  public static final ChannelSpec POSITION_HZ =
      ChannelSpec.of("positionHz", "Position follows at", Unit.HERTZ, 2, 0.05, 30);
  public static final ChannelSpec POSITION_DAMPING =
      ChannelSpec.of("positionDamping", "Position damping", Unit.FACTOR, 0.7, 0.05, 4);
  public static final ChannelSpec ROTATION_HZ =
      ChannelSpec.of("rotationHz", "Rotation follows at", Unit.HERTZ, 3, 0.05, 30);
  public static final ChannelSpec ROTATION_DAMPING =
      ChannelSpec.of("rotationDamping", "Rotation damping", Unit.FACTOR, 0.7, 0.05, 4);
  private static final List<ChannelSpec> SPECS =
      List.of(POSITION_HZ, POSITION_DAMPING, ROTATION_HZ, ROTATION_DAMPING, STRENGTH);

  @Override
  public List<ChannelSpec> specs() {
    return SPECS;
  }

  @Override
  public Spring withChannels(Channels c) {
    return new Spring(id, on, c);
  }

  @Override
  public Spring withOn(boolean nowOn) {
    return new Spring(id, nowOn, channels);
  }
}
