package kite.core.shape;

import java.util.List;
import kite.core.document.Shape;
import kite.core.document.StandInKind;
import kite.core.math.Trig;
import kite.core.math.Vec3;

/** The mesh and the named points of each stand-in, at true scale, standing on its own origin. */
public final class StandIns {
  private static final int ROUND = 24;

  private StandIns() {}

  /**
   * @param colour #rrggbb; figures wear it and keep skin and hair of their own
   */
  public static Mesh mesh(Shape.StandIn s, String colour) {
    MeshBuilder b = new MeshBuilder().colour(colour);
    double w = s.width(), h = s.height(), d = s.depth();
    switch (s.form()) {
      case BOX -> b.box(w, h, d);
      case SPHERE -> b.place(0, h / 2, 0).ellipsoid(ROUND, w / 2, h / 2, d / 2);
      case CYLINDER -> oval(b, w, d, 0, 0, 1, 0, 1, h, 0, h);
      case CONE -> oval(b, w, d, 0, 0, 1, 0, 0, h);
      case PLANE -> b.face(-w / 2, 0, d / 2, w / 2, 0, d / 2, w / 2, 0, -d / 2, -w / 2, 0, -d / 2);
      case RAMP -> ramp(b, w, h, d);
      case STAIRS -> stairs(b, w, h, d);
      case ARCH -> arch(b, w, h, d);
      case TREE -> tree(b, w, h, d, colour);
      case VEHICLE -> vehicle(b, w, h, d, colour);
      case ADULT, CHILD, SITTING -> new Figure(s).draw(b, colour);
    }
    return b.mesh();
  }

  /** Rises towards −Z. */
  private static void ramp(MeshBuilder b, double w, double h, double d) {
    double x = w / 2, z = d / 2;
    b.face(-x, 0, z, x, 0, z, x, h, -z, -x, h, -z);
    b.face(x, 0, -z, -x, 0, -z, -x, h, -z, x, h, -z);
    b.face(x, 0, z, x, 0, -z, x, h, -z);
    b.face(-x, 0, -z, -x, 0, z, -x, h, -z);
    b.face(-x, 0, -z, x, 0, -z, x, 0, z, -x, 0, z);
  }

  /** A comfortable step. */
  private static final double STEP_M = 0.18;

  private static void stairs(MeshBuilder b, double w, double h, double d) {
    int n = (int) Math.max(1, Math.min(200, Math.round(h / STEP_M)));
    for (int i = 0; i < n; i++)
      b.place(0, 0, d / 2 - (i + 0.5) * d / n).box(w, h * (i + 1) / n, d / n);
  }

  /** A wall with a round-headed opening that leaves a seventh of the width on each side. */
  private static void arch(MeshBuilder b, double w, double h, double d) {
    double pier = w / 7, r = w / 2 - pier, spring = Math.max(0, h - r - pier), z = d / 2;
    for (int side = -1; side <= 1; side += 2)
      b.place(side * (w - pier) / 2, 0, 0).box(pier, spring, d);
    b.place(0, 0, 0);
    double[] low = {-r, spring}, high = {-w / 2, spring};
    double crown = h - spring;
    for (int i = 1; i <= ROUND; i++) {
      double a = Math.PI * i / ROUND, c = -Trig.cos(a), s = Trig.sin(a);
      double[] in = {r * c, spring + Math.min(r, crown * 0.8) * s};
      double edge = Math.max(Math.abs(c), s);
      double[] out = {w / 2 * c / edge, spring + crown * s / edge};
      b.face(low[0], low[1], z, in[0], in[1], z, out[0], out[1], z, high[0], high[1], z);
      b.face(high[0], high[1], -z, out[0], out[1], -z, in[0], in[1], -z, low[0], low[1], -z);
      b.face(low[0], low[1], -z, in[0], in[1], -z, in[0], in[1], z, low[0], low[1], z);
      b.face(high[0], high[1], z, out[0], out[1], z, out[0], out[1], -z, high[0], high[1], -z);
      low = in;
      high = out;
    }
  }

  private static void tree(MeshBuilder b, double w, double h, double d, String colour) {
    b.colour("#6d4c33").place(0, 0, 0).turned(10, 0, 0, w * 0.08, 0, w * 0.05, h * 0.55);
    b.colour(colour);
    b.place(0, h * 0.6, 0).ellipsoid(14, w * 0.5, h * 0.26, d * 0.5);
    b.place(w * 0.06, h * 0.8, -d * 0.04).ellipsoid(12, w * 0.34, h * 0.2, d * 0.34);
    b.place(-w * 0.12, h * 0.7, d * 0.1).ellipsoid(12, w * 0.3, h * 0.18, d * 0.3);
  }

  /** A car-sized box on wheels; its front is −Z. */
  private static void vehicle(MeshBuilder b, double w, double h, double d, String colour) {
    double wheel = Math.min(h * 0.24, d * 0.1), sill = wheel * 0.8, body = h * 0.36;
    b.place(0, sill, 0).box(w, body, d);
    b.colour("#26323f")
        .place(0, sill + body, d * 0.06)
        .block(w * 0.94, w * 0.78, h - sill - body, d * 0.56, d * 0.34);
    b.colour(colour).place(0, h - h * 0.03, d * 0.06).box(w * 0.78, h * 0.03, d * 0.34);
    b.colour("#1c2026");
    for (int x = -1; x <= 1; x += 2)
      for (int z = -1; z <= 1; z += 2)
        b.place(x * w * 0.5 - (x > 0 ? w * 0.1 : 0), wheel, z * d * 0.32, 0, 0, -90)
            .cylinder(16, wheel, w * 0.1);
    b.colour("#f6efe0");
    for (int x = -1; x <= 1; x += 2)
      b.place(x * w * 0.34, sill + body * 0.45, -d / 2 - 0.005).box(w * 0.16, body * 0.22, 0.02);
  }

  /** A turned solid of unit radii, stretched to an oval by building it side by side. */
  private static void oval(MeshBuilder b, double w, double d, double... outline) {
    for (int i = 0; i + 3 < outline.length; i += 2) {
      for (int k = 0; k < ROUND; k++) {
        double a = 2 * Math.PI * k / ROUND, e = 2 * Math.PI * (k + 1) / ROUND;
        double r0 = outline[i] / 2,
            r1 = outline[i + 2] / 2,
            y0 = outline[i + 1],
            y1 = outline[i + 3];
        double ax = Trig.sin(a) * w,
            az = Trig.cos(a) * d,
            ex = Trig.sin(e) * w,
            ez = Trig.cos(e) * d;
        if (r0 == 0) b.face(ex * r1, y1, ez * r1, ax * r1, y1, az * r1, 0, y0, 0);
        else if (r1 == 0) b.face(ax * r0, y0, az * r0, ex * r0, y0, ez * r0, 0, y1, 0);
        else
          b.face(
              ax * r0, y0, az * r0, ex * r0, y0, ez * r0, ex * r1, y1, ez * r1, ax * r1, y1,
              az * r1);
      }
    }
  }

  /** Names of the points a stand-in has, its usual aim point first. */
  public static List<String> anchors(StandInKind kind) {
    return switch (kind) {
      case ADULT, CHILD, SITTING -> List.of("eyes", "head", "chest", "centre", "feet");
      default -> List.of("centre", "top", "foot");
    };
  }

  /** Where an anchor is on the piece's own axes; an unknown name gives the usual one. */
  public static Vec3 anchor(Shape.StandIn s, String name) {
    double h = s.height();
    String n = name == null ? anchors(s.form()).get(0) : name;
    if (s.form().isFigure()) return new Figure(s).anchor(n);
    return switch (n) {
      case "top" -> new Vec3(0, h, 0);
      case "foot" -> Vec3.ZERO;
      default -> new Vec3(0, h / 2, 0);
    };
  }
}
