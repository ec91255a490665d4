package kite.core.shape;

import java.util.List;
import kite.core.document.Shape;
import kite.core.document.StandInKind;
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
      case ADULT, CHILD -> figure(b, s, colour);
    }
    return b.mesh();
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
        double ax = Math.sin(a) * w,
            az = Math.cos(a) * d,
            ex = Math.sin(e) * w,
            ez = Math.cos(e) * d;
        if (r0 == 0) b.face(ex * r1, y1, ez * r1, ax * r1, y1, az * r1, 0, y0, 0);
        else if (r1 == 0) b.face(ax * r0, y0, az * r0, ex * r0, y0, ez * r0, 0, y1, 0);
        else
          b.face(
              ax * r0, y0, az * r0, ex * r0, y0, ez * r0, ex * r1, y1, ez * r1, ax * r1, y1,
              az * r1);
      }
    }
  }

  /** Proportions in heads: an adult stands 7½ heads tall, a child 6. Faces −Z, as a camera does. */
  private static void figure(MeshBuilder b, Shape.StandIn s, String colour) {
    double heads = s.form() == StandInKind.ADULT ? 7.5 : 6;
    double h = s.height(), head = h / heads, wide = s.width(), deep = s.depth();
    double hip = h * 0.48, shoulder = h - head * 1.35;
    String dark = "#3b4252", skin = "#d9a27e", hair = "#4a3428";
    for (int side = -1; side <= 1; side += 2) {
      b.colour(dark)
          .place(side * wide * 0.2, 0, 0)
          .block(wide * 0.22, wide * 0.3, hip, deep * 0.6, deep * 0.7);
      b.colour(hair).place(side * wide * 0.2, 0, -deep * 0.15).box(wide * 0.26, head * 0.3, deep);
      b.colour(colour)
          .place(side * wide * 0.44, shoulder - h * 0.3, 0, 0, 0, side * 4.0)
          .block(wide * 0.13, wide * 0.2, h * 0.3, deep * 0.4, deep * 0.5);
      b.colour(skin)
          .place(side * wide * 0.47, shoulder - h * 0.335, 0)
          .ellipsoid(10, wide * 0.08, head * 0.25, deep * 0.2);
    }
    b.colour(colour)
        .place(0, hip - head * 0.2, 0)
        .block(wide * 0.7, wide * 0.9, shoulder - hip + head * 0.2, deep * 0.8, deep * 0.75);
    b.colour(skin).place(0, shoulder, 0).cylinder(10, head * 0.2, head * 0.4);
    b.place(0, h - head / 2, 0).ellipsoid(18, head * 0.38, head * 0.5, head * 0.43);
    b.place(0, h - head * 0.55, -head * 0.42).ellipsoid(8, head * 0.06, head * 0.09, head * 0.1);
    b.colour(hair)
        .place(0, h - head * 0.4, head * 0.08)
        .ellipsoid(16, head * 0.42, head * 0.44, head * 0.42);
    b.colour("#1d2430");
    for (int side = -1; side <= 1; side += 2) {
      b.place(side * head * 0.15, h - head * 0.46, -head * 0.39)
          .ellipsoid(8, head * 0.05, head * 0.06, head * 0.04);
    }
  }

  /** Names of the points a stand-in has, its usual aim point first. */
  public static List<String> anchors(StandInKind kind) {
    return switch (kind) {
      case ADULT, CHILD -> List.of("eyes", "head", "chest", "centre", "feet");
      default -> List.of("centre", "top", "foot");
    };
  }

  /** Where an anchor is on the piece's own axes; an unknown name gives the usual one. */
  public static Vec3 anchor(Shape.StandIn s, String name) {
    double h = s.height();
    boolean figure = s.form() == StandInKind.ADULT || s.form() == StandInKind.CHILD;
    double head = h / (s.form() == StandInKind.ADULT ? 7.5 : 6);
    String n = name == null ? anchors(s.form()).get(0) : name;
    return switch (n) {
      case "eyes" -> new Vec3(0, h - head * 0.46, figure ? -head * 0.39 : 0);
      case "head" -> new Vec3(0, h - head / 2, 0);
      case "chest" -> new Vec3(0, h * 0.7, 0);
      case "top" -> new Vec3(0, h, 0);
      case "feet", "foot" -> Vec3.ZERO;
      default -> new Vec3(0, h / 2, 0);
    };
  }
}
