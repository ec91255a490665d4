package kite.core.math;

/** A point or direction in metres. Immutable; hot paths use plain arrays through {@link Matrix}. */
public record Vec3(double x, double y, double z) {
  public static final Vec3 ZERO = new Vec3(0, 0, 0);

  public Vec3 plus(Vec3 o) {
    return new Vec3(x + o.x, y + o.y, z + o.z);
  }

  /** The lesser of each coordinate. */
  public Vec3 least(Vec3 o) {
    return new Vec3(Math.min(x, o.x), Math.min(y, o.y), Math.min(z, o.z));
  }

  /** The greater of each coordinate. */
  public Vec3 most(Vec3 o) {
    return new Vec3(Math.max(x, o.x), Math.max(y, o.y), Math.max(z, o.z));
  }

  public Vec3 minus(Vec3 o) {
    return new Vec3(x - o.x, y - o.y, z - o.z);
  }

  public Vec3 times(double k) {
    return new Vec3(x * k, y * k, z * k);
  }

  public double dot(Vec3 o) {
    return x * o.x + y * o.y + z * o.z;
  }

  public Vec3 cross(Vec3 o) {
    return new Vec3(y * o.z - z * o.y, z * o.x - x * o.z, x * o.y - y * o.x);
  }

  public double length() {
    return Math.sqrt(dot(this));
  }

  public double distance(Vec3 o) {
    return minus(o).length();
  }

  /** The unit vector along this one; {@link #ZERO} stays as it is, having no direction. */
  public Vec3 unit() {
    double l = length();
    return l == 0 ? this : times(1 / l);
  }

  /** The point a share {@code t} of the way from this point to {@code o}. */
  public Vec3 toward(Vec3 o, double t) {
    return new Vec3(x + (o.x - x) * t, y + (o.y - y) * t, z + (o.z - z) * t);
  }
}
