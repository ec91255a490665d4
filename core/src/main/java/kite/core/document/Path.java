package kite.core.document;

import java.util.List;
import kite.core.path.PathPoint;
import kite.core.path.PathStyle;

/** A curve in the world that a rail runs on. */
public record Path(String id, String name, PathStyle style, boolean closed, List<PathPoint> points)
    implements Entity {
  public static final String KIND = "path";

  @Override
  public String kind() {
    return KIND;
  }

  public Path {
    points = List.copyOf(points);
  }

  @Override
  public Path withName(String n) {
    return new Path(id, n, style, closed, points);
  }
}
