package kite.core.bake;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import java.util.stream.IntStream;
import kite.core.command.Command;
import kite.core.command.EntityCommand;
import kite.core.command.RigCommand;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.curve.KeyShape;
import kite.core.curve.ReduceKeys;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Path;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.core.math.Matrix;
import kite.core.math.Vec3;
import kite.core.model.Models;
import kite.core.path.PathPoint;
import kite.core.path.PathStyle;
import kite.core.path.PathTable;
import kite.core.rig.RigPart;
import kite.core.rig.base.Base;
import kite.core.rig.head.Head;
import kite.core.rig.rail.Rail;

/** Makes a path of the way a camera goes, and puts the camera on it as a rail. */
public final class Route {
  /** Places nearer than this to each other are one. */
  private static final double APART_M = 0.02;

  /** Up to so many places become points one by one; more are a track that a path is fitted to. */
  private static final int MOST_AS_THEY_ARE = 24;

  private static final int MOST_POINTS = 400;

  /** How far a fitted path may pass beside a place … */
  private static final double FIT_M = 0.01;

  /** … and the camera run ahead or behind on it. */
  private static final double FIT_ALONG_M = 0.02;

  private static final double FIT_DEGREES = 0.05;

  private Route() {}

  /**
   * The commands that make the path through where the camera stands on some frames and, where it
   * stood on a base alone, carry it along that path with the same timing and the same aim.
   *
   * @param frames in rising order, at least two at different places, else nothing is made
   */
  public static List<Command> path(
      Sequence s, Models models, Camera c, List<Double> frames, String pathId, boolean ride) {
    Plan plan = new Plan(s, models);
    Track track = Track.of(plan, c, frames);
    List<PathPoint> points = track.frames.size() > MOST_AS_THEY_ARE ? track.fitted() : track.all();
    List<Command> all = new ArrayList<>();
    if (points.size() < 2) return all;
    Path path =
        new Path(pathId, s.freeName("Way of " + c.letter()), PathStyle.THROUGH, false, points);
    all.add(new EntityCommand.Add(path));
    if (!ride) return all;
    Bake b = Bake.of(plan, c, s.header().firstFrame(), s.header().lastFrame(), 1);
    all.addAll(LensAsItWas.of(s, b));
    all.add(new RigCommand.SetRig(c.id(), onRail(plan, c, path, track)));
    return all;
  }

  /** Places a camera stands at on some frames, no two of them together. */
  private record Track(List<Double> frames, List<Vec3> places) {
    static Track of(Plan plan, Camera c, List<Double> frames) {
      Track t = new Track(new ArrayList<>(), new ArrayList<>());
      Vec3 last = null;
      for (double f : frames) {
        plan.evaluateOnly(c.id(), f);
        Vec3 p = Matrix.newOrigin(plan.world(), plan.slot(c.id()) * Matrix.SIZE);
        if (last != null && p.distance(last) < APART_M) continue;
        t.frames.add(f);
        t.places.add(p);
        last = p;
      }
      return t;
    }

    List<PathPoint> all() {
      return at(IntStream.range(0, places.size()).boxed().toList());
    }

    private List<PathPoint> at(Iterable<Integer> which) {
      List<PathPoint> points = new ArrayList<>();
      for (int i : which) points.add(new PathPoint(places.get(i), Vec3.ZERO, Vec3.ZERO));
      return points;
    }

    /** So few of the places that a path through them passes all others close by. */
    List<PathPoint> fitted() {
      TreeSet<Integer> kept = new TreeSet<>(List.of(0, places.size() - 1));
      while (kept.size() < MOST_POINTS) {
        PathTable t = new PathTable(at(kept), PathStyle.THROUGH, false);
        double worst = FIT_M;
        int next = -1;
        for (int i = 0; i < places.size(); i++) {
          if (kept.contains(i)) continue;
          double off = t.newPlace(t.nearest(places.get(i))).distance(places.get(i));
          if (off <= worst) continue;
          worst = off;
          next = i;
        }
        if (next < 0) break;
        kept.add(next);
      }
      return at(kept);
    }
  }

  /** Progress and aim on every frame of the track, then as few keys as the tolerances need. */
  private static List<RigPart> onRail(Plan plan, Camera c, Path path, Track track) {
    PathTable table = new PathTable(path.points(), path.style(), path.closed());
    int n = track.frames.size();
    boolean fitted = path.points().size() < n;
    List<Key> progress = new ArrayList<>();
    double[] angles = new double[n * 3], worlds = new double[n * 16];
    List<List<Key>> turns = List.of(new ArrayList<>(), new ArrayList<>(), new ArrayList<>());
    for (int i = 0; i < n; i++) {
      double f = track.frames.get(i);
      plan.evaluateOnly(c.id(), f);
      System.arraycopy(plan.world(), plan.slot(c.id()) * Matrix.SIZE, worlds, i * 16, 16);
      Bake.continuousAngles(worlds, angles, i);
      double metres = table.metres(fitted ? table.nearest(track.places.get(i)) : i);
      progress.add(Key.smooth(f, 100 * metres / table.length()));
      for (int a = 0; a < 3; a++) turns.get(a).add(Key.of(f, angles[i * 3 + a], KeyShape.SMOOTH));
    }
    Channels head =
        Channels.NONE
            .with("pan", fewer(turns.get(0), fitted ? FIT_DEGREES : 0))
            .with("tilt", fewer(turns.get(1), fitted ? FIT_DEGREES : 0))
            .with("roll", fewer(turns.get(2), fitted ? FIT_DEGREES : 0));
    double along = fitted ? 100 * FIT_ALONG_M / table.length() : 0;
    return List.of(
        new Base("base", true, null, Base.Takes.POSITION, Channels.NONE),
        new Rail(
            "rail",
            true,
            path.id(),
            Rail.Facing.KEEP,
            null,
            true,
            Channels.NONE.with("progress", fewer(progress, along))),
        new Head("head", true, head));
  }

  private static Channel fewer(List<Key> keys, double tolerance) {
    Channel.Curve all = new Channel.Curve(keys);
    return tolerance == 0 ? all : ReduceKeys.within(all, tolerance).channel();
  }
}
