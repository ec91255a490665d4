package kite.core.math;

/**
 * What a motion that must stay upright rolls while it passes by its up axis.
 *
 * <p>At the axis itself upright has no limit: beside it, it turns by up to half a turn at once. So
 * a motion that comes within {@link #STEEP} of the axis is one passage, upright at both its ends;
 * between them it is carried by the least turning (parallel transport; Bishop, 1975), and the roll
 * that is then missing at the far end is given to it along the way, beginning and ending as an
 * upright motion rolls there.
 */
public final class PassageRoll {
  /** How near to the axis, radians, a passage begins. */
  public static final double STEEP = Trig.radians(20);

  public static final double STEEP_COS = Trig.cos(STEEP);

  /** Of two ways to roll, the longer is taken while it is no more than this times the way gone. */
  public static final double MOST = 8;

  private PassageRoll() {}

  /**
   * The roll to make up for: what was found, less whole turns that the way is too short for.
   *
   * @param found radians, followed along the passage
   * @param way how far the motion itself turns, radians
   */
  public static double missing(double found, double way) {
    double most = Math.max(Math.PI, MOST * way);
    double roll = found;
    while (roll > most) roll -= 2 * Math.PI;
    while (roll <= -most) roll += 2 * Math.PI;
    return roll;
  }

  /**
   * The roll made up for at a share of the way: the cubic from 0 to all of it (Hermite's).
   *
   * @param share 0–1
   * @param all radians
   * @param slopeIn how an upright motion rolls where the passage begins, radians per whole passage
   * @param slopeOut the same where it ends
   */
  public static double at(double share, double all, double slopeIn, double slopeOut) {
    double left = 1 - share;
    return all * share * share * (3 - 2 * share)
        + slopeIn * share * left * left
        - slopeOut * share * share * left;
  }
}
