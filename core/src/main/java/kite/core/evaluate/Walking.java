package kite.core.evaluate;

import java.util.ArrayList;
import java.util.List;
import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.math.ArcTrig;
import kite.core.math.Matrix;
import kite.core.math.Rotation;
import kite.core.math.Trig;
import kite.core.math.Vec3;
import kite.core.model.Models;
import kite.core.rig.RigPart;
import kite.core.rig.attention.Attention;
import kite.core.rig.base.Base;
import kite.core.rig.framings.Framings;
import kite.core.rig.head.Head;
import kite.core.rig.rail.Rail;
import kite.core.rig.slide.Slide;
import kite.core.rules.Refusal;

/**
 * Turns "two metres to the left, ten degrees down" into values of the parts that carry it. Rotation
 * goes to the highest head, or to the base; travel to a slide standing on a rail, else to the
 * rail's own offsets, else to the base.
 */
public final class Walking {
  /** A gap of no more than this, metres, is rounding: the camera stands there. */
  private static final double THERE_M = 1e-12;

  /** A channel that would change by no more than this, in its unit, is left alone. */
  private static final double SAME_VALUE = 1e-10;

  private Walking() {}

  /**
   * What a camera is moved by, in its own axes.
   *
   * @param truck metres to its right
   * @param pedestal metres upwards
   * @param dolly metres forwards
   * @param pan degrees, with {@code tilt} and {@code roll}, added to those of what turns it
   */
  public record Step(
      double truck, double pedestal, double dolly, double pan, double tilt, double roll) {}

  /** The sequence with a camera moved at frame {@code f}. */
  public static Sequence walk(Sequence s, Camera c, double f, Step by, boolean key) {
    Plan before = new Plan(s, Models.NONE);
    before.evaluate(f);
    double[] m = Placement.matrix(before, c.id());
    Vec3 want = Matrix.newPoint(m, 0, new Vec3(by.truck(), by.pedestal(), -by.dolly()));
    Camera turned = turn(c, f, by, key);
    Sequence now = s.with(turned);
    Plan after = new Plan(now, Models.NONE, before);
    after.evaluate(f);
    Vec3 gap = want.minus(Matrix.newOrigin(Placement.matrix(after, c.id()), 0));
    if (gap.length() < THERE_M) return now;
    return travel(now, turned, gap, f, key, before);
  }

  /**
   * The sequence with a camera at a place in the world; an aim that is held stays held.
   *
   * @param f the frame
   * @param look pan, tilt and roll in the world, degrees
   */
  public static Sequence place(Sequence s, Camera c, double f, Vec3 at, Vec3 look, boolean key) {
    double[] want = Matrix.newIdentity();
    Rotation.panTiltRoll(
        Trig.radians(look.x()), Trig.radians(look.y()), Trig.radians(look.z()), want, 0);
    return place(s, c, f, at, want, key);
  }

  /** The sequence with the camera where a transform says, at a frame; what has keys gets one. */
  static Sequence stand(Sequence s, Camera c, double frame, double[] m) {
    double[] want = m.clone();
    Matrix.makeRigid(want, 0);
    return place(s, c, frame, Matrix.newOrigin(m, 0), want, false);
  }

  private static Sequence place(
      Sequence s, Camera c, double f, Vec3 at, double[] want, boolean key) {
    Plan before = new Plan(s, Models.NONE);
    before.evaluate(f);
    Camera turned = aimed(s, c, f, want, key, before);
    Sequence now = s.with(turned);
    Plan after = new Plan(now, Models.NONE, before);
    after.evaluate(f);
    Vec3 gap = at.minus(Matrix.newOrigin(Placement.matrix(after, c.id()), 0));
    return gap.length() < THERE_M ? now : travel(now, turned, gap, f, key, before);
  }

  /** Turns the highest head, or else the base, so that the whole stack looks as wanted. */
  private static Camera aimed(
      Sequence s, Camera c, double f, double[] want, boolean key, Plan before) {
    int carrier = -1;
    for (int i = 0; i < c.rig().size(); i++) {
      RigPart p = c.rig().get(i);
      if (p.on() && (p instanceof Head || p instanceof Base && carrier < 0)) carrier = i;
    }
    if (carrier < 0) throw stuck(c, "no head or base that is on, so it cannot turn");
    double[] with = below(s, c, carrier + 1, f, before), all = Placement.matrix(before, c.id());
    for (double[] m : new double[][] {with, all}) Matrix.makeRigid(m, 0);
    boolean held = false;
    for (RigPart p : c.rig()) held |= p.on() && p instanceof Attention a && !a.cues().isEmpty();
    // what stands above the carrier turns with it: want = with' · above
    double[] above = held ? Matrix.newIdentity() : times(transposed(with), all);
    double[] next = times(want, transposed(above));
    RigPart part = c.rig().get(carrier);
    double[] under = below(s, c, carrier, f, before);
    if (part instanceof Base b && b.rides() != null) {
      under = Placement.matrix(before, b.rides());
      b.takes().leave(under);
    } else if (part instanceof Base) under = Matrix.newIdentity();
    double[] a = Rotation.newPanTiltRoll(times(transposed(under), next), 0);
    String at = part.id() + "/";
    String[] names = {"pan", "tilt", "roll"};
    for (int i = 0; i < 3; i++) {
      double now = c.channel(at + names[i]).at(f);
      double to = Placement.nearest(Trig.degrees(a[i]), now);
      if (Math.abs(to - now) > SAME_VALUE) c = (Camera) Placement.set(c, at + names[i], f, to, key);
    }
    return c;
  }

  private static double[] times(double[] a, double[] b) {
    double[] out = Matrix.newIdentity();
    Matrix.multiply(a, 0, b, 0, out, 0);
    out[Matrix.OX] = out[Matrix.OY] = out[Matrix.OZ] = 0;
    return out;
  }

  private static double[] transposed(double[] m) {
    double[] t = Matrix.newIdentity();
    for (int i = 0; i < 3; i++) for (int j = 0; j < 3; j++) t[i * 4 + j] = m[j * 4 + i];
    return t;
  }

  /** How near to straight above or below a camera is carried, degrees. */
  private static final double STEEPEST = 89;

  /**
   * The sequence with a camera carried about a point at frame {@code f}.
   *
   * @param across degrees about the world's up
   * @param up degrees towards overhead
   */
  public static Sequence orbit(
      Sequence s, Camera c, double f, Vec3 about, double across, double up, boolean key) {
    Plan plan = new Plan(s, Models.NONE);
    plan.evaluate(f);
    double[] m = Placement.matrix(plan, c.id());
    Matrix.makeRigid(m, 0);
    Vec3 out = Matrix.newOrigin(m, 0).minus(about);
    double flat = Trig.hypot(out.x(), out.z());
    double heading = ArcTrig.atan2(out.x(), out.z()), height = ArcTrig.atan2(out.y(), flat);
    double limit = Trig.radians(STEEPEST);
    double rise = Math.max(-limit, Math.min(limit, height + Trig.radians(up))) - height;
    double turn = Trig.radians(across);
    // about the world's up, then about the level axis at right angles to the new heading
    double[] yaw = Matrix.newIdentity();
    Rotation.panTiltRoll(turn, 0, 0, yaw, 0);
    double[] level = Matrix.newIdentity(), tilt = Matrix.newIdentity();
    Rotation.panTiltRoll(heading + turn, 0, 0, level, 0);
    Rotation.panTiltRoll(0, -rise, 0, tilt, 0);
    double[] pitch = times(times(level, tilt), transposed(level));
    double[] move = times(pitch, yaw);
    Vec3 at = about.plus(Matrix.newPoint(move, 0, out));
    return place(s, c, f, at, times(move, m), key);
  }

  /** The sequence with the roll taken out of a camera's picture at frame {@code f}. */
  public static Sequence level(Sequence s, Camera c, double f, boolean key) {
    Plan plan = new Plan(s, Models.NONE);
    plan.evaluate(f);
    double[] m = Placement.matrix(plan, c.id());
    Matrix.makeRigid(m, 0);
    double[] a = Rotation.newPanTiltRoll(m, 0), want = Matrix.newIdentity();
    Rotation.panTiltRoll(a[0], a[1], 0, want, 0);
    return place(s, c, f, Matrix.newOrigin(m, 0), want, key);
  }

  private static Camera turn(Camera c, double f, Step by, boolean key) {
    if (by.pan() == 0 && by.tilt() == 0 && by.roll() == 0) return c;
    RigPart carrier = null;
    for (RigPart p : c.rig())
      if (p.on() && (p instanceof Head || p instanceof Base && carrier == null)) carrier = p;
    if (carrier == null) throw stuck(c, "no head or base that is on, so it cannot turn");
    String at = carrier.id() + "/";
    c = add(c, at + "pan", by.pan(), f, key);
    c = add(c, at + "tilt", by.tilt(), f, key);
    return add(c, at + "roll", by.roll(), f, key);
  }

  private static Camera add(Camera c, String address, double by, double f, boolean key) {
    if (by == 0) return c;
    return (Camera) Placement.set(c, address, f, c.channel(address).at(f) + by, key);
  }

  private static Sequence travel(
      Sequence s, Camera c, Vec3 gap, double f, boolean key, Plan earlier) {
    int railAt = -1, slideAt = -1, baseAt = -1;
    boolean framed = false;
    for (int i = 0; i < c.rig().size(); i++) {
      RigPart p = c.rig().get(i);
      if (!p.on()) continue;
      if (p instanceof Rail r && r.path() != null) railAt = i;
      framed |= p instanceof Framings x && !x.cues().isEmpty();
      if (p instanceof Slide) slideAt = i;
      if (p instanceof Base && baseAt < 0) baseAt = i;
    }
    if (framed && slideAt < 0)
      throw new Refusal(
          "stuck",
          c.id(),
          "rig",
          "Camera "
              + c.letter()
              + " takes its place from other cameras. Move those, or add a slide to this one.");
    if ((railAt >= 0 || framed) && slideAt > railAt) {
      double[] under = below(s, c, slideAt, f, earlier);
      Vec3 d = axes(under, gap);
      return s.with(
          moved(
              c, c.rig().get(slideAt), f, key, d.x(), "truck", d.y(), "pedestal", -d.z(), "dolly"));
    }
    if (railAt >= 0) {
      Rail r = (Rail) c.rig().get(railAt);
      Rail plain =
          new Rail(r.id(), true, r.path(), Rail.Facing.TRAVEL, null, r.level(), r.channels());
      double[] carriage = below(s, c.withPart(plain), railAt + 1, f, earlier);
      Vec3 d = axes(carriage, gap);
      return s.with(moved(c, r, f, key, d.x(), "side", d.y(), "up", -d.z(), "along"));
    }
    if (baseAt < 0) throw stuck(c, "no base, slide or rail that is on, so it cannot travel");
    Base b = (Base) c.rig().get(baseAt);
    double[] ride = Matrix.newIdentity();
    if (b.rides() != null) {
      Plan plan = new Plan(s, Models.NONE, earlier);
      plan.evaluate(f);
      ride = Placement.matrix(plan, b.rides());
      b.takes().leave(ride);
    }
    Vec3 d = axes(ride, gap);
    return s.with(moved(c, b, f, key, d.x(), "x", d.y(), "y", d.z(), "z"));
  }

  private static Refusal stuck(Camera c, String why) {
    return new Refusal("stuck", c.id(), "rig", "Camera " + c.letter() + " has " + why + ".");
  }

  /**
   * The transform under the part at an index: that of the same camera with only the parts below.
   */
  private static double[] below(Sequence s, Camera c, int index, double f, Plan earlier) {
    List<RigPart> parts = new ArrayList<>(c.rig().subList(0, index));
    Plan plan = new Plan(s.with(c.withRig(parts)), Models.NONE, earlier);
    plan.evaluate(f);
    return Placement.matrix(plan, c.id());
  }

  /** A world direction given on a transform's axes. */
  private static Vec3 axes(double[] m, Vec3 d) {
    return new Vec3(
        m[Matrix.XX] * d.x() + m[Matrix.XY] * d.y() + m[Matrix.XZ] * d.z(),
        m[Matrix.YX] * d.x() + m[Matrix.YY] * d.y() + m[Matrix.YZ] * d.z(),
        m[Matrix.ZX] * d.x() + m[Matrix.ZY] * d.y() + m[Matrix.ZZ] * d.z());
  }

  private static Camera moved(
      Camera c,
      RigPart p,
      double f,
      boolean key,
      double a,
      String an,
      double b,
      String bn,
      double d,
      String dn) {
    c = (Camera) plus(c, p.id() + "/" + an, f, key, a);
    c = (Camera) plus(c, p.id() + "/" + bn, f, key, b);
    return (Camera) plus(c, p.id() + "/" + dn, f, key, d);
  }

  private static kite.core.document.Entity plus(
      Camera c, String address, double f, boolean key, double by) {
    return Placement.set(c, address, f, c.channel(address).at(f) + by, key);
  }
}
