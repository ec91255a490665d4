package kite.core.rig.attention;

import java.util.Arrays;
import kite.core.cue.CueTrack;
import kite.core.curve.CompiledCurve;
import kite.core.document.Place;
import kite.core.evaluate.Elsewhere;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Node;
import kite.core.evaluate.Plan;
import kite.core.evaluate.Sight;
import kite.core.evaluate.SubjectPoints;
import kite.core.math.Matrix;
import kite.core.math.Rotation;
import kite.core.math.Trig;
import kite.core.rig.RigPart;

/**
 * What an aim depends on at a frame, as one row of numbers: the frame being evaluated, and others
 * for the rules that look along the motion. Rows of whole frames are kept until something that the
 * owner leans on is no longer what it was.
 */
final class AimMoments {
  /** The incoming orientation, a quaternion. */
  static final int INCOMING = 0;

  /** The unit direction that is up. */
  static final int UP = 4;

  /** The unit direction, on the camera's axes, on which the subject is to lie. */
  static final int SEEN = 7;

  /** Roll about the line of sight, radians. */
  static final int ROLL = 10;

  /** How much of the aim is taken, 0–1: the part's strength times the sum of the shares. */
  static final int STRENGTH = 11;

  /** From the camera to each subject in metres, three numbers each. */
  static final int SUBJECTS = 12;

  /** Frames before the sequence's first and after its last over which motion is looked along. */
  private static final int HANDLES = 48;

  private final CompiledCurve across;
  private final CompiledCurve down;
  private final CompiledCurve roll;
  private final CompiledCurve strength;
  private final CueTrack track;
  private final SubjectPoints subjects;
  private final Attention.Up up;
  private final int upSlot;
  private final double[] shares;
  private final double[] point = new double[3];
  private final double[] q = new double[4];

  final int first;
  final int last;
  private Elsewhere owner;
  private Node[] madeWith;
  private double[][] kept;

  /**
   * The last rows between whole frames: a lens that is being solved asks for one again and again.
   */
  private final double[][] between = new double[4][];

  private final double[] betweenAt = {Double.NaN, Double.NaN, Double.NaN, Double.NaN};
  private int oldest;

  private final double[] now;
  private double nowAt = Double.NaN;
  private Plan plan;
  private double[] standing;
  private boolean away;
  private boolean gathering;
  private final double[] below = Matrix.newIdentity();
  private final double[] savedLens = new double[LensRow.SIZE];
  private final double[] savedStanding = Matrix.newIdentity();
  private final Sight savedSight = new Sight();

  AimMoments(Attention a, SubjectPoints subjects, int upSlot, double firstFrame, double lastFrame) {
    across = a.channels().compiled(Attention.ACROSS);
    down = a.channels().compiled(Attention.DOWN);
    roll = a.channels().compiled(Place.ROLL);
    strength = a.channels().compiled(RigPart.STRENGTH);
    track = a.track();
    this.subjects = subjects;
    this.upSlot = upSlot;
    up = a.up();
    shares = new double[subjects.count()];
    now = new double[SUBJECTS + 3 * subjects.count()];
    first = (int) Math.floor(firstFrame) - HANDLES;
    last = (int) Math.ceil(lastFrame) + HANDLES;
  }

  void standsOn(Elsewhere someone) {
    owner = someone;
  }

  /**
   * Begins a frame.
   *
   * @param m the transform the step stands on
   */
  double[] begin(double frame, Plan nowPlan, Sight sight, double[] m) {
    plan = nowPlan;
    standing = m;
    nowAt = frame;
    away = false;
    fill(frame, sight, m, now);
    return now;
  }

  /** The row of a frame that is looked at while another one is being evaluated. */
  double[] alone(double frame, Plan nowPlan, Sight sight, double[] m) {
    plan = nowPlan;
    double[] row = new double[now.length];
    fill(frame, sight, m, row);
    return row;
  }

  /** Whether the step is asked for while it looks at another frame itself. */
  boolean isGathering() {
    return gathering;
  }

  /** Brings back all that was evaluated elsewhere. */
  void end() {
    if (!away) return;
    away = false;
    plan.rerun(madeWith, nowAt);
    System.arraycopy(savedStanding, 0, standing, 0, Matrix.SIZE);
    System.arraycopy(savedLens, 0, plan.lens(), owner.owner().slot() * LensRow.SIZE, LensRow.SIZE);
    owner.sight().set(savedSight);
  }

  /** Whether frames other than the present one can be asked for. */
  boolean canLookAlong() {
    return owner != null && nowAt >= first && nowAt <= last;
  }

  /**
   * Whether what was found at other frames no longer holds, since the owner leans on other things;
   * it is then forgotten.
   */
  boolean isStale() {
    Node[] leans = plan.leansOn(owner.owner());
    if (Arrays.equals(leans, madeWith)) return false;
    madeWith = leans;
    kept = null;
    Arrays.fill(betweenAt, Double.NaN);
    return true;
  }

  /** The row of a frame; not to be changed. */
  double[] at(double frame) {
    // a lens that is solved with the aim is another one while the aim is looked for
    if (frame == nowAt && !owner.solvesLens()) return now;
    int whole = (int) frame;
    boolean keeps = whole == frame && whole >= first && whole <= last;
    if (kept == null) kept = new double[last - first + 1][];
    if (keeps && kept[whole - first] != null) return kept[whole - first];
    for (int i = 0; i < between.length; i++) if (betweenAt[i] == frame) return between[i];
    if (!away) {
      away = true;
      System.arraycopy(standing, 0, savedStanding, 0, Matrix.SIZE);
      System.arraycopy(
          plan.lens(), owner.owner().slot() * LensRow.SIZE, savedLens, 0, LensRow.SIZE);
      savedSight.set(owner.sight());
    }
    double[] row = new double[now.length];
    gathering = true;
    plan.rerun(madeWith, frame);
    owner.standing(frame, plan, below);
    gathering = false;
    fill(frame, owner.sight(), below, row);
    if (keeps) {
      kept[whole - first] = row;
    } else {
      between[oldest] = row;
      betweenAt[oldest] = frame;
      oldest = (oldest + 1) % between.length;
    }
    return row;
  }

  private void fill(double frame, Sight sight, double[] m, double[] row) {
    Rotation.toQuaternion(m, 0, q);
    System.arraycopy(q, 0, row, INCOMING, 4);
    upAxis(row);
    double cx = sight.left + across.value(frame) * (sight.right - sight.left);
    double cy = sight.top + down.value(frame) * (sight.bottom - sight.top);
    double cl = Math.sqrt(cx * cx + cy * cy + 1);
    row[SEEN] = cx / cl;
    row[SEEN + 1] = cy / cl;
    row[SEEN + 2] = -1 / cl;
    row[ROLL] = Trig.radians(roll.value(frame));
    track.shares(frame, shares);
    double total = 0;
    for (int i = 0; i < shares.length; i++) {
      total += shares[i];
      subjects.world(i, frame, plan, point);
      for (int k = 0; k < 3; k++) row[SUBJECTS + 3 * i + k] = point[k] - m[Matrix.OX + k];
    }
    row[STRENGTH] = Math.min(1, total) * RigPart.STRENGTH.within(strength.value(frame));
  }

  private void upAxis(double[] row) {
    row[UP] = row[UP + 2] = 0;
    row[UP + 1] = 1;
    if (up != Attention.Up.PIECE || upSlot < 0) return;
    int o = upSlot * Matrix.SIZE + Matrix.YX;
    double x = plan.world()[o], y = plan.world()[o + 1], z = plan.world()[o + 2];
    double l = Math.sqrt(x * x + y * y + z * z);
    if (l == 0) return;
    row[UP] = x / l;
    row[UP + 1] = y / l;
    row[UP + 2] = z / l;
  }
}
