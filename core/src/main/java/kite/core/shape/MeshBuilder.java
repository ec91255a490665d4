package kite.core.shape;

import java.util.Arrays;
import kite.core.math.Matrix;
import kite.core.math.Powers;
import kite.core.math.Rotation;
import kite.core.math.Trig;

/**
 * Builds a mesh from simple solids. Every solid is placed by the present transform and painted in
 * the present colour.
 */
public final class MeshBuilder {
  private float[] positions = new float[0];
  private float[] normals = new float[0];
  private float[] colours = new float[0];
  private int[] indices = new int[0];
  private int corners;
  private int count;
  private double[] m = Matrix.newIdentity();
  private float red = 1;
  private float green = 1;
  private float blue = 1;

  /** Paints what follows; {@code rgb} is #rrggbb as seen on screen (sRGB). */
  public MeshBuilder colour(String rgb) {
    red = linear(rgb, 1);
    green = linear(rgb, 3);
    blue = linear(rgb, 5);
    return this;
  }

  /** One channel of #rrggbb as linear light (IEC 61966-2-1); {@code at} is 1, 3 or 5. */
  public static float linear(String rgb, int at) {
    double v = Integer.parseInt(rgb.substring(at, at + 2), 16) / 255.0;
    return (float) (v <= 0.04045 ? v / 12.92 : Powers.pow((v + 0.055) / 1.055, 2.4));
  }

  /** Places what follows: metres, then pan, tilt and roll in degrees. */
  public MeshBuilder place(double x, double y, double z, double pan, double tilt, double roll) {
    m = Matrix.newIdentity();
    Rotation.panTiltRoll(Trig.radians(pan), Trig.radians(tilt), Trig.radians(roll), m, 0);
    m[Matrix.OX] = x;
    m[Matrix.OY] = y;
    m[Matrix.OZ] = z;
    return this;
  }

  public MeshBuilder place(double x, double y, double z) {
    return place(x, y, z, 0, 0, 0);
  }

  private int corner(double x, double y, double z, double nx, double ny, double nz) {
    if (corners * 3 == positions.length) {
      int size = Math.max(96, positions.length * 2);
      positions = Arrays.copyOf(positions, size);
      normals = Arrays.copyOf(normals, size);
      colours = Arrays.copyOf(colours, size);
    }
    double l = Math.sqrt(nx * nx + ny * ny + nz * nz);
    if (l == 0) l = 1;
    int o = corners * 3;
    positions[o] = (float) (m[Matrix.XX] * x + m[Matrix.YX] * y + m[Matrix.ZX] * z + m[Matrix.OX]);
    positions[o + 1] =
        (float) (m[Matrix.XY] * x + m[Matrix.YY] * y + m[Matrix.ZY] * z + m[Matrix.OY]);
    positions[o + 2] =
        (float) (m[Matrix.XZ] * x + m[Matrix.YZ] * y + m[Matrix.ZZ] * z + m[Matrix.OZ]);
    normals[o] = (float) ((m[Matrix.XX] * nx + m[Matrix.YX] * ny + m[Matrix.ZX] * nz) / l);
    normals[o + 1] = (float) ((m[Matrix.XY] * nx + m[Matrix.YY] * ny + m[Matrix.ZY] * nz) / l);
    normals[o + 2] = (float) ((m[Matrix.XZ] * nx + m[Matrix.YZ] * ny + m[Matrix.ZZ] * nz) / l);
    colours[o] = red;
    colours[o + 1] = green;
    colours[o + 2] = blue;
    return corners++;
  }

  private void triangle(int a, int b, int c) {
    if (count + 3 > indices.length)
      indices = Arrays.copyOf(indices, Math.max(96, indices.length * 2));
    indices[count++] = a;
    indices[count++] = b;
    indices[count++] = c;
  }

  /** A flat polygon of corners x, y, z …, counter-clockwise seen from outside. */
  public MeshBuilder face(double... p) {
    double ux = p[3] - p[0], uy = p[4] - p[1], uz = p[5] - p[2];
    double vx = p[6] - p[0], vy = p[7] - p[1], vz = p[8] - p[2];
    double nx = uy * vz - uz * vy, ny = uz * vx - ux * vz, nz = ux * vy - uy * vx;
    int first = corners;
    for (int i = 0; i < p.length; i += 3) corner(p[i], p[i + 1], p[i + 2], nx, ny, nz);
    for (int i = 1; i + 1 < p.length / 3; i++) triangle(first, first + i, first + i + 1);
    return this;
  }

  /** The same polygon seen from both sides: cloth, sails, paper. */
  public MeshBuilder cloth(double... p) {
    face(p);
    double[] r = new double[p.length];
    for (int i = 0; i < p.length; i += 3) System.arraycopy(p, p.length - 3 - i, r, i, 3);
    return face(r);
  }

  /** A box standing on its origin. */
  public MeshBuilder box(double w, double h, double d) {
    return block(w, w, h, d, d);
  }

  /** A box that narrows: {@code w0 × d0} below, {@code w1 × d1} above, standing on its origin. */
  public MeshBuilder block(double w0, double w1, double h, double d0, double d1) {
    double a = w0 / 2, b = w1 / 2, c = d0 / 2, e = d1 / 2;
    face(-a, 0, c, a, 0, c, b, h, e, -b, h, e);
    face(a, 0, -c, -a, 0, -c, -b, h, -e, b, h, -e);
    face(a, 0, c, a, 0, -c, b, h, -e, b, h, e);
    face(-a, 0, -c, -a, 0, c, -b, h, e, -b, h, -e);
    face(-b, h, e, b, h, e, b, h, -e, -b, h, -e);
    return face(-a, 0, -c, a, 0, -c, a, 0, c, -a, 0, c);
  }

  /** A round solid: the outline radius, height, radius, height … turned about Y. */
  public MeshBuilder turned(int sides, double... outline) {
    for (int i = 0; i + 3 < outline.length; i += 2) {
      double r0 = outline[i], y0 = outline[i + 1], r1 = outline[i + 2], y1 = outline[i + 3];
      double ny = r0 - r1, nr = y1 - y0;
      int first = corners;
      for (int s = 0; s <= sides; s++) {
        double angle = 2 * Math.PI * s / sides, x = Trig.sin(angle), z = Trig.cos(angle);
        corner(x * r0, y0, z * r0, x * nr, ny, z * nr);
        corner(x * r1, y1, z * r1, x * nr, ny, z * nr);
      }
      for (int s = 0; s < sides; s++) {
        int q = first + s * 2;
        if (r0 > 0) triangle(q, q + 2, q + 3);
        if (r1 > 0) triangle(q, q + 3, q + 1);
      }
    }
    return this;
  }

  /** A cylinder with its ends, standing on its origin. */
  public MeshBuilder cylinder(int sides, double radius, double height) {
    return turned(sides, 0, 0, radius, 0, radius, height, 0, height);
  }

  /** An ellipsoid about the origin. */
  public MeshBuilder ellipsoid(int sides, double rx, double ry, double rz) {
    int rings = Math.max(4, sides / 2), first = corners;
    for (int r = 0; r <= rings; r++) {
      double t = Math.PI * r / rings, y = -Trig.cos(t), k = Trig.sin(t);
      for (int s = 0; s <= sides; s++) {
        double a = 2 * Math.PI * s / sides, x = Trig.sin(a) * k, z = Trig.cos(a) * k;
        corner(x * rx, y * ry, z * rz, x / rx, y / ry, z / rz);
      }
    }
    for (int r = 0; r < rings; r++) {
      for (int s = 0; s < sides; s++) {
        int q = first + r * (sides + 1) + s, up = q + sides + 1;
        if (r > 0) triangle(q, q + 1, up + 1);
        if (r < rings - 1) triangle(q, up + 1, up);
      }
    }
    return this;
  }

  public Mesh mesh() {
    return new Mesh(
        Arrays.copyOf(positions, corners * 3),
        Arrays.copyOf(normals, corners * 3),
        Arrays.copyOf(colours, corners * 3),
        Arrays.copyOf(indices, count));
  }
}
