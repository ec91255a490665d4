package kite.render;

import java.util.Collections;
import java.util.List;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;
import kite.render.sample.Spread;

/**
 * Renders one frame with lens rays: every sample starts on the lens opening and passes through the
 * plane of focus, so depth of field is what the optics say. Rays see nothing nearer than the near
 * clip or beyond the far clip, both measured along the axis, as in the lens view.
 */
public final class FrameRenderer {
  private static final int TILE = 16;

  /** Rays that every pixel has before it may have enough. */
  private static final int FIRST = 4;

  /**
   * Rays that a pixel has which differs from its neighbours: an edge may pass through its corner.
   */
  private static final int FIRST_AT_EDGES = 8;

  /** Steps of 8 bits on the screen by which neighbours differ where an edge may be. */
  private static final double EDGE = 6;

  /** What a pixel takes in memory until the picture is written. */
  public static final int BYTES_A_PIXEL = 28;

  private final List<Moment> moments;
  private final Wanted wanted;
  private final Data data;

  /**
   * @param moments of the exposure, evenly from its beginning to its end; one for a picture that is
   *     sharp in time
   */
  public FrameRenderer(List<Moment> moments) {
    this(moments, Wanted.PICTURE, Data.NONE);
  }

  /** As above, with more than the picture. */
  public FrameRenderer(List<Moment> moments, Wanted wanted, Data data) {
    this.moments = moments;
    this.wanted = wanted;
    this.data = data;
  }

  /**
   * Renders on so many threads; the picture does not depend on how many.
   *
   * @param stopped asked between tiles; once true the work ends
   * @return the picture, or null when it was stopped
   */
  public Picture render(
      int width, int height, Quality quality, int threads, BooleanSupplier stopped) {
    Work all = new Work(width, height, new Rows(0, height), quality, threads, stopped);
    Accumulated light = gather(all, null);
    return light == null ? null : picture(light, all);
  }

  /** As above, with the light itself and the passes that are wanted. */
  public Rendered renderPasses(
      int width, int height, Quality quality, int threads, BooleanSupplier stopped) {
    return passes(new Work(width, height, new Rows(0, height), quality, threads, stopped));
  }

  /**
   * Some rows of a picture, as they are in the whole to the last bit, to be joined with the others.
   *
   * @param passes whether the light itself and the passes are kept, or the picture alone
   * @return null when it was stopped
   */
  public Rendered renderRows(
      int width,
      int height,
      Rows rows,
      boolean passes,
      Quality quality,
      int threads,
      BooleanSupplier stopped) {
    // whether a pixel lies at an edge is seen by its neighbours
    Rows more = rows.withNeighbours(height);
    Work part = new Work(width, height, more, quality, threads, stopped);
    Rows within = new Rows(rows.first() - more.first(), rows.end() - more.first());
    if (passes) {
      Rendered r = passes(part);
      return r == null ? null : r.rows(within);
    }
    Accumulated light = gather(part, null);
    if (light == null) return null;
    return new Rendered(picture(light, part), List.of(), List.of(), List.of()).rows(within);
  }

  /** What is to be rendered, and by how many. */
  private record Work(
      int width, int height, Rows rows, Quality quality, int threads, BooleanSupplier stopped) {
    int pixels() {
      return width * rows.count();
    }
  }

  private Rendered passes(Work work) {
    Gathered beside = new Gathered(work.pixels(), wanted, moments.get(0), data.named());
    Accumulated light = gather(work, beside);
    return light == null ? null : beside.of(light, picture(light, work));
  }

  private static Picture picture(Accumulated light, Work work) {
    int[] argb = new int[work.pixels()];
    for (int i = 0; i < argb.length; i++) argb[i] = light.argb(i);
    return new Picture(work.width, work.rows.count(), argb);
  }

  /** The light of all pixels, or null when it was stopped. */
  private Accumulated gather(Work work, Gathered beside) {
    int width = work.width, rows = work.rows.count();
    Quality quality = work.quality;
    Accumulated light = new Accumulated(width, rows);
    boolean fixed = quality.error() == 0 || quality.samples() <= FIRST;
    ExecutorService pool = Executors.newFixedThreadPool(work.threads);
    Tiles tiles = new Tiles(width, rows, pool, work.threads, work.stopped);
    try {
      int first = fixed ? quality.samples() : FIRST;
      if (!tiles.each(() -> new Rays(work, light, beside).upTo(first))) return null;
      if (!fixed) {
        boolean[] edge = new boolean[work.pixels()];
        if (!tiles.each(() -> (x, y) -> edge[y * width + x] = light.contrast(x, y, rows) > EDGE))
          return null;
        if (!tiles.each(() -> new Rays(work, light, beside).untilSure(edge))) return null;
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return null;
    } finally {
      pool.shutdownNow();
    }
    return light;
  }

  /** What is done to a pixel. */
  private interface EachPixel {
    void at(int x, int y);
  }

  /** A picture's tiles, taken by whatever thread is free. */
  private record Tiles(
      int width, int height, ExecutorService pool, int threads, BooleanSupplier stopped) {

    /**
     * Does something to every pixel.
     *
     * @param worker makes what one thread does it with
     * @return false when it was stopped
     */
    boolean each(Supplier<EachPixel> worker) throws InterruptedException {
      int across = (width + TILE - 1) / TILE, tiles = across * ((height + TILE - 1) / TILE);
      AtomicInteger next = new AtomicInteger();
      Runnable work =
          () -> {
            EachPixel pixel = worker.get();
            for (int t = next.getAndIncrement();
                t < tiles && !stopped.getAsBoolean();
                t = next.getAndIncrement()) {
              int x0 = t % across * TILE, y0 = t / across * TILE;
              for (int y = y0; y < Math.min(height, y0 + TILE); y++)
                for (int x = x0; x < Math.min(width, x0 + TILE); x++) pixel.at(x, y);
            }
          };
      try {
        for (Future<Object> f :
            pool.invokeAll(Collections.nCopies(threads, Executors.callable(work)))) f.get();
      } catch (ExecutionException e) {
        throw new IllegalStateException("A render thread failed.", e.getCause());
      }
      return !stopped.getAsBoolean();
    }
  }

  /** One thread's rays through pixels. */
  private final class Rays {
    private final int width;
    private final int height;
    private final int top;
    private final Quality quality;
    private final Accumulated light;
    private final Spread spread;
    private final LensRay ray;
    private final Gathered beside;
    private final double[] point = new double[3], was = new double[2], moves = new double[2];

    /**
     * @param beside what is kept beside the picture, or null
     */
    Rays(Work work, Accumulated light, Gathered beside) {
      this.beside = beside;
      width = work.width;
      height = work.height;
      top = work.rows.first();
      quality = work.quality;
      this.light = light;
      spread = new Spread(quality.samples());
      ray = new LensRay(moments, spread, wanted);
    }

    EachPixel upTo(int samples) {
      return (x, y) -> shoot(x, y, samples);
    }

    /** Twice as many rays until the error is small enough. */
    EachPixel untilSure(boolean[] edge) {
      return (x, y) -> {
        int at = y * width + x;
        if (edge[at]) shoot(x, y, Math.min(quality.samples(), FIRST_AT_EDGES));
        for (int n = light.samples(at);
            n < quality.samples() && light.error(at) > quality.error();
            n = light.samples(at)) shoot(x, y, Math.min(quality.samples(), 2 * n));
      };
    }

    /** Pixels to where what was met is on the next frame, to the right and up. */
    private void motion() {
      data.here().frameOf(ray.hit, width, height, point, was);
      data.next().frameOf(ray.hit, width, height, point, moves);
      moves[0] -= was[0];
      moves[1] = was[1] - moves[1];
    }

    /**
     * @param y row of those that are rendered
     */
    private void shoot(int x, int y, int upTo) {
      int at = y * width + x;
      for (int s = light.samples(at); s < upTo; s++) {
        spread.at(x, top + y, s);
        spread.pair(Choice.PIXEL);
        boolean middle = quality.samples() == 1;
        double jx = middle ? 0.5 : spread.x, jy = middle ? 0.5 : spread.y;
        light.add(at, ray.shoot((x + jx) / width, (top + y + jy) / height));
        if (beside == null) continue;
        if (data.here() != null && Double.isFinite(ray.depthM)) motion();
        beside.add(at, ray, moves);
      }
    }
  }
}
