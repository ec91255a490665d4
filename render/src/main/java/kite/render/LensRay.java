package kite.render;

import java.util.List;
import kite.core.math.Matrix;
import kite.render.sample.Disc;
import kite.render.sample.Spread;
import kite.render.trace.SceneRay;

/** Light along rays through the lens. Belongs to one thread. */
final class LensRay {
  /** The way through the haze to where there is only sky. */
  private static final double BEYOND_M = 1e5;

  private final Moment[] moments;
  private final Wanted wanted;
  private final ViewBetween view = new ViewBetween();
  private Moment now;
  private final Spread spread;
  private final Seeing seeing;
  private final Shading shading;
  private final SceneRay ray = new SceneRay();
  private final Disc disc = new Disc();
  private final double[] colour = new double[3];
  private final double[] dir = new double[3];
  private final double[] unit = new double[3];

  /** What the ray met. */
  final Scene.Hit hit = new Scene.Hit();

  /** Its light, by where it comes from. */
  final Parts parts;

  /** How far along the axis it met something, metres; infinite where it met nothing. */
  double depthM;

  /** What of the picture is covered here, 0 to 1. */
  double covers;

  /**
   * @param moments of the exposure, evenly from its beginning to its end; one for none
   */
  LensRay(List<Moment> moments, Spread spread, Wanted wanted) {
    this.moments = moments.toArray(new Moment[0]);
    this.spread = spread;
    this.wanted = wanted;
    int lamps = this.moments[0].around().lamps().size();
    seeing = new Seeing(spread);
    parts = new Parts(wanted.byLamp() ? lamps : 0);
    shading = new Shading(spread, seeing, lamps, wanted.bounce());
    go(0);
  }

  /** Goes to a time of the exposure, 0 to 1. */
  private void go(double share) {
    double step = share * (moments.length - 1);
    int i = (int) step;
    view.between(moments[i].view(), moments[Math.min(i + 1, moments.length - 1)].view(), step - i);
    now = moments[(int) (step + 0.5)];
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
    boolean met =
        seeing.nearest(now.scene(), ray, ox, oy, oz, dir, view.nearM, view.farM, Choice.THROUGH);
    depthM = met ? ray.far() : Double.POSITIVE_INFINITY;
    double l = Math.sqrt(dir[0] * dir[0] + dir[1] * dir[1] + dir[2] * dir[2]);
    for (int i = 0; i < 3; i++) unit[i] = dir[i] / l;
    parts.clear();
    covers = 1;
    Surroundings around = now.around();
    if (met) {
      now.scene().meet(ray, hit);
      shading.shade(now.scene(), around, hit, unit, l * depthM, parts);
    } else if (!wanted.surroundings()) covers = 0;
    else if (around.background() == null) around.sky().radiance(unit[1], parts.surroundings);
    else System.arraycopy(around.background(), 0, parts.surroundings, 0, 3);
    double through = around.haze().through(oy, unit[1], met ? l * depthM : BEYOND_M);
    if (through < 1 && covers > 0) {
      parts.scale(through);
      for (int i = 0; i < 3; i++) parts.surroundings[i] += around.hazeColour()[i] * (1 - through);
    }
    if (wanted.surroundings())
      for (PlateLayer p : around.plates()) plate(p, across, down, lx, ly, cx, cy);
    parts.sum(colour);
    return colour;
  }

  /** A plate is flat in the frame, unless it stands at a depth: then the lens sees it there. */
  private void plate(
      PlateLayer p, double across, double down, double lx, double ly, double cx, double cy) {
    double d = p.depthM();
    if (p.inFront() || d <= 0) {
      if (p.inFront() || Double.isInfinite(depthM)) over(p, across, down);
      return;
    }
    if (d >= depthM || d < view.nearM || d > view.farM) return;
    double x = (lx + cx * d) / d, y = (ly + cy * d) / d;
    over(p, (x - view.left) / view.width, (view.top - y) / view.height);
  }

  private void over(PlateLayer p, double across, double down) {
    double hides = p.at(across, down, colour);
    if (hides <= 0) return;
    parts.scale(1 - hides);
    for (int i = 0; i < 3; i++) parts.surroundings[i] += colour[i];
  }
}
