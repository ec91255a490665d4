package kite.core.rig.arm;

import java.util.List;
import kite.core.document.ChannelSpec;
import kite.core.document.Channels;
import kite.core.number.Unit;
import kite.core.rig.RigPart;

/**
 * A crane or jib: the stack above sits at the end of an arm that starts at the part below and, at
 * rest, points ahead (−Z).
 *
 * @param level whether the head at its end keeps the tilt and roll it had; the swing always carries
 *     it round
 */
public record Arm(String id, boolean on, boolean level, Channels channels) implements RigPart {
  public static final String KIND = "arm";

  @Override
  public String kind() {
    return KIND;
  }

  public static final ChannelSpec LENGTH =
      ChannelSpec.of("length", "Length", Unit.METRES, 4, 0, 1000);

  /** Positive swings the arm to its left, as pan does. */
  public static final ChannelSpec SWING = ChannelSpec.degrees("swing", "Swing");

  /** Positive raises the arm's end. */
  public static final ChannelSpec LIFT = ChannelSpec.degrees("lift", "Lift");

  private static final List<ChannelSpec> SPECS = List.of(LENGTH, SWING, LIFT);

  @Override
  public List<ChannelSpec> specs() {
    return SPECS;
  }

  @Override
  public Arm withChannels(Channels c) {
    return new Arm(id, on, level, c);
  }

  @Override
  public Arm withOn(boolean nowOn) {
    return new Arm(id, nowOn, level, channels);
  }
}
