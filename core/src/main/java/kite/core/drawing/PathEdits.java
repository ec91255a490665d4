package kite.core.drawing;

import java.util.ArrayList;
import java.util.List;
import kite.core.command.Command;
import kite.core.command.EntityCommand;
import kite.core.document.Path;
import kite.core.document.Sequence;
import kite.core.math.Vec3;
import kite.core.path.PathPoint;
import kite.core.path.PathStyle;
import kite.core.path.PathTable;
import kite.core.rules.Refusal;

/** Changes to a path's points that go by where it runs. */
public final class PathEdits {
  public static final int MOST_POINTS = 2000;

  private PathEdits() {}

  /**
   * Puts a point halfway between a point and the next. A path with handles keeps its shape exactly
   * (de Casteljau); one that runs smoothly through its points stays on the new one and gives a
   * little beside it.
   *
   * @param after index of the point before it
   */
  public static Command insert(Path p, int after) {
    int n = p.points().size(), next = (after + 1) % n;
    if (after < 0 || after >= n || n < 2 || !p.closed() && after == n - 1)
      throw new Refusal(
          "range", p.id(), "points", "“" + p.name() + "” has no stretch after that point.");
    List<PathPoint> points = new ArrayList<>(p.points());
    PathPoint a = points.get(after), b = points.get(next);
    if (p.style() == PathStyle.THROUGH) {
      PathTable t = new PathTable(p.points(), p.style(), p.closed());
      points.add(after + 1, new PathPoint(t.newPlace(after + 0.5), Vec3.ZERO, Vec3.ZERO));
    } else {
      Vec3 p1 = a.at().plus(a.out()), p2 = b.at().plus(b.in());
      Vec3 c = a.at().toward(p1, 0.5), d = p1.toward(p2, 0.5), e = p2.toward(b.at(), 0.5);
      Vec3 f = c.toward(d, 0.5), g = d.toward(e, 0.5), mid = f.toward(g, 0.5);
      points.set(after, new PathPoint(a.at(), a.in(), c.minus(a.at())));
      points.set(next, new PathPoint(b.at(), e.minus(b.at()), b.out()));
      points.add(after + 1, new PathPoint(mid, f.minus(mid), g.minus(mid)));
    }
    return new EntityCommand.Reroute(p.id(), p.style(), p.closed(), points);
  }

  /**
   * Parts an open path in two at one of its points; a closed one is opened there.
   *
   * @param at index of the point
   */
  public static List<Command> split(Sequence s, Path p, int at, String newId) {
    int n = p.points().size();
    if (p.closed()) {
      List<PathPoint> round = new ArrayList<>();
      for (int i = 0; i <= n; i++) round.add(p.points().get((Math.max(0, at) + i) % n));
      return List.of(new EntityCommand.Reroute(p.id(), p.style(), false, round));
    }
    if (at < 1 || at > n - 2)
      throw new Refusal("range", p.id(), "points", "A path is parted at a point between its ends.");
    List<PathPoint> first = p.points().subList(0, at + 1), second = p.points().subList(at, n);
    return List.of(
        new EntityCommand.Reroute(p.id(), p.style(), false, first),
        new EntityCommand.Add(new Path(newId, s.freeName(p.name()), p.style(), false, second)));
  }

  /**
   * So many points, evenly along the path as it runs now, which then runs smoothly through them.
   */
  public static Command even(Path p, int points) {
    if (points < 2 || points > MOST_POINTS)
      throw new Refusal(
          "range", p.id(), "points", "A path is made even with 2 to " + MOST_POINTS + " points.");
    PathTable t = new PathTable(p.points(), p.style(), p.closed());
    List<PathPoint> even = new ArrayList<>();
    for (int i = 0; i < points; i++) {
      double along = t.length() * i / (p.closed() ? points : points - 1);
      even.add(new PathPoint(t.newPlace(t.parameter(along)), Vec3.ZERO, Vec3.ZERO));
    }
    return new EntityCommand.Reroute(p.id(), PathStyle.THROUGH, p.closed(), even);
  }
}
