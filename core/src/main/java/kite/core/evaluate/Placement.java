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
import kite.core.math.Vec3;
import kite.core.model.Models;
import kite.core.rig.Base;

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
      double[] scale = new double[3];
      for (int axis = 0; axis < 3; axis++)
        scale[axis] = new Vec3(own[axis * 4], own[axis * 4 + 1], own[axis * 4 + 2]).length();
      result = withPose(result, "", own, f, frames.size() > 1, last);
      last = pose(own);
      if (!(thing instanceof Piece)) continue;
      boolean keyScale =
          frames.size() > 1
              && hasKeys(thing, Place.SCALE_X.name(), Place.SCALE_Y.name(), Place.SCALE_Z.name());
      ChannelSpec[] specs = {Place.SCALE_X, Place.SCALE_Y, Place.SCALE_Z};
      for (int axis = 0; axis < 3; axis++)
        result = set(result, specs[axis].name(), f, scale[axis], keyScale);
    }
    return result;
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
      Vec3 p =
          Matrix.newPoint(
              Matrix.newInverse(carrier, 0), 0, Matrix.newOrigin(matrix(old, mark.id()), 0));
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
      if (riding.rides() != null) BaseStep.taken(riding.takes(), carrier);
      double[] own = new double[Matrix.SIZE];
      Matrix.multiply(Matrix.newInverse(carrier, 0), 0, matrix(old, camera.id()), 0, own, 0);
      result = (Camera) withPose(result, base.id() + "/", own, f, frames.size() > 1, last);
      last = pose(own);
    }
    return result;
  }

  private static Sequence onlyBase(Sequence s, Camera c, Base b) {
    return s.with(c.with(java.util.List.of(b.switched(true))));
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
    for (int i = 0; i < 3; i++) angles[i] = Math.toDegrees(angles[i]);
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
