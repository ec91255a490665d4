package kite.render;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.core.math.Matrix;

/**
 * All that is rendered of a sequence, with where it stands and how it is bent over some frames:
 * what is handed on of a set.
 *
 * @param frames of the scene, rising
 * @param parts in the order of their pieces
 */
public record SetOverTime(double[] frames, List<Part> parts) {
  /** Numbers of bent meshes that are held; 4 bytes each. */
  private static final long MOST_POINTS = 20_000_000;

  /** Places of moving parts that are held; 128 bytes each. */
  public static final long MOST_PLACES = 500_000;

  /**
   * One mesh of a piece.
   *
   * @param piece its id
   * @param surface as it is on the first frame
   * @param worlds place and axes, 16 numbers for each frame, or 16 alone for one that stays
   * @param points its positions on each frame; null for one that keeps its shape
   * @param tooMany whether it is bent, and has more points than are held
   */
  public record Part(
      String piece, Surface surface, double[] worlds, List<float[]> points, boolean tooMany) {
    public boolean stays() {
      return worlds.length == Matrix.SIZE;
    }
  }

  /**
   * @param bend whether what is bent by joints or shapes is told on every frame; else it keeps the
   *     shape of the first
   */
  public static SetOverTime of(
      Sequence s, Plan plan, SceneBuilder scenes, double[] frames, boolean bend) {
    List<Gathering> gathered = new ArrayList<>();
    long left = MOST_POINTS;
    for (int f = 0; f < frames.length; f++) {
      plan.evaluate(frames[f]);
      List<Placed> now = scenes.placed(s, plan);
      if (f == 0) for (Placed p : now) gathered.add(new Gathering(p, frames.length));
      for (int i = 0; i < now.size(); i++) left -= gathered.get(i).take(f, now.get(i), bend, left);
    }
    return new SetOverTime(frames, gathered.stream().map(Gathering::part).toList());
  }

  /** Where one part stands and how it is bent, as far as it was looked at. */
  private static final class Gathering {
    private final Placed first;
    private final int frames;
    private double[] worlds; // null while it has stayed
    private List<float[]> points; // null while it has kept its shape
    private boolean tooMany;

    Gathering(Placed first, int frames) {
      this.first = first;
      this.frames = frames;
    }

    /** Gives how many numbers more are held. */
    long take(int frame, Placed p, boolean bend, long left) {
      if (worlds == null && !Arrays.equals(p.world(), first.world())) {
        worlds = new double[frames * Matrix.SIZE];
        for (int f = 0; f < frame; f++)
          System.arraycopy(first.world(), 0, worlds, f * Matrix.SIZE, Matrix.SIZE);
      }
      if (worlds != null) System.arraycopy(p.world(), 0, worlds, frame * Matrix.SIZE, Matrix.SIZE);
      float[] now = p.surface().positions();
      if (!bend || tooMany) return 0;
      if (points == null && now != first.surface().positions()) {
        if ((long) now.length * frames > left) {
          tooMany = true;
          return 0;
        }
        points = new ArrayList<>();
        for (int f = 0; f < frame; f++) points.add(first.surface().positions());
        points.add(now);
        return (long) now.length * frames;
      }
      if (points != null) points.add(now);
      return 0;
    }

    Part part() {
      return new Part(
          first.piece(), first.surface(), worlds == null ? first.world() : worlds, points, tooMany);
    }
  }
}
