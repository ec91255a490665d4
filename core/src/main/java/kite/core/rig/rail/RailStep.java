package kite.core.rig.rail;

import java.util.Arrays;
import kite.core.curve.CompiledCurve;
import kite.core.document.Channels;
import kite.core.evaluate.Plan;
import kite.core.evaluate.Sight;
import kite.core.evaluate.Step;
import kite.core.math.ArcTrig;
import kite.core.math.Matrix;
import kite.core.math.Rotation;
import kite.core.math.Trig;
import kite.core.path.PathTable;
import kite.core.rig.RigPart;

/** A carriage on a path. */
final class RailStep implements Step {
  /** A look ahead of no more than this, metres, has no direction. */
  private static final double NO_WAY_M = 1e-6;

  /** A travel whose part across the upright is no longer than this goes along it. */
  private static final double ALONG_UPRIGHT = 1e-12;

  private static final double GRAVITY = 9.80665;

  /** Bank is the mean lean over this many seconds, so that corners do not jerk the horizon. */
  private static final double BANK_SECONDS = 0.5;

  /** Leans that are kept, half frames. */
  private static final int LEANS = 256;

  /**
   * Carriages that are kept, whole frames: a spring above asks for the same ones time and again.
   */
  private static final int KEPT = 256;

  /** A kept carriage: its place, … */
  private static final int PLACE = 0;

  /** … its axes as in a transform, … */
  private static final int AXES = 3;

  /** … how many numbers of a transform those are, … */
  private static final int AXES_SIZE = Matrix.ZZ + 1;

  /** … its bank in radians, … */
  private static final int LEANING = AXES + AXES_SIZE;

  /** … and how many numbers that makes. */
  private static final int CARRIAGE = LEANING + 1;

  /** A carriage that faces aside is level beyond this angle from straight up or down … */
  private static final double STEEP = Trig.radians(20);

  /** … and takes its up along within this one. */
  private static final double STEEPEST = Trig.radians(8);

  private final double[] travel = new double[3];
  private final double[] turned = Matrix.newIdentity();
  private final double[] kept = new double[KEPT * CARRIAGE];
  private final int[] keptOf = new int[KEPT];
  private final int bankReach;
  private final double[] leans = new double[LEANS];
  private final int[] leanOf = new int[LEANS];

  private final CompiledCurve progress;
  private final CompiledCurve side;
  private final CompiledCurve upwards;
  private final CompiledCurve along;
  private final CompiledCurve lookAhead;
  private final CompiledCurve lean;
  private final CompiledCurve strength;
  private final PathTable path;
  private final PathTable guide;
  private final Rail.Facing facing;
  private final boolean level;
  private final double perSecond;
  private final double[] frameOf = Matrix.newIdentity();
  private double bank;
  private final double[] t = new double[3];
  private final double[] up = new double[3];
  private final double[] p = new double[3];
  private final double[] from = new double[4];
  private final double[] to = new double[4];

  /**
   * @param guide the path that is faced, or null
   */
  RailStep(Rail rail, PathTable path, PathTable guide, double perSecond) {
    this.guide = guide;
    Channels c = rail.channels();
    progress = c.compiled(Rail.PROGRESS);
    side = c.compiled(Rail.SIDE);
    upwards = c.compiled(Rail.UP);
    along = c.compiled(Rail.ALONG);
    lookAhead = c.compiled(Rail.LOOK_AHEAD);
    lean = c.compiled(Rail.BANK);
    strength = c.compiled(RigPart.STRENGTH);
    this.path = path;
    facing = rail.facing();
    level = rail.level();
    this.perSecond = perSecond;
    bankReach = Math.min(LEANS / 4, (int) Math.round(BANK_SECONDS * perSecond));
    Arrays.fill(leanOf, Integer.MIN_VALUE);
    Arrays.fill(keptOf, Integer.MIN_VALUE);
  }

  @Override
  public void apply(double frame, Plan plan, Sight sight, double[] m) {
    carriage(frame);
    double k = RigPart.STRENGTH.within(strength.value(frame));
    for (int i = 0; i < 3; i++) m[Matrix.OX + i] += (p[i] - m[Matrix.OX + i]) * k;
    if (facing != Rail.Facing.KEEP) {
      rolled(frameOf, bank);
      Rotation.toQuaternion(m, 0, from);
      Rotation.toQuaternion(frameOf, 0, to);
      Rotation.blend(from, to, k, from);
      Rotation.toMatrix(from, m, 0);
    } else if (bank != 0) {
      rolled(m, bank * k);
    }
  }

  /** Fills place, axes and bank of the carriage, which nothing below the rail has a part in. */
  private void carriage(double frame) {
    int whole = (int) frame, place = Math.floorMod(whole, KEPT), o = place * CARRIAGE;
    if (whole == frame && keptOf[place] == whole) {
      System.arraycopy(kept, o + PLACE, p, 0, 3);
      System.arraycopy(kept, o + AXES, frameOf, 0, AXES_SIZE);
      bank = kept[o + LEANING];
      return;
    }
    find(frame);
    if (whole != frame) return;
    System.arraycopy(p, 0, kept, o + PLACE, 3);
    System.arraycopy(frameOf, 0, kept, o + AXES, AXES_SIZE);
    kept[o + LEANING] = bank;
    keptOf[place] = whole;
  }

  private void find(double frame) {
    double metres = progress.value(frame) / 100 * path.length() + along.value(frame);
    double at = path.parameter(metres);
    path.place(at, p, 0);
    lookAlong(metres, at, frame);
    axes(at);
    for (int i = 0; i < 3; i++)
      p[i] =
          frameOf[Matrix.XX + i] * side.value(frame)
              + frameOf[Matrix.YX + i] * upwards.value(frame)
              + p[i];
    if (facing == Rail.Facing.GUIDE && guide != null) {
      towardsGuide(progress.value(frame) / 100);
      axes(at);
    }
    bank = lean.value(frame) == 0 ? 0 : bank(frame) * lean.value(frame);
  }

  private void lookAlong(double metres, double at, double frame) {
    double ahead = lookAhead.value(frame);
    path.travel(at, t, 0);
    if (ahead <= 0 || path.length() == 0) return;
    double[] there = up;
    path.place(path.parameter(metres + ahead), there, 0);
    double x = there[0] - p[0], y = there[1] - p[1], z = there[2] - p[2];
    double l = Math.sqrt(x * x + y * y + z * z);
    if (l < NO_WAY_M) return; // at the end of an open path: the last direction holds
    t[0] = x / l;
    t[1] = y / l;
    t[2] = z / l;
  }

  /** Turns the heading from where the carriage is to the guide's point of the same progress. */
  private void towardsGuide(double progress) {
    guide.place(guide.parameter(progress * guide.length()), up, 0);
    double x = up[0] - p[0], y = up[1] - p[1], z = up[2] - p[2];
    double l = Math.sqrt(x * x + y * y + z * z);
    if (l < NO_WAY_M) return; // the paths meet: the travel's heading holds
    t[0] = x / l;
    t[1] = y / l;
    t[2] = z / l;
  }

  /** Fills the carriage's axes: −Z along the way it faces, +Y upright, +X to the right. */
  private void axes(double at) {
    if (level) path.level(at, up, 0);
    else path.upright(at, up, 0);
    path.travel(at, travel, 0);
    if (t[0] != travel[0] || t[1] != travel[1] || t[2] != travel[2]) faceAside();
    double x = t[1] * up[2] - t[2] * up[1],
        y = t[2] * up[0] - t[0] * up[2],
        z = t[0] * up[1] - t[1] * up[0];
    double l = Math.sqrt(x * x + y * y + z * z);
    if (l < ALONG_UPRIGHT) {
      x = l = 1;
      y = z = 0;
    }
    Matrix.identity(frameOf, 0);
    double rx = x / l, ry = y / l, rz = z / l, bx = -t[0], by = -t[1], bz = -t[2];
    frameOf[Matrix.XX] = rx;
    frameOf[Matrix.XY] = ry;
    frameOf[Matrix.XZ] = rz;
    frameOf[Matrix.ZX] = bx;
    frameOf[Matrix.ZY] = by;
    frameOf[Matrix.ZZ] = bz;
    frameOf[Matrix.YX] = by * rz - bz * ry;
    frameOf[Matrix.YY] = bz * rx - bx * rz;
    frameOf[Matrix.YZ] = bx * ry - by * rx;
  }

  /**
   * Takes up along as the carriage turns the shortest way from its travel to where it faces; a
   * level one is then levelled anew, the less the steeper it looks.
   */
  private void faceAside() {
    Rotation.between(travel[0], travel[1], travel[2], t[0], t[1], t[2], from);
    Rotation.toMatrix(from, turned, 0);
    double x = up[0], y = up[1], z = up[2];
    for (int i = 0; i < 3; i++)
      up[i] = turned[Matrix.XX + i] * x + turned[Matrix.YX + i] * y + turned[Matrix.ZX + i] * z;
    if (!level) return;
    double steep = ArcTrig.acos(Math.min(1, Math.abs(t[1])));
    double k = Math.max(0, Math.min(1, (steep - STEEPEST) / (STEEP - STEEPEST)));
    if (k == 0) return;
    // the angle about t from up to the world's up made square to t
    double by = ArcTrig.atan2(t[2] * up[0] - t[0] * up[2], up[1]) * k * k * (3 - 2 * k);
    double c = Trig.cos(by), s = Trig.sin(by);
    x = up[0];
    y = up[1];
    z = up[2];
    up[0] = c * x + s * (t[1] * z - t[2] * y);
    up[1] = c * y + s * (t[2] * x - t[0] * z);
    up[2] = c * z + s * (t[0] * y - t[1] * x);
  }

  /**
   * The lean into a corner, atan(v²κ/g), averaged over a stretch of time: between half frames it is
   * drawn straight, and what was found at one half frame serves its neighbours.
   */
  private double bank(double frame) {
    int k = (int) Math.floor(2 * frame);
    double t = 2 * frame - k, here = averaged(k);
    return t == 0 ? here : here + t * (averaged(k + 1) - here);
  }

  private double averaged(int halfFrame) {
    double sum = 0;
    for (int k = -bankReach; k <= bankReach; k++) sum += leanAt(halfFrame + k);
    return sum / (2 * bankReach + 1);
  }

  private double leanAt(int halfFrame) {
    int place = Math.floorMod(halfFrame, LEANS);
    if (leanOf[place] != halfFrame) {
      double f = halfFrame / 2.0;
      double v = (progress.slope(f) / 100 * path.length() + along.slope(f)) * perSecond;
      double metres = progress.value(f) / 100 * path.length() + along.value(f);
      leans[place] =
          ArcTrig.atan(v * v * path.planCurvature(path.roughParameter(metres)) / GRAVITY);
      leanOf[place] = halfFrame;
    }
    return leans[place];
  }

  private static void rolled(double[] m, double roll) {
    double cr = Trig.cos(roll), sr = Trig.sin(roll);
    for (int i = 0; i < 3; i++) {
      double x = m[Matrix.XX + i], y = m[Matrix.YX + i];
      m[Matrix.XX + i] = x * cr + y * sr;
      m[Matrix.YX + i] = y * cr - x * sr;
    }
  }
}
