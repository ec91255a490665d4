package kite.core.evaluate;

import java.util.TreeSet;
import kite.core.curve.Channel;
import kite.core.curve.CurveEdits;
import kite.core.curve.Key;
import kite.core.document.Camera;
import kite.core.document.ChannelSpec;
import kite.core.document.Entity;
import kite.core.document.Light;
import kite.core.document.Mark;
import kite.core.document.Piece;
import kite.core.document.Place;
import kite.core.document.Sequence;
import kite.core.math.Matrix;
import kite.core.math.Rotation;
import kite.core.math.Trig;
import kite.core.math.Vec3;
import kite.core.model.Models;
import kite.core.rig.RigPart;
import kite.core.rig.base.Base;
import kite.core.rules.Refusal;

/**
 * Keeps a thing where it is in the world while what carries it changes. A fixed placement is kept
 * at the frame given; a keyed one at every one of its keys.
 */
public final class Placement {
  private Placement() {}

  /** A piece or light that is now carried by something else. */
  public static Entity keepNested(Sequence before, Sequence after, Entity thing, double frame) {
    Plan old = new Plan(before, Models.NONE), now = new Plan(after, Models.NONE);
    Entity result = after.get(thing.id());
    String parent = result instanceof Light l ? l.parent() : ((Piece) result).parent();
    TreeSet<Double> frames = keyFrames(thing, "", frame);
    double[] last = null;
    for (double f : frames) {
      old.evaluate(f);
      now.evaluate(f);
      double[] want = matrix(old, thing.id());
      double[] carrier = parent == null ? Matrix.newIdentity() : matrix(now, parent);
      double[] own = new double[Matrix.SIZE];
      Matrix.multiply(Matrix.newInverse(carrier, 0), 0, want, 0, own, 0);
      if (!(thing instanceof Piece piece)) {
        result = withPose(result, "", own, f, frames.size() > 1, last);
        last = pose(own);
        continue;
      }
      double[] scale = scaleOf(own, piece, after.get(parent));
      double[] turned = own.clone();
      for (int i = 0; i < 12; i++) if (i % 4 < 3) turned[i] /= scale[i / 4];
      double[] angles = Rotation.newAngles(piece.order(), turned, 0);
      for (int i = 0; i < 3; i++) {
        angles[i] = Trig.degrees(angles[i]);
        if (last != null) angles[i] = nearest(angles[i], last[i]);
      }
      last = angles;
      // the place is that of the origin when it is turned and scaled about the pivot
      double[] p = new double[3], about = new double[3];
      String[] pivots = {"pivotX", "pivotY", "pivotZ"}, turns = {"pan", "tilt", "roll"};
      for (int i = 0; i < 3; i++) p[i] = thing.channel(pivots[i]).at(f);
      Matrix.point(own, 0, p[0], p[1], p[2], about, 0);
      Vec3 at = new Vec3(about[0] - p[0], about[1] - p[1], about[2] - p[2]);
      result = withPosition(result, "", at, f, frames.size() > 1);
      for (int i = 0; i < 3; i++) result = set(result, turns[i], f, angles[i], frames.size() > 1);
      boolean keyScale =
          frames.size() > 1
              && hasKeys(thing, Place.SCALE_X.name(), Place.SCALE_Y.name(), Place.SCALE_Z.name());
      ChannelSpec[] specs = {Place.SCALE_X, Place.SCALE_Y, Place.SCALE_Z};
      for (int axis = 0; axis < 3; axis++)
        result = set(result, specs[axis].name(), f, scale[axis], keyScale);
    }
    return result;
  }

  /** How far from square two axes may be, as a cosine, before that is a shear. */
  private static final double SQUARE = 1e-6;

  /** The lengths of a transform's axes, where it is no more than a turn and three scales. */
  private static double[] scaleOf(double[] own, Piece piece, Entity parent) {
    Vec3[] axes = new Vec3[3];
    double[] scale = new double[3];
    for (int i = 0; i < 3; i++) {
      axes[i] = new Vec3(own[i * 4], own[i * 4 + 1], own[i * 4 + 2]);
      scale[i] = axes[i].length();
    }
    boolean sheared = false;
    for (int i = 0; i < 3; i++)
      sheared |= Math.abs(axes[i].unit().dot(axes[(i + 1) % 3].unit())) > SQUARE;
    if (sheared || axes[0].cross(axes[1]).dot(axes[2]) <= 0)
      throw new Refusal(
          "shear",
          piece.id(),
          "scaleX",
          "“"
              + piece.name()
              + "” cannot keep its place "
              + (parent == null ? "outside" : "in “" + parent.name() + "”")
              + ": unequal scales would leave it slanted. Give what carries it one scale for all"
              + " axes, or nest it without keeping its place.");
    return scale;
  }

  public static Mark keepMark(Sequence before, Sequence after, Mark mark, double frame) {
    Plan old = new Plan(before, Models.NONE), now = new Plan(after, Models.NONE);
    Mark result = (Mark) after.get(mark.id());
    TreeSet<Double> frames = keyFrames(mark, "", frame);
    for (double f : frames) {
      old.evaluate(f);
      now.evaluate(f);
      double[] carrier =
          result.rides() == null ? Matrix.newIdentity() : matrix(now, result.rides());
      double[] from = new double[3]; // the anchor it is measured from
      if (result.rides() != null && result.anchor() != null)
        now.anchor(result.rides(), result.anchor(), from);
      double[] back = Matrix.newInverse(carrier, 0);
      Vec3 p = Matrix.newPoint(back, 0, Matrix.newOrigin(matrix(old, mark.id()), 0));
      if (result.rides() != null && result.anchor() != null)
        p = p.minus(Matrix.newPoint(back, 0, new Vec3(from[0], from[1], from[2])));
      result = (Mark) withPosition(result, "", p, f, frames.size() > 1);
    }
    return result;
  }

  public static Camera keepBase(
      Sequence before, Sequence after, Camera camera, Base base, double frame) {
    Plan old = new Plan(onlyBase(before, camera, base), Models.NONE),
        now = new Plan(after, Models.NONE);
    Camera result = (Camera) after.get(camera.id());
    Base riding = (Base) result.part(base.id());
    TreeSet<Double> frames = keyFrames(camera, base.id() + "/", frame);
    double[] last = null;
    for (double f : frames) {
      old.evaluate(f);
      now.evaluate(f);
      double[] carrier =
          riding.rides() == null ? Matrix.newIdentity() : matrix(now, riding.rides());
      if (riding.rides() != null) riding.takes().leave(carrier);
      double[] own = new double[Matrix.SIZE];
      Matrix.multiply(Matrix.newInverse(carrier, 0), 0, matrix(old, camera.id()), 0, own, 0);
      result = (Camera) withPose(result, base.id() + "/", own, f, frames.size() > 1, last);
      last = pose(own);
    }
    return result;
  }

  /**
   * A sequence that let go of what was taken from it, with all that leaned on that where it was at
   * a frame: what it carried, what rode it, and cameras that looked at it.
   *
   * @param before with what is gone
   */
  public static Sequence keepAll(Sequence before, Sequence after, double frame) {
    after = keepCarried(before, after, frame);
    for (Entity e : before.entities().values())
      if (e instanceof Camera c && after.get(c.id()) != null && !after.get(c.id()).equals(c))
        after = keepStanding(before, after, c, frame);
    return after;
  }

  /**
   * Like {@link #keepAll}, of what was carried and what rode alone: where cameras look may change.
   */
  public static Sequence keepCarried(Sequence before, Sequence after, double frame) {
    for (Entity e : before.entities().values()) {
      if (after.get(e.id()) == null || after.get(e.id()).equals(e)) continue;
      Entity now = after.get(e.id());
      if (e instanceof Piece p && p.parent() != null && ((Piece) now).parent() == null
          || e instanceof Light l && l.parent() != null && ((Light) now).parent() == null)
        after = keptOr(before, after, e, frame);
      else if (e instanceof Mark m && m.rides() != null && ((Mark) now).rides() == null)
        after = after.with(keepMark(before, after, m, frame));
      else if (e instanceof Camera c) after = keepBases(before, after, c, frame);
    }
    return after;
  }

  /** What would be left slanted stands where it is put by what carries it no more. */
  private static Sequence keptOr(Sequence before, Sequence after, Entity e, double frame) {
    try {
      return after.with(keepNested(before, after, e, frame));
    } catch (Refusal slanted) {
      return after;
    }
  }

  private static Sequence keepBases(Sequence before, Sequence after, Camera c, double frame) {
    for (RigPart p : c.rig())
      if (p instanceof Base b
          && b.rides() != null
          && ((Camera) after.get(c.id())).part(b.id()) instanceof Base now
          && now.rides() == null) after = after.with(keepBase(before, after, c, b, frame));
    return after;
  }

  private static Sequence keepStanding(Sequence before, Sequence after, Camera c, double frame) {
    Plan was = new Plan(before, Models.NONE), is = new Plan(after, Models.NONE);
    was.evaluate(frame);
    is.evaluate(frame);
    double[] want = matrix(was, c.id()), have = matrix(is, c.id());
    double off = 0;
    for (int i = 0; i < Matrix.SIZE; i++) off = Math.max(off, Math.abs(want[i] - have[i]));
    if (off < SAME) return after;
    try {
      return Walking.stand(after, (Camera) after.get(c.id()), frame, want);
    } catch (Refusal stuck) {
      return after; // nothing of it can be moved: it stands where the rest of its stack says
    }
  }

  /** Transforms that differ by less than this, metres or axes, are the same. */
  private static final double SAME = 1e-9;

  private static Sequence onlyBase(Sequence s, Camera c, Base b) {
    return s.with(c.withRig(java.util.List.of(b.withOn(true))));
  }

  static double[] matrix(Plan plan, String id) {
    double[] m = new double[Matrix.SIZE];
    System.arraycopy(plan.world(), plan.slot(id) * Matrix.SIZE, m, 0, Matrix.SIZE);
    return m;
  }

  private static TreeSet<Double> keyFrames(Entity e, String prefix, double frame) {
    TreeSet<Double> frames = new TreeSet<>();
    for (String address : e.channelSpecs().keySet()) {
      boolean own = prefix.isEmpty() ? address.indexOf('/') < 0 : address.startsWith(prefix);
      if (own && e.channel(address) instanceof Channel.Curve c)
        for (Key k : c.keys()) frames.add(k.frame());
    }
    if (frames.isEmpty()) frames.add(frame);
    return frames;
  }

  private static boolean hasKeys(Entity e, String... addresses) {
    for (String a : addresses) if (e.channel(a) instanceof Channel.Curve) return true;
    return false;
  }

  private static double[] pose(double[] own) {
    double[] rigid = own.clone();
    Matrix.makeRigid(rigid, 0);
    double[] angles = Rotation.newPanTiltRoll(rigid, 0);
    for (int i = 0; i < 3; i++) angles[i] = Trig.degrees(angles[i]);
    return angles;
  }

  private static Entity withPosition(Entity e, String prefix, Vec3 p, double f, boolean key) {
    e = set(e, prefix + "x", f, p.x(), key);
    e = set(e, prefix + "y", f, p.y(), key);
    return set(e, prefix + "z", f, p.z(), key);
  }

  private static Entity withPose(
      Entity e, String prefix, double[] own, double f, boolean key, double[] last) {
    double[] a = pose(own);
    if (last != null) for (int i = 0; i < 3; i++) a[i] = nearest(a[i], last[i]);
    e = withPosition(e, prefix, Matrix.newOrigin(own, 0), f, key);
    e = set(e, prefix + "pan", f, a[0], key);
    e = set(e, prefix + "tilt", f, a[1], key);
    return set(e, prefix + "roll", f, a[2], key);
  }

  /** The same direction as {@code degrees}, by whole turns the nearest to {@code to}. */
  public static double nearest(double degrees, double to) {
    return degrees + 360 * Math.rint((to - degrees) / 360);
  }

  static Entity set(Entity e, String address, double f, double value, boolean key) {
    Channel old = e.channel(address);
    Channel now =
        key || old instanceof Channel.Curve
            ? CurveEdits.setValue(old, f, value)
            : Channel.fixed(value);
    return e.withChannel(address, now);
  }
}
