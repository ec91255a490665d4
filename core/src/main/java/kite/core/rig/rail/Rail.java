package kite.core.rig.rail;

import java.util.List;
import kite.core.document.ChannelSpec;
import kite.core.document.Channels;
import kite.core.document.OrNull;
import kite.core.number.Unit;
import kite.core.rig.RigPart;

/**
 * Carries the stack along a path.
 *
 * @param path null while none is chosen; the part then changes nothing
 * @param guide the path that is faced, for {@code Facing.GUIDE}; null is along the travel
 * @param level keeps the carriage level to the world instead of transported with the path
 */
public record Rail(
    String id,
    boolean on,
    @OrNull String path,
    Facing facing,
    @OrNull String guide,
    boolean level,
    Channels channels)
    implements RigPart {
  public static final String KIND = "rail";

  @Override
  public String kind() {
    return KIND;
  }

  /** Which way the carriage faces. */
  public enum Facing {
    /** As the part below it. */
    KEEP,
    /** Along the travel, towards the point look-ahead metres on. */
    TRAVEL,
    /** Towards the point of a second path that has the same progress. */
    GUIDE
  }

  public static final ChannelSpec PROGRESS =
      ChannelSpec.of("progress", "Progress", Unit.PERCENT, 0, -10000, 10000);
  public static final ChannelSpec SIDE = ChannelSpec.metres("side", "Side");
  public static final ChannelSpec UP = ChannelSpec.metres("up", "Up");
  public static final ChannelSpec ALONG = ChannelSpec.metres("along", "Along");
  public static final ChannelSpec LOOK_AHEAD =
      ChannelSpec.of("lookAhead", "Look-ahead", Unit.METRES, 0, 0, ChannelSpec.FAR_M);
  public static final ChannelSpec BANK = ChannelSpec.of("bank", "Bank", Unit.FACTOR, 0, -4, 4);
  private static final List<ChannelSpec> SPECS =
      List.of(PROGRESS, SIDE, UP, ALONG, LOOK_AHEAD, BANK, STRENGTH);

  @Override
  public List<ChannelSpec> specs() {
    return SPECS;
  }

  @Override
  public Rail withChannels(Channels c) {
    return new Rail(id, on, path, facing, guide, level, c);
  }

  @Override
  public Rail withOn(boolean nowOn) {
    return new Rail(id, nowOn, path, facing, guide, level, channels);
  }
}
