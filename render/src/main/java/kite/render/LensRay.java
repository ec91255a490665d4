package kite.render;

import java.util.List;
import kite.core.math.Matrix;
import kite.render.sample.Disc;
import kite.render.sample.Spread;
import kite.render.trace.SceneRay;

/** Light along rays through the lens. Belongs to one thread. */
final class LensRay {
  /** Shadow and sky rays start no nearer to the surface than this, metres. */
  private static final double LEAST_LIFT_M = 1e-4;

  /** Shadow and sky rays start this share of the distance off the surface, against self-shadow. */
  private static final double LIFT = 1e-5;

  /** A look at the sky that all but cancels the normal has no direction: the normal's is taken. */
  private static final double NO_DIRECTION = 1e-6;

  /** How far a look at the sky goes, metres. */
  private static final double SKY_M = 1e6;

  /** The way through the haze to where there is only sky. */
  private static final double BEYOND_M = 1e5;

  /** What is left of the sky's light where something stands in its way. */
  private static final double IN_THE_SHADE = 0.25;

  private final Moment[] moments;
  private final ViewBetween view = new ViewBetween();
  private Scene scene;
  private Surroundings around;
  private Sky sky;
  private final Spread spread;
  private final Gloss gloss;
  private final SceneRay ray = new SceneRay();
  private final SceneRay up = new SceneRay();
  private final SceneRay[] toLamp;
  private final Scene.Hit hit = new Scene.Hit();
  private final Disc disc = new Disc();
  private final double[] colour = new double[3];
  private final double[] air = new double[3];
  private final double[] dir = new double[3];
  private final Lamp.Look look = new Lamp.Look();

  /**
   * @param moments of the exposure, evenly from its beginning to its end; one for none
   */
  LensRay(List<Moment> moments, Spread spread) {
    this.moments = moments.toArray(new Moment[0]);
    this.spread = spread;
    gloss = new Gloss();
    toLamp = new SceneRay[this.moments[0].around().lamps().size()];
    for (int i = 0; i < toLamp.length; i++) toLamp[i] = new SceneRay();
    go(0);
  }

  /** Goes to a time of the exposure, 0 to 1. */
  private void go(double share) {
    double step = share * (moments.length - 1);
    int i = (int) step;
    view.between(moments[i].view(), moments[Math.min(i + 1, moments.length - 1)].view(), step - i);
    Moment m = moments[(int) (step + 0.5)];
    scene = m.scene();
    around = m.around();
    sky = around.sky();
  }

  /**
   * Sends one ray through a place in the frame; (0, 0) is the top left corner.
   *
   * @return linear red, green, blue; overwritten by the next ray
   */
  double[] shoot(double across, double down) {
    if (moments.length > 1) {
      spread.pair(Choice.TIME);
      go(spread.x);
    }
    double sx = view.left + across * view.width;
    double sy = view.top - down * view.height;
    double lx = 0, ly = 0;
    if (view.pupilRadiusM > 0) {
      spread.pair(Choice.LENS);
      disc.at(spread.x, spread.y);
      lx = disc.x * view.pupilRadiusM;
      ly = disc.y * view.pupilRadiusM;
    }
    // camera-space direction with z = −1: its length along the axis is the ray's parameter
    double cx = sx - lx / view.focusM, cy = sy - ly / view.focusM;
    double[] m = view.world;
    dir[0] = m[Matrix.XX] * cx + m[Matrix.YX] * cy - m[Matrix.ZX];
    dir[1] = m[Matrix.XY] * cx + m[Matrix.YY] * cy - m[Matrix.ZY];
    dir[2] = m[Matrix.XZ] * cx + m[Matrix.YZ] * cy - m[Matrix.ZZ];
    double ox = m[Matrix.OX] + m[Matrix.XX] * lx + m[Matrix.YX] * ly,
        oy = m[Matrix.OY] + m[Matrix.XY] * lx + m[Matrix.YY] * ly,
        oz = m[Matrix.OZ] + m[Matrix.XZ] * lx + m[Matrix.YZ] * ly;
    ray.set(ox, oy, oz, dir[0], dir[1], dir[2], view.nearM, view.farM);
    double l = Math.sqrt(dir[0] * dir[0] + dir[1] * dir[1] + dir[2] * dir[2]);
    boolean met = scene.nearest(ray);
    double depth = met ? ray.far() : Double.POSITIVE_INFINITY;
    for (int i = 0; i < 3; i++) dir[i] /= l;
    if (met) shade(l * depth);
    else if (around.background() == null) sky.radiance(dir[1], colour);
    else System.arraycopy(around.background(), 0, colour, 0, 3);
    double through = around.haze().through(oy, dir[1], met ? l * depth : BEYOND_M);
    if (through < 1)
      for (int i = 0; i < 3; i++)
        colour[i] = colour[i] * through + around.hazeColour()[i] * (1 - through);
    for (PlateLayer p : around.plates()) plate(p, across, down, lx, ly, cx, cy, depth);
    return colour;
  }

  /** A plate is flat in the frame, unless it stands at a depth: then the lens sees it there. */
  private void plate(
      PlateLayer p,
      double across,
      double down,
      double lx,
      double ly,
      double cx,
      double cy,
      double depth) {
    double d = p.depthM();
    if (p.inFront() || d <= 0) {
      if (p.inFront() || Double.isInfinite(depth)) p.over(across, down, colour);
      return;
    }
    if (d >= depth || d < view.nearM || d > view.farM) return;
    double x = (lx + cx * d) / d, y = (ly + cy * d) / d;
    p.over((x - view.left) / view.width, (view.top - y) / view.height, colour);
  }

  private void shade(double distance) {
    scene.meet(ray, hit);
    Material mat = scene.placed(hit.placed).surface().material();
    double[] n = hit.normal, base = hit.colour;
    base[0] *= mat.red();
    base[1] *= mat.green();
    base[2] *= mat.blue();
    if (mat.texture() != null) {
      mat.texture().sample(hit.textureU, hit.textureV, air);
      for (int i = 0; i < 3; i++) base[i] *= air[i];
    }
    double facing = -(n[0] * dir[0] + n[1] * dir[1] + n[2] * dir[2]);
    if (facing < 0) {
      for (int i = 0; i < 3; i++) n[i] = -n[i];
      facing = -facing;
    }
    double lift = Math.max(LEAST_LIFT_M, distance * LIFT);
    double px = hit.at[0] + n[0] * lift, py = hit.at[1] + n[1] * lift, pz = hit.at[2] + n[2] * lift;
    skyLight(n, px, py, pz);
    for (int i = 0; i < 3; i++) colour[i] = base[i] * air[i] * (1 - mat.metal() * 0.6);
    gloss.of(mat, base, facing);
    for (int i = 0; i < toLamp.length; i++)
      lampLight(around.lamps().get(i), i, mat, n, base, px, py, pz);
  }

  /** One cosine-weighted look at the sky; what stands in its way gives a little of its shade. */
  private void skyLight(double[] n, double px, double py, double pz) {
    spread.pair(Choice.SKY);
    double z = 2 * spread.x - 1, a = 2 * Math.PI * spread.y, k = Math.sqrt(1 - z * z);
    double x = n[0] + k * Math.cos(a), y = n[1] + z, w = n[2] + k * Math.sin(a);
    double l = Math.sqrt(x * x + y * y + w * w);
    if (l < NO_DIRECTION) {
      x = n[0];
      y = n[1];
      w = n[2];
      l = 1;
    }
    sky.radiance(y / l, air);
    if (scene.blocked(up.set(px, py, pz, x / l, y / l, w / l, 0, SKY_M)))
      for (int i = 0; i < 3; i++) air[i] *= IN_THE_SHADE;
  }

  /** What one light adds; its shadow is filled with its tint. */
  private void lampLight(
      Lamp l, int which, Material mat, double[] n, double[] base, double px, double py, double pz) {
    if (l.chooses()) spread.pair(Choice.LAMPS + which);
    l.look(px, py, pz, spread.x, spread.y, look);
    double lit = n[0] * look.x + n[1] * look.y + n[2] * look.z;
    if (lit <= 0 || look.share <= 0) return;
    boolean shadowed =
        scene.blocked(toLamp[which].set(px, py, pz, look.x, look.y, look.z, 0, look.distanceM));
    double[] tint = l.shadowTint();
    if (shadowed && tint[0] + tint[1] + tint[2] == 0) return;
    double hx = look.x - dir[0], hy = look.y - dir[1], hz = look.z - dir[2];
    double h = Math.sqrt(hx * hx + hy * hy + hz * hz);
    double nh = Math.max(0, (n[0] * hx + n[1] * hy + n[2] * hz) / h),
        vh = Math.max(0, -(dir[0] * hx + dir[1] * hy + dir[2] * hz) / h);
    double shine = l.specular() ? gloss.shine(lit, nh) : 0;
    double k = 1 - vh, fresnel = k * k * k * k * k;
    for (int i = 0; i < 3; i++) {
      double f0 = gloss.f0[i], f = f0 + (1 - f0) * fresnel;
      double diffuse = base[i] * (1 - mat.metal()) / Math.PI * (1 - f);
      double arrives = l.irradiance()[i] * look.share * (shadowed ? tint[i] : 1);
      colour[i] += arrives * lit * (diffuse + shine * f);
    }
  }
}
