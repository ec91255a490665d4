package kite.render;

import java.util.Collections;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import java.util.function.DoubleSupplier;
import kite.core.math.Matrix;

/**
 * Renders one frame with lens rays: every sample starts on the lens opening and passes through the
 * plane of focus, so depth of field is what the optics say. Rays see nothing nearer than the near
 * clip or beyond the far clip, both measured along the axis, as in the lens view.
 */
public final class FrameRenderer {
  /** Shadow and sky rays start no nearer to the surface than this, metres. */
  private static final double LEAST_LIFT_M = 1e-4;

  /** A look at the sky that all but cancels the normal has no direction: the normal's is taken. */
  private static final double NO_DIRECTION = 1e-6;

  /** The least cosine to the eye that a highlight is worked out for. */
  private static final double GRAZING = 1e-3;

  private static final int TILE = 32;

  /** Shadow and sky rays start this share of the distance off the surface, against self-shadow. */
  private static final double LIFT = 1e-5;

  /** The way through the haze to where there is only sky. */
  private static final double BEYOND_M = 1e5;

  private final Triangles scene;
  private final Bvh bvh;
  private final Surroundings around;
  private final Sky sky;

  public FrameRenderer(Triangles scene, Sky sky) {
    this(scene, Surroundings.of(sky));
  }

  public FrameRenderer(Triangles scene, Surroundings around) {
    this.scene = scene;
    this.around = around;
    sky = around.sky();
    bvh = new Bvh(scene);
  }

  /**
   * Renders on so many threads; the picture does not depend on how many.
   *
   * @param samples lens rays per pixel
   * @param stopped asked between tiles; once true the work ends
   * @return the picture, or null when it was stopped
   */
  public Picture render(
      CameraView view, int width, int height, int samples, int threads, BooleanSupplier stopped) {
    int[] argb = new int[width * height];
    int across = (width + TILE - 1) / TILE, tiles = across * ((height + TILE - 1) / TILE);
    AtomicInteger next = new AtomicInteger();
    Runnable work =
        () -> {
          Worker w = new Worker(view, width, height, samples);
          for (int t = next.getAndIncrement();
              t < tiles && !stopped.getAsBoolean();
              t = next.getAndIncrement()) {
            w.tile(t % across * TILE, t / across * TILE, argb);
          }
        };
    ExecutorService pool = Executors.newFixedThreadPool(threads);
    try {
      for (Future<Object> f :
          pool.invokeAll(Collections.nCopies(threads, Executors.callable(work)))) f.get();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return null;
    } catch (ExecutionException e) {
      throw new IllegalStateException("A render thread failed.", e.getCause());
    } finally {
      pool.shutdownNow();
    }
    return stopped.getAsBoolean() ? null : new Picture(width, height, argb);
  }

  /** One thread's rays and scratch. */
  private final class Worker {
    private final CameraView view;
    private final int width;
    private final int height;
    private final int samples;
    private final Bvh.Ray ray = new Bvh.Ray();
    private final Bvh.Ray side = new Bvh.Ray();
    private final double[] colour = new double[3];
    private final double[] base = new double[3];
    private final double[] air = new double[3];
    private final double[] n = new double[3];
    private final double[] dir = new double[3];
    private final double[] lamp = new double[5];
    private final DoubleSupplier chance = this::next;
    private long random;

    Worker(CameraView view, int width, int height, int samples) {
      this.view = view;
      this.width = width;
      this.height = height;
      this.samples = samples;
    }

    void tile(int x0, int y0, int[] argb) {
      for (int y = y0; y < Math.min(height, y0 + TILE); y++) {
        for (int x = x0; x < Math.min(width, x0 + TILE); x++) argb[y * width + x] = pixel(x, y);
      }
    }

    private int pixel(int x, int y) {
      double r = 0, g = 0, b = 0;
      random = (x * 0x9E3779B97F4A7C15L) ^ (y * 0xC2B2AE3D27D4EB4FL) ^ 0x165667B19E3779F9L;
      int grid = (int) Math.ceil(Math.sqrt(samples));
      for (int s = 0; s < samples; s++) {
        boolean inGrid = s / grid < samples / grid; // whole rows of the grid; the rest anywhere
        double jx = samples == 1 ? 0.5 : inGrid ? (s % grid + next()) / grid : next();
        double jy = samples == 1 ? 0.5 : inGrid ? (s / grid + next()) / (samples / grid) : next();
        shoot((x + jx) / width, (y + jy) / height, s);
        r += colour[0];
        g += colour[1];
        b += colour[2];
      }
      double k = 1.0 / samples;
      return 0xff000000
          | Light.screen(r * k) << 16
          | Light.screen(g * k) << 8
          | Light.screen(b * k);
    }

    private double next() {
      random = random * 6364136223846793005L + 1442695040888963407L;
      long h = random ^ random >>> 32;
      h *= 0xD6E8FEB86659FD93L;
      return ((h ^ h >>> 32) >>> 11) * 0x1.0p-53;
    }

    /** Sends one ray through a place in the frame; (0, 0) is the top left corner. */
    private void shoot(double across, double down, int sample) {
      double sx = view.window().left() + across * view.window().width();
      double sy = view.window().top() - down * view.window().height();
      double lx = 0, ly = 0;
      if (view.pupilRadiusM() > 0) {
        double radius = Math.sqrt((sample + next()) / samples) * view.pupilRadiusM();
        double angle = 2 * Math.PI * (sample * 0.6180339887498949 + next() * 0.25);
        lx = radius * Math.cos(angle);
        ly = radius * Math.sin(angle);
      }
      // camera-space direction with z = −1: its length along the axis is the ray's parameter
      double cx = sx - lx / view.focusM(), cy = sy - ly / view.focusM();
      double[] m = view.world();
      dir[0] = m[Matrix.XX] * cx + m[Matrix.YX] * cy - m[Matrix.ZX];
      dir[1] = m[Matrix.XY] * cx + m[Matrix.YY] * cy - m[Matrix.ZY];
      dir[2] = m[Matrix.XZ] * cx + m[Matrix.YZ] * cy - m[Matrix.ZZ];
      double ox = m[Matrix.OX] + m[Matrix.XX] * lx + m[Matrix.YX] * ly,
          oy = m[Matrix.OY] + m[Matrix.XY] * lx + m[Matrix.YY] * ly,
          oz = m[Matrix.OZ] + m[Matrix.XZ] * lx + m[Matrix.YZ] * ly;
      ray.set(ox, oy, oz, dir[0], dir[1], dir[2], view.nearM(), view.farM());
      double l = Math.sqrt(dir[0] * dir[0] + dir[1] * dir[1] + dir[2] * dir[2]);
      boolean hit = bvh.trace(ray, false);
      double depth = hit ? ray.far : Double.POSITIVE_INFINITY;
      for (int i = 0; i < 3; i++) dir[i] /= l;
      if (hit) shade(l * ray.far);
      else if (around.background() == null) sky.radiance(dir[1], colour);
      else System.arraycopy(around.background(), 0, colour, 0, 3);
      double through = around.haze().through(oy, dir[1], hit ? l * depth : BEYOND_M);
      for (int i = 0; i < 3; i++)
        colour[i] = colour[i] * through + around.hazeColour()[i] * (1 - through);
      for (PlateLayer p : around.plates()) plate(p, across, down, lx, ly, cx, cy, depth);
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
      if (d >= depth || d < view.nearM() || d > view.farM()) return;
      double x = (lx + cx * d) / d, y = (ly + cy * d) / d;
      p.over(
          (x - view.window().left()) / view.window().width(),
          (view.window().top() - y) / view.window().height(),
          colour);
    }

    private void shade(double distance) {
      int h = ray.hit;
      Material mat = scene.palette.get(scene.materials[h]);
      surface(h, mat);
      double facing = -(n[0] * dir[0] + n[1] * dir[1] + n[2] * dir[2]);
      if (facing < 0) {
        for (int i = 0; i < 3; i++) n[i] = -n[i];
        facing = -facing;
      }
      double px = ray.ox + ray.dx * ray.far,
          py = ray.oy + ray.dy * ray.far,
          pz = ray.oz + ray.dz * ray.far;
      double lift = Math.max(LEAST_LIFT_M, distance * LIFT);
      px += n[0] * lift;
      py += n[1] * lift;
      pz += n[2] * lift;
      skyLight(px, py, pz);
      for (int i = 0; i < 3; i++) colour[i] = base[i] * air[i] * (1 - mat.metal() * 0.6);
      for (Lamp l : around.lamps()) lampLight(l, mat, facing, px, py, pz);
    }

    /** Fills the base colour and the blended normal at the hit. */
    private void surface(int h, Material mat) {
      double u = ray.u, v = ray.v, w = 1 - u - v;
      int o = h * 9;
      for (int i = 0; i < 3; i++) {
        n[i] =
            scene.normals[o + i] * w + scene.normals[o + 3 + i] * u + scene.normals[o + 6 + i] * v;
        base[i] =
            scene.colours[o + i] * w + scene.colours[o + 3 + i] * u + scene.colours[o + 6 + i] * v;
      }
      double l = Math.sqrt(n[0] * n[0] + n[1] * n[1] + n[2] * n[2]);
      for (int i = 0; i < 3; i++) n[i] = l == 0 ? (i == 1 ? 1 : 0) : n[i] / l;
      base[0] *= mat.red();
      base[1] *= mat.green();
      base[2] *= mat.blue();
      if (mat.texture() == null) return;
      float[] p = scene.places;
      int q = h * 6;
      mat.texture()
          .sample(
              p[q] * w + p[q + 2] * u + p[q + 4] * v,
              p[q + 1] * w + p[q + 3] * u + p[q + 5] * v,
              air);
      for (int i = 0; i < 3; i++) base[i] *= air[i];
    }

    /** One cosine-weighted look at the sky; what stands in its way gives a little of its shade. */
    private void skyLight(double px, double py, double pz) {
      double z = 2 * next() - 1, a = 2 * Math.PI * next(), k = Math.sqrt(1 - z * z);
      double x = n[0] + k * Math.cos(a), y = n[1] + z, w = n[2] + k * Math.sin(a);
      double l = Math.sqrt(x * x + y * y + w * w);
      if (l < NO_DIRECTION) {
        x = n[0];
        y = n[1];
        w = n[2];
        l = 1;
      }
      sky.radiance(y / l, air);
      side.set(px, py, pz, x / l, y / l, w / l, 0, 1e6);
      if (bvh.trace(side, true)) for (int i = 0; i < 3; i++) air[i] = air[i] * 0.25;
    }

    /** What one light adds; its shadow is filled with its tint. */
    private void lampLight(Lamp l, Material mat, double facing, double px, double py, double pz) {
      l.look(px, py, pz, chance, lamp);
      double x = lamp[0], y = lamp[1], z = lamp[2], share = lamp[4];
      double lit = n[0] * x + n[1] * y + n[2] * z;
      if (lit <= 0 || share <= 0) return;
      boolean shadowed = bvh.trace(side.set(px, py, pz, x, y, z, 0, lamp[3]), true);
      double[] tint = l.shadowTint();
      if (shadowed && tint[0] + tint[1] + tint[2] == 0) return;
      double hx = x - dir[0], hy = y - dir[1], hz = z - dir[2];
      double h = Math.sqrt(hx * hx + hy * hy + hz * hz);
      double nh = Math.max(0, (n[0] * hx + n[1] * hy + n[2] * hz) / h),
          vh = Math.max(0, -(dir[0] * hx + dir[1] * hy + dir[2] * hz) / h);
      double gloss = l.specular() ? gloss(mat.roughness(), lit, Math.max(GRAZING, facing), nh) : 0;
      double fresnel = Math.pow(1 - vh, 5);
      for (int i = 0; i < 3; i++) {
        double f0 = 0.04 + (base[i] - 0.04) * mat.metal(), f = f0 + (1 - f0) * fresnel;
        double diffuse = base[i] * (1 - mat.metal()) / Math.PI * (1 - f);
        double arrives = l.irradiance()[i] * share * (shadowed ? tint[i] : 1);
        colour[i] += arrives * lit * (diffuse + gloss * f);
      }
    }

    /** GGX distribution with Smith's height-correlated shadowing (Heitz, 2014), without Fresnel. */
    private double gloss(double roughness, double nl, double nv, double nh) {
      double a = Math.max(0.02, roughness * roughness), a2 = a * a;
      double d = nh * nh * (a2 - 1) + 1;
      double gv = nl * Math.sqrt(nv * nv * (1 - a2) + a2),
          gl = nv * Math.sqrt(nl * nl * (1 - a2) + a2);
      return a2 / (Math.PI * d * d) * 0.5 / (gv + gl);
    }
  }
}
