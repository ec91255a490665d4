package kite.core.shape;

import kite.core.document.Shape;
import kite.core.document.StandInKind;
import kite.core.math.Matrix;
import kite.core.math.Rotation;
import kite.core.math.Trig;
import kite.core.math.Vec3;

/**
 * A stand-in person. Proportions in heads: an adult stands 7½ heads tall, a child 6, an adult on a
 * seat 5.7. Faces −Z, as a camera does.
 */
final class Figure {
  private static final String DARK = "#3b4252";
  private static final String SKIN = "#d9a27e";
  private static final String HAIR = "#4a3428";
  private final Shape.Stance stance;
  private final boolean sits;
  private final double h;
  private final double head;
  private final double wide;
  private final double deep;
  private final double hip;
  private final double shoulder;

  Figure(Shape.StandIn s) {
    stance = s.stance() == null ? Shape.Stance.UPRIGHT : s.stance();
    sits = s.form() == StandInKind.SITTING;
    h = s.height();
    head = h / (sits ? 5.7 : s.form() == StandInKind.ADULT ? 7.5 : 6);
    wide = s.width();
    deep = sits ? head * 1.4 : s.depth();
    hip = sits ? h * 0.34 : h * 0.48;
    shoulder = h - head * 1.35;
  }

  /** Where a point of the upright upper body is once it leans, turned about the hips. */
  private Vec3 leant(double x, double y, double z) {
    double a = Trig.radians(-stance.lean()), dy = y - hip;
    return new Vec3(
        x, hip + dy * Trig.cos(a) - z * Trig.sin(a), dy * Trig.sin(a) + z * Trig.cos(a));
  }

  /** Where a point given from the neck joint is, with the head turned and tilted. */
  private Vec3 onHead(double x, double y, double z) {
    double[] m = Matrix.newIdentity();
    Rotation.panTiltRoll(
        Trig.radians(stance.headTurn()), Trig.radians(stance.headTilt() - stance.lean()), 0, m, 0);
    return leant(0, h - head, 0).plus(Matrix.newPoint(m, 0, new Vec3(x, y, z)));
  }

  Vec3 anchor(String name) {
    return switch (name) {
      case "eyes" -> onHead(0, head * 0.54, -head * 0.39);
      case "head" -> onHead(0, head * 0.5, 0);
      case "chest" -> leant(0, hip + (shoulder - hip) * 0.7, 0);
      case "feet" -> Vec3.ZERO;
      default -> new Vec3(0, h / 2, 0);
    };
  }

  void draw(MeshBuilder b, String colour) {
    for (int side = -1; side <= 1; side += 2) {
      leg(b, side);
      arm(b, side, colour);
    }
    double low = hip - head * 0.2;
    Vec3 waist = leant(0, low, 0);
    b.colour(colour)
        .place(waist.x(), waist.y(), waist.z(), 0, -stance.lean(), 0)
        .block(wide * 0.7, wide * 0.9, shoulder - low, deep * 0.8, deep * 0.75);
    Vec3 neck = leant(0, shoulder, 0);
    b.colour(SKIN)
        .place(neck.x(), neck.y(), neck.z(), 0, -stance.lean(), 0)
        .cylinder(10, head * 0.2, head * 0.4);
    ball(b, 0, head / 2, 0, 18, 0.38, 0.5, 0.43);
    ball(b, 0, head * 0.45, -head * 0.42, 8, 0.06, 0.09, 0.1);
    b.colour(HAIR);
    ball(b, 0, head * 0.6, head * 0.08, 16, 0.42, 0.44, 0.42);
    b.colour("#1d2430");
    for (int side = -1; side <= 1; side += 2)
      ball(b, side * head * 0.15, head * 0.54, -head * 0.39, 8, 0.05, 0.06, 0.04);
  }

  /** An ellipsoid of the head; radii in heads. */
  private void ball(
      MeshBuilder b, double x, double y, double z, int sides, double rx, double ry, double rz) {
    Vec3 p = onHead(x, y, z);
    b.place(p.x(), p.y(), p.z(), stance.headTurn(), stance.headTilt() - stance.lean(), 0)
        .ellipsoid(sides, head * rx, head * ry, head * rz);
  }

  private void leg(MeshBuilder b, int side) {
    double x = side * wide * 0.2, foot = sits ? -head * 1.75 : 0;
    b.colour(DARK);
    if (sits) {
      b.place(x, hip, 0, 0, -90, 0)
          .block(wide * 0.3, wide * 0.26, head * 1.8, deep * 0.4, deep * 0.36);
      b.place(x, 0, foot)
          .block(wide * 0.2, wide * 0.26, hip + deep * 0.15, deep * 0.3, deep * 0.34);
    } else {
      b.place(x, 0, 0).block(wide * 0.22, wide * 0.3, hip, deep * 0.6, deep * 0.7);
    }
    double shoe = sits ? deep * 0.55 : deep;
    b.colour(HAIR).place(x, 0, foot - shoe * 0.15).box(wide * 0.26, head * 0.3, shoe);
  }

  /** An arm hangs from its shoulder; the hand is at its end. */
  private void arm(MeshBuilder b, int side, String colour) {
    double raise = side < 0 ? stance.leftArm() : stance.rightArm();
    double tilt = 180 + raise - stance.lean(), length = head * 2.25;
    Vec3 at = leant(side * wide * 0.47, shoulder - head * 0.05, 0);
    b.colour(colour)
        .place(at.x(), at.y(), at.z(), 0, tilt, -side * 3)
        .block(wide * 0.2, wide * 0.13, length, deep * 0.5, deep * 0.4);
    double a = Trig.radians(tilt), reach = length + head * 0.12;
    b.colour(SKIN)
        .place(
            at.x() + side * length * 0.05,
            at.y() + reach * Trig.cos(a),
            at.z() + reach * Trig.sin(a),
            0,
            tilt,
            0)
        .ellipsoid(10, wide * 0.08, head * 0.25, deep * 0.2);
  }
}
