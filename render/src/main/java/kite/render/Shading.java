package kite.render;

import kite.render.sample.Spread;
import kite.render.trace.SceneRay;

/**
 * The light that what a ray met sends back along it. What that mirrors, and what light it has from
 * other surfaces, is followed once. Belongs to one thread.
 */
final class Shading {
  /** Rays from a surface start no nearer to it than this, metres. */
  private static final double LEAST_LIFT_M = 1e-4;

  /** They start this share of the distance off the surface, against self-shadow. */
  private static final double LIFT = 1e-5;

  /** A look at the sky that all but cancels the normal has no direction: the normal's is taken. */
  private static final double NO_DIRECTION = 1e-6;

  /** How far a look at the sky goes, metres. */
  private static final double SKY_M = 1e6;

  /**
   * What is left of the sky's light where something stands in its way and no bounce is followed.
   */
  private static final double IN_THE_SHADE = 0.25;

  /**
   * A mirrored or bounced ray brings no more than this: a rare bright one would stay as a speck.
   */
  private static final double BRIGHTEST = 16;

  private final Spread spread;
  private final Seeing seeing;
  private final boolean bounce;

  /** For what is met after this; null where nothing is followed on. */
  private final Shading after;

  private final int choices;
  private final Gloss gloss = new Gloss();
  private final SceneRay up = new SceneRay();
  private final SceneRay[] toLamp;
  private final Lamp.Look look = new Lamp.Look();
  private final double[] way = new double[3];
  private final double[] light = new double[3];
  private final double[] finish = new double[3];
  private final Scene.Hit hitAfter = new Scene.Hit();
  private final Parts partsAfter = new Parts(0);

  /**
   * @param bounce whether light from other surfaces is followed
   */
  Shading(Spread spread, Seeing seeing, int lamps, boolean bounce) {
    this(
        spread,
        seeing,
        lamps,
        bounce,
        0,
        new Shading(spread, seeing, lamps, false, Choice.AFTER, null));
  }

  private Shading(
      Spread spread, Seeing seeing, int lamps, boolean bounce, int choices, Shading after) {
    this.spread = spread;
    this.seeing = seeing;
    this.bounce = bounce;
    this.choices = choices;
    this.after = after;
    toLamp = new SceneRay[lamps];
    for (int i = 0; i < lamps; i++) toLamp[i] = new SceneRay();
  }

  /**
   * @param hit what was met; its normal is turned to the ray, its colour made the surface's own
   * @param dir unit way of the ray
   * @param distance metres to what was met
   * @param out cleared before
   */
  void shade(
      Scene scene, Surroundings around, Scene.Hit hit, double[] dir, double distance, Parts out) {
    Material mat = scene.placed(hit.placed).surface().material();
    double[] n = hit.normal, base = hit.colour;
    double metal = mat.metal(), roughness = mat.roughness();
    base[0] *= mat.red();
    base[1] *= mat.green();
    base[2] *= mat.blue();
    if (mat.texture() != null) {
      mat.texture().sample(hit.textureU, hit.textureV, light);
      for (int i = 0; i < 3; i++) base[i] *= light[i];
    }
    if (mat.shine() != null) {
      mat.shine().numbers(hit.textureU, hit.textureV, finish);
      roughness *= finish[1];
      metal *= finish[2];
    }
    double lift = Math.max(LEAST_LIFT_M, distance * LIFT);
    double facing = turnToRay(n, dir);
    double px = hit.at[0] + n[0] * lift, py = hit.at[1] + n[1] * lift, pz = hit.at[2] + n[2] * lift;
    if (mat.relief() != null) facing = relief(scene, hit, mat.relief(), dir);
    glow(mat.glow(), hit, out);
    gloss.of(roughness, metal, base, facing);
    sky(scene, around, n, px, py, pz, base, 1 - metal, out);
    for (int i = 0; i < toLamp.length; i++)
      lamp(scene, around.lamps().get(i), i, metal, n, dir, base, px, py, pz, out);
    if (gloss.mirrors > 0) mirrored(scene, around, n, dir, px, py, pz, out);
  }

  /** Turns a normal to the side that is seen; gives the cosine to the eye. */
  private static double turnToRay(double[] n, double[] dir) {
    double facing = -(n[0] * dir[0] + n[1] * dir[1] + n[2] * dir[2]);
    if (facing < 0) for (int i = 0; i < 3; i++) n[i] = -n[i];
    return Math.abs(facing);
  }

  private double relief(Scene scene, Scene.Hit hit, Material.Relief r, double[] dir) {
    r.texture().numbers(hit.textureU, hit.textureV, light);
    light[0] = (2 * light[0] - 1) * r.scale();
    light[1] = (2 * light[1] - 1) * r.scale();
    light[2] = 2 * light[2] - 1;
    scene.turn(hit, light);
    double[] n = hit.normal;
    return Math.max(0, -(n[0] * dir[0] + n[1] * dir[1] + n[2] * dir[2]));
  }

  private void glow(Material.Glow g, Scene.Hit hit, Parts out) {
    if (g.isNone()) return;
    out.emission[0] = g.red();
    out.emission[1] = g.green();
    out.emission[2] = g.blue();
    if (g.texture() == null) return;
    g.texture().sample(hit.textureU, hit.textureV, light);
    for (int i = 0; i < 3; i++) out.emission[i] *= light[i];
  }

  /**
   * One cosine-weighted look at the sky; what stands in its way gives a little of its shade, or,
   * where bounces are followed, the light it has itself.
   *
   * @param dull share of what is not mirrored as a metal does
   */
  private void sky(
      Scene scene,
      Surroundings around,
      double[] n,
      double px,
      double py,
      double pz,
      double[] base,
      double dull,
      Parts out) {
    if (dull <= 0) return;
    spread.pair(choices + Choice.SKY);
    double z = 2 * spread.x - 1, a = 2 * Math.PI * spread.y, k = Math.sqrt(1 - z * z);
    double x = n[0] + k * Math.cos(a), y = n[1] + z, w = n[2] + k * Math.sin(a);
    double l = Math.sqrt(x * x + y * y + w * w);
    if (l < NO_DIRECTION) {
      x = n[0];
      y = n[1];
      w = n[2];
      l = 1;
    }
    way[0] = x / l;
    way[1] = y / l;
    way[2] = w / l;
    int through = choices + Choice.THROUGH;
    if (bounce && after != null) {
      if (seeing.nearest(scene, up, px, py, pz, way, 0, SKY_M, through)) {
        follow(scene, around, light);
        for (int i = 0; i < 3; i++) out.bounce[i] = base[i] * light[i] * dull;
        return;
      }
      around.sky().radiance(way[1], light);
    } else {
      around.sky().radiance(way[1], light);
      if (seeing.blocked(scene, up, px, py, pz, way, SKY_M, through))
        for (int i = 0; i < 3; i++) light[i] *= IN_THE_SHADE;
    }
    for (int i = 0; i < 3; i++) out.ambient[i] = base[i] * light[i] * dull;
  }

  /** The light of what {@link #up} met, along {@link #way}. */
  private void follow(Scene scene, Surroundings around, double[] into) {
    scene.meet(up, hitAfter);
    partsAfter.clear();
    after.shade(scene, around, hitAfter, way, up.far(), partsAfter);
    partsAfter.sum(into);
    for (int i = 0; i < 3; i++) into[i] = Math.min(BRIGHTEST, into[i]);
  }

  /** What one way of all that are mirrored shows; what is met there mirrors the sky alone. */
  private void mirrored(
      Scene scene,
      Surroundings around,
      double[] n,
      double[] dir,
      double px,
      double py,
      double pz,
      Parts out) {
    spread.pair(choices + Choice.MIRROR);
    double share = gloss.mirror(n, dir, spread.x, spread.y) * gloss.mirrors;
    if (share <= 0) return;
    double[] w = gloss.way;
    double hx = w[0] - dir[0], hy = w[1] - dir[1], hz = w[2] - dir[2];
    double h = Math.sqrt(hx * hx + hy * hy + hz * hz);
    double facet = h == 0 ? 0 : -(dir[0] * hx + dir[1] * hy + dir[2] * hz) / h;
    System.arraycopy(w, 0, way, 0, 3);
    int through = choices + Choice.THROUGH + Choice.THROUGH_EACH;
    if (after != null && seeing.nearest(scene, up, px, py, pz, way, 0, SKY_M, through))
      follow(scene, around, light);
    else around.sky().radiance(way[1], light);
    for (int i = 0; i < 3; i++) out.reflection[i] = light[i] * share * gloss.fresnel(i, facet);
  }

  /** What one light adds; its shadow is filled with its tint. */
  private void lamp(
      Scene scene,
      Lamp l,
      int which,
      double metal,
      double[] n,
      double[] dir,
      double[] base,
      double px,
      double py,
      double pz,
      Parts out) {
    if (l.chooses()) spread.pair(choices + Choice.LAMPS + which);
    l.look(px, py, pz, spread.x, spread.y, look);
    double lit = n[0] * look.x + n[1] * look.y + n[2] * look.z;
    if (lit <= 0 || look.share <= 0) return;
    way[0] = look.x;
    way[1] = look.y;
    way[2] = look.z;
    boolean shadowed =
        seeing.blocked(
            scene,
            toLamp[which],
            px,
            py,
            pz,
            way,
            look.distanceM,
            choices + Choice.THROUGH_TO_LAMPS + which * Choice.THROUGH_EACH);
    double[] tint = l.shadowTint();
    double hx = look.x - dir[0], hy = look.y - dir[1], hz = look.z - dir[2];
    double h = Math.sqrt(hx * hx + hy * hy + hz * hz);
    double nh = Math.max(0, (n[0] * hx + n[1] * hy + n[2] * hz) / h),
        vh = Math.max(0, -(dir[0] * hx + dir[1] * hy + dir[2] * hz) / h);
    double shine = l.specular() ? gloss.shine(lit, nh) : 0;
    boolean byLamp = out.lampDiffuse.length > 0;
    for (int i = 0; i < 3; i++) {
      double f = gloss.fresnel(i, vh);
      double arrives = l.irradiance()[i] * look.share * lit;
      double all = arrives * base[i] * (1 - metal) / Math.PI * (1 - f), high = arrives * shine * f;
      double share = shadowed ? tint[i] : 1;
      out.diffuse[i] += all * share;
      out.specular[i] += high * share;
      out.shadow[i] += (all + high) * (1 - share);
      if (!byLamp) continue;
      out.lampDiffuse[which][i] = all * share;
      out.lampSpecular[which][i] = high * share;
      out.lampShadow[which][i] = (all + high) * (1 - share);
    }
  }
}
