package kite.core.bake;

import java.util.ArrayList;
import java.util.List;
import kite.core.command.Command;
import kite.core.command.EntityCommand;
import kite.core.command.RigCommand;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.curve.KeyShape;
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
import kite.core.rig.Base;
import kite.core.rig.Head;
import kite.core.rig.Rail;
import kite.core.rig.RigPart;

/** Makes a path of the way a camera goes, and puts the camera on it as a rail. */
public final class Route {
  /** Places nearer than this to each other are one. */
  private static final double APART_M = 0.02;

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
    List<PathPoint> points = new ArrayList<>();
    List<Double> at = new ArrayList<>();
    Vec3 last = null;
    for (double f : frames) {
      plan.evaluate(f);
      Vec3 p = Matrix.newOrigin(plan.world(), plan.slot(c.id()) * Matrix.SIZE);
      if (last != null && p.distance(last) < APART_M) continue;
      points.add(new PathPoint(p, Vec3.ZERO, Vec3.ZERO));
      at.add(f);
      last = p;
    }
    List<Command> all = new ArrayList<>();
    if (points.size() < 2) return all;
    Path path =
        new Path(pathId, s.freeName("Way of " + c.letter()), PathStyle.THROUGH, false, points);
    all.add(new EntityCommand.Add(path));
    if (ride) all.add(new RigCommand.SetRig(c.id(), onRail(plan, c, path, at)));
    return all;
  }

  private static List<RigPart> onRail(Plan plan, Camera c, Path path, List<Double> frames) {
    PathTable table = new PathTable(path.points(), path.style(), path.closed());
    List<Key> progress = new ArrayList<>();
    double[] angles = new double[frames.size() * 3], worlds = new double[frames.size() * 16];
    List<List<Key>> turns = List.of(new ArrayList<>(), new ArrayList<>(), new ArrayList<>());
    for (int i = 0; i < frames.size(); i++) {
      double f = frames.get(i);
      plan.evaluate(f);
      System.arraycopy(plan.world(), plan.slot(c.id()) * Matrix.SIZE, worlds, i * 16, 16);
      Bake.continuousAngles(worlds, angles, i);
      progress.add(Key.smooth(f, 100 * table.metres(i) / table.length()));
      for (int a = 0; a < 3; a++) turns.get(a).add(Key.of(f, angles[i * 3 + a], KeyShape.SMOOTH));
    }
    Channels head =
        Channels.NONE
            .with("pan", new Channel.Curve(turns.get(0)))
            .with("tilt", new Channel.Curve(turns.get(1)))
            .with("roll", new Channel.Curve(turns.get(2)));
    return List.of(
        new Base("base", true, null, Base.Takes.POSITION, Channels.NONE),
        new Rail(
            "rail",
            true,
            path.id(),
            Rail.Facing.KEEP,
            null,
            true,
            Channels.NONE.with("progress", new Channel.Curve(progress))),
        new Head("head", true, head));
  }
}
