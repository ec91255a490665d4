package kite.core.rig.base;

import java.util.List;
import kite.core.document.ChannelSpec;
import kite.core.document.Channels;
import kite.core.document.OrNull;
import kite.core.document.Place;
import kite.core.math.ArcTrig;
import kite.core.math.Matrix;
import kite.core.math.Rotation;
import kite.core.math.Trig;
import kite.core.rig.RigPart;

/**
 * The tripod: where the stack stands. When it rides something, its channels are measured in what it
 * takes from the ridden thing.
 *
 * @param rides a piece, mark or camera, or null to stand in the world
 */
public record Base(String id, boolean on, @OrNull String rides, Takes takes, Channels channels)
    implements RigPart {
  public static final String KIND = "base";

  @Override
  public String kind() {
    return KIND;
  }

  /** What a riding base takes from the thing it rides. */
  public enum Takes {
    POSITION,
    /** Position and the pan of its −Z; the horizon stays level. */
    HEADING,
    ALL;

    /**
     * A Z axis whose part along the ground is no longer than this points straight up or down and
     * has no heading.
     */
    private static final double NO_HEADING = 1e-9;

    /** Leaves of a ridden transform what is taken of it; scale never is. */
    public void leave(double[] m) {
      Matrix.makeRigid(m, 0);
      if (this == ALL) return;
      double x = m[Matrix.ZX], z = m[Matrix.ZZ], l = Trig.hypot(x, z);
      boolean heading = this == HEADING && l > NO_HEADING;
      Rotation.panTiltRoll(heading ? ArcTrig.atan2(x, z) : 0, 0, 0, m, 0);
    }
  }

  @Override
  public List<ChannelSpec> specs() {
    return Place.POSE;
  }

  @Override
  public Base withChannels(Channels c) {
    return new Base(id, on, rides, takes, c);
  }

  @Override
  public Base withOn(boolean nowOn) {
    return new Base(id, nowOn, rides, takes, channels);
  }
}
