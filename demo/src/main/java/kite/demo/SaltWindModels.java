package kite.demo;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Random;
import kite.core.shape.Mesh;
import kite.core.shape.MeshBuilder;
import kite.exchange.gltf.GlbModelWriter;

/** The models of Salt Wind, each a small .glb file. */
final class SaltWindModels {
  private SaltWindModels() {}

  /** File name without ending to bytes, in a fixed order. */
  static Map<String, byte[]> all() {
    Map<String, byte[]> files = new LinkedHashMap<>();
    files.put("pier", still("pier", pier()));
    files.put("shore", still("shore", shore()));
    files.put("windmill", windmill());
    files.put("lighthouse", still("lighthouse", lighthouse()));
    files.put("stall-coral", still("stall", stall("#e0705a")));
    files.put("stall-teal", still("stall", stall("#3f9d98")));
    files.put("stall-marigold", still("stall", stall("#e6a83c")));
    files.put("bollard", still("bollard", bollard()));
    files.put("lantern", still("lantern", lantern()));
    files.put("dog", dog());
    files.put("kite", kite());
    files.put("whale", whale());
    return files;
  }

  private static byte[] still(String name, Mesh mesh) {
    GlbModelWriter w = new GlbModelWriter(0.85, 0);
    w.node(name, -1, 0, 0, 0, mesh);
    return w.glb(name);
  }

  /** A balloon 9 m long, swimming along −Z; its tail beats. */
  private static byte[] whale() {
    MeshBuilder b = new MeshBuilder();
    b.colour("#5b7fa6").place(0, 0, 0).ellipsoid(28, 1.9, 1.7, 4.2);
    b.colour("#e9e2cf").place(0, -0.42, -0.5).ellipsoid(26, 1.66, 1.42, 3.5);
    b.colour("#16202e");
    for (int side = -1; side <= 1; side += 2)
      b.place(side * 1.52, 0.18, -2.5).ellipsoid(10, 0.12, 0.17, 0.17);
    b.colour("#4d6e93");
    for (int side = -1; side <= 1; side += 2)
      b.place(side * 1.9, -0.5, -0.9, side * -30.0, 0, side * -28.0).ellipsoid(12, 1.3, 0.14, 0.55);
    b.colour("#f2b441");
    for (int i = -2; i <= 2; i++) {
      double r = hoop(i * 1.25);
      b.place(0, 0, i * 1.25, 0, 90, 0)
          .turned(28, r, -0.05, r + 0.06, -0.05, r + 0.06, 0.05, r, 0.05);
    }
    b.colour("#6d4c33").place(0, -3.6, 0).block(0.9, 1.1, 0.7, 0.9, 1.1);
    for (int x = -1; x <= 1; x += 2)
      for (int z = -1; z <= 1; z += 2)
        b.place(x * 0.5, -2.9, z * 0.5, 0, z * 14.0, -x * 14.0).cylinder(6, 0.02, 2);
    Mesh body = b.mesh();
    MeshBuilder t = new MeshBuilder().colour("#5b7fa6");
    t.place(0, 0.1, 1).ellipsoid(14, 0.5, 0.4, 1.3);
    t.colour("#4d6e93");
    for (int side = -1; side <= 1; side += 2)
      t.place(side * 0.85, 0.15, 2.2, side * 32.0, 0, 0).ellipsoid(12, 1.0, 0.12, 0.5);
    GlbModelWriter w = new GlbModelWriter(0.7, 0);
    int root = w.node("whale", -1, 0, 0, 0, body);
    int tail = w.node("tail", root, 0, 0.1, 3.6, t.mesh());
    w.node("eye", root, 0, 0.2, -3.2, null);
    int n = 9;
    float[] seconds = new float[n], turns = new float[n * 4];
    for (int i = 0; i < n; i++) {
      seconds[i] = i * 0.375f;
      double a = Math.toRadians(13) * Math.sin(2 * Math.PI * i / (n - 1)) / 2;
      turns[i * 4] = (float) Math.sin(a);
      turns[i * 4 + 3] = (float) Math.cos(a);
    }
    w.turn(tail, seconds, turns);
    return w.glb("swimming");
  }

  /** Radius of the whale's body at a place along it. */
  private static double hoop(double z) {
    return 1.82 * Math.sqrt(Math.max(0.02, 1 - z * z / (4.2 * 4.2)));
  }

  /** 6 m wide, 60 m long, its deck at height 0, running from z 10 to z −50. */
  private static Mesh pier() {
    MeshBuilder b = new MeshBuilder();
    Random random = new Random(7);
    String[] wood = {"#8d6f55", "#97785c", "#85684f", "#9d8064"};
    for (int i = 0; i < 150; i++) {
      b.colour(wood[random.nextInt(wood.length)])
          .place(0, -0.12, 9.8 - i * 0.4)
          .box(6 + random.nextDouble() * 0.12, 0.12, 0.38);
    }
    b.colour("#5c4838");
    for (int side = -1; side <= 1; side += 2) {
      b.place(side * 2.6, -0.5, -20).box(0.3, 0.38, 60);
      for (int i = 0; i <= 15; i++) b.place(side * 2.6, -4.5, 9.5 - i * 3.95).cylinder(8, 0.2, 4.4);
    }
    return b.mesh();
  }

  private static Mesh shore() {
    MeshBuilder b = new MeshBuilder();
    b.colour("#8f9b68").place(-34, -2.6, -22).ellipsoid(28, 22, 4.6, 40);
    b.colour("#a8a06c").place(-30, -3.2, -4).ellipsoid(24, 18, 4, 22);
    b.colour("#d8c59a").place(-24, -4.6, -14).ellipsoid(28, 17, 4.5, 44);
    String[] walls = {"#efe6d2", "#d98b6a", "#c9d5d6", "#e8cf9a"};
    for (int i = 0; i < 7; i++) {
      double x = -25 - i % 3 * 4.5, z = 6 - i * 7.5, h = 3 + i % 2;
      b.colour(walls[i % 4]).place(x, 0.6, z, i * 13.0, 0, 0).box(4, h, 5);
      b.colour("#8d4f45").place(x, 0.6 + h, z, i * 13.0, 0, 0).block(4.6, 0.2, 1.8, 5.6, 5.0);
    }
    return b.mesh();
  }

  private static byte[] windmill() {
    MeshBuilder b = new MeshBuilder();
    b.colour("#efe8d8")
        .turned(12, 2.6, 0, 1.7, 8)
        .colour("#7c4a3e")
        .turned(12, 1.9, 8, 1.5, 9, 0, 10.2);
    b.colour("#5b4636").place(0, 0, 2.3).box(1, 2, 0.5);
    MeshBuilder s = new MeshBuilder();
    for (int i = 0; i < 4; i++) {
      s.colour("#6b5442").place(0, 0, 0, 0, 0, i * 90).box(0.18, 5, 0.12);
      s.colour("#f6efe0").cloth(0.12, 0.8, 0.06, 1.2, 0.9, 0.02, 1.1, 4.8, 0.02, 0.12, 4.9, 0.06);
    }
    s.colour("#3b3230").place(0, 0, -0.2, 0, 90, 0).cylinder(10, 0.3, 0.6);
    GlbModelWriter w = new GlbModelWriter(0.9, 0);
    int tower = w.node("tower", -1, 0, 0, 0, b.mesh());
    int sails = w.node("sails", tower, 0, 8.6, 2.1, s.mesh());
    float[] seconds = new float[9], turns = new float[36];
    for (int i = 0; i <= 8; i++) {
      seconds[i] = i * 0.75f;
      turns[i * 4 + 2] = (float) Math.sin(-i * Math.PI / 8);
      turns[i * 4 + 3] = (float) Math.cos(i * Math.PI / 8);
    }
    w.turn(sails, seconds, turns);
    return w.glb("turning");
  }

  private static Mesh lighthouse() {
    MeshBuilder b = new MeshBuilder();
    b.colour("#6f6a66").place(0, -4, 0).turned(9, 7, 0, 5.5, 4, 0, 4.4);
    double y = 0;
    for (int i = 0; i < 5; i++) {
      double r0 = 2.4 - i * 0.22, r1 = r0 - 0.22;
      b.colour(i % 2 == 0 ? "#f3efe6" : "#d8604c").place(0, y, 0).turned(16, r0, 0, r1, 2.6);
      y += 2.6;
    }
    b.colour("#3a4250").place(0, y, 0).turned(16, 0, 0, 1.8, 0, 1.8, 0.25, 0, 0.25);
    b.colour("#ffe9ae").place(0, y + 0.25, 0).cylinder(12, 0.9, 1.5);
    b.colour("#d8604c").place(0, y + 1.75, 0).turned(14, 1.3, 0, 0, 1.3);
    return b.mesh();
  }

  private static Mesh stall(String awning) {
    MeshBuilder b = new MeshBuilder();
    b.colour("#a98660").place(0, 0, 0).box(1.0, 0.95, 2.6);
    b.colour("#6e543f").place(0.05, 0.95, 0).box(1.2, 0.06, 2.8);
    for (int i = -1; i <= 1; i += 2)
      for (int k = -1; k <= 1; k += 2)
        b.place(k * 0.5, 0, i * 1.3).box(0.08, k < 0 ? 2.6 : 2.2, 0.08);
    for (int i = 0; i < 8; i++) {
      double z0 = -1.5 + i * 0.375, z1 = z0 + 0.375;
      b.colour(i % 2 == 0 ? awning : "#f7f1e3")
          .place(0, 0, 0)
          .cloth(-0.6, 2.62, z0, -0.6, 2.62, z1, 0.85, 2.1, z1, 0.85, 2.1, z0);
      b.cloth(0.85, 2.1, z0, 0.85, 2.1, z1, 0.85, 1.88, (z0 + z1) / 2);
    }
    String[] goods = {"#e6b84c", "#c9573f", "#7aa35a", "#d98fb0", "#5c8fbf"};
    for (int i = 0; i < 10; i++)
      b.colour(goods[i % 5])
          .place(i % 2 * 0.4 - 0.15, 1.1, -1.1 + i * 0.24)
          .ellipsoid(8, 0.13, 0.11, 0.13);
    return b.mesh();
  }

  private static Mesh bollard() {
    return new MeshBuilder()
        .colour("#3d4652")
        .turned(12, 0.24, 0, 0.18, 0.1, 0.16, 0.5, 0.26, 0.58, 0.24, 0.68, 0, 0.72)
        .colour("#d8c7a0")
        .turned(12, 0.2, 0.28, 0.2, 0.4)
        .mesh();
  }

  private static Mesh lantern() {
    MeshBuilder b = new MeshBuilder().colour("#4a3a30").cylinder(8, 0.035, 1.25);
    b.colour("#2f3640").place(0, 1.25, 0).turned(6, 0, 0, 0.13, 0, 0.11, 0.04, 0, 0.04);
    b.colour("#ffd27a").place(0, 1.29, 0).turned(8, 0.075, 0, 0.09, 0.1, 0.07, 0.2);
    b.colour("#2f3640").place(0, 1.49, 0).turned(6, 0.13, 0, 0.03, 0.1, 0, 0.1);
    for (int i = 0; i < 6; i++)
      b.place(Math.sin(i * Math.PI / 3) * 0.1, 1.29, Math.cos(i * Math.PI / 3) * 0.1)
          .box(0.012, 0.2, 0.012);
    return b.mesh();
  }

  /** Biscuit, facing −Z; the tail wags. */
  private static byte[] dog() {
    MeshBuilder b =
        new MeshBuilder().colour("#c98f4e").place(0, 0.42, 0).ellipsoid(14, 0.13, 0.14, 0.3);
    b.place(0, 0.56, -0.3)
        .ellipsoid(12, 0.11, 0.12, 0.13)
        .colour("#e9cfa2")
        .place(0, 0.53, -0.42)
        .ellipsoid(10, 0.06, 0.055, 0.09);
    b.colour("#2a2320").place(0, 0.55, -0.5).ellipsoid(6, 0.025, 0.02, 0.02);
    for (int s = -1; s <= 1; s += 2) {
      b.colour("#8a5a2c").place(s * 0.1, 0.56, -0.27, 0, 0, s * 12).ellipsoid(8, 0.03, 0.1, 0.06);
      b.colour("#b37c40")
          .place(s * 0.08, 0, -0.2)
          .box(0.07, 0.36, 0.08)
          .place(s * 0.08, 0, 0.2)
          .box(0.07, 0.36, 0.08);
    }
    b.colour("#d8604c").place(0, 0.5, -0.2, 0, 70, 0).turned(10, 0.115, 0, 0.115, 0.03);
    GlbModelWriter w = new GlbModelWriter(0.95, 0);
    int body = w.node("body", -1, 0, 0, 0, b.mesh());
    int tail =
        w.node(
            "tail",
            body,
            0,
            0.5,
            0.27,
            new MeshBuilder()
                .colour("#b37c40")
                .place(0, 0, 0, 0, 35, 0)
                .turned(6, 0.03, 0, 0.015, 0.28, 0, 0.29)
                .mesh());
    float[] seconds = {0, 0.15f, 0.3f, 0.45f, 0.6f}, turns = new float[20];
    for (int i = 0; i < 5; i++) {
      double a = Math.toRadians(i % 2 == 0 ? 0 : i == 1 ? 35 : -35) / 2;
      turns[i * 4 + 2] = (float) Math.sin(a);
      turns[i * 4 + 3] = (float) Math.cos(a);
    }
    w.turn(tail, seconds, turns);
    return w.glb("wagging");
  }

  /** The runaway kite: a diamond 1.2 m high whose tail of bows swings after it. */
  private static byte[] kite() {
    MeshBuilder b = new MeshBuilder();
    String[] colours = {"#e0705a", "#e6a83c", "#3f9d98", "#f7f1e3"};
    double[][] tips = {{0, 0.6}, {0.5, 0.15}, {0, -0.6}, {-0.5, 0.15}};
    for (int i = 0; i < 4; i++) {
      double[] p = tips[i], q = tips[(i + 1) % 4];
      b.colour(colours[i]).cloth(0, 0.15, 0.08, q[0], q[1], 0, p[0], p[1], 0);
    }
    b.colour("#5c4838")
        .place(0, -0.6, -0.01)
        .box(0.02, 1.2, 0.02)
        .place(-0.5, 0.15, -0.01, 0, 0, -90)
        .box(0.02, 1, 0.02);
    GlbModelWriter w = new GlbModelWriter(0.7, 0);
    int parent = w.node("sail", -1, 0, 0, 0, b.mesh());
    for (int k = 0; k < 4; k++) {
      MeshBuilder bow =
          new MeshBuilder()
              .colour("#d9cdb4")
              .place(0, -0.32, 0)
              .box(0.012, 0.32, 0.012)
              .colour(colours[k]);
      bow.place(0, -0.3, 0)
          .cloth(0, 0, 0, 0.14, 0.07, 0, 0.14, -0.07, 0)
          .cloth(0, 0, 0, -0.14, -0.07, 0, -0.14, 0.07, 0);
      int link = w.node("bow" + (k + 1), parent, 0, k == 0 ? -0.6 : -0.32, 0, bow.mesh());
      float[] seconds = new float[13], turns = new float[52];
      for (int i = 0; i <= 12; i++) {
        seconds[i] = i * 0.125f;
        double a = Math.toRadians(16 + 6 * k) * Math.sin(i * Math.PI / 6 - k * 0.9) / 2;
        turns[i * 4 + 2] = (float) Math.sin(a);
        turns[i * 4 + 3] = (float) Math.cos(a);
      }
      w.turn(link, seconds, turns);
      parent = link;
    }
    return w.glb("fluttering");
  }
}
