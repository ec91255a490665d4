package kite.browser;

import java.util.List;
import kite.bridge.Answers;
import kite.core.command.Command;
import kite.core.command.EntityCommand;
import kite.core.document.OrNull;
import kite.core.document.Path;
import kite.core.drawing.PathEdits;
import kite.core.drawing.PathShapes;
import kite.core.path.PathTable;
import org.teavm.jso.typedarrays.Float64Array;

/** Paths: how they run, and what changes them. */
@Answers
final class PathAnswers {
  private PathAnswers() {}

  private static PathTable table(String id) {
    return Opened.thing(id) instanceof Path p
        ? new PathTable(p.points(), p.style(), p.closed())
        : null;
  }

  /** Places along a path, evenly by arc length, x, y, z each, as many as {@code out} holds. */
  public static void pathPlaces(String id, Float64Array out) {
    PathTable t = table(id);
    if (t == null) return;
    int n = out.getLength() / 3;
    double[] p = new double[3];
    for (int i = 0; i < n; i++) {
      t.place(
          i == n - 1 && !t.closed()
              ? t.parameter(t.length())
              : t.parameter(t.length() * i / (n - 1)),
          p,
          0);
      out.set(p, i * 3);
    }
  }

  /**
   * @param tightestRadiusM null for a straight path
   */
  record PathReport(double lengthM, @OrNull double tightestRadiusM) {}

  /** A path's length and tightest radius; null where there is no such path. */
  @OrNull
  public static PathReport pathReport(String id) {
    PathTable t = table(id);
    return t == null ? null : new PathReport(t.length(), t.tightestRadius());
  }

  /** What is done to a path's points. */
  enum PathEdit {
    /** A point halfway after a point. */
    INSERT,
    /** In two at a point. */
    SPLIT,
    /** So many points evenly along it. */
    EVEN
  }

  /**
   * The commands that change a path.
   *
   * @param at index of the point, or for {@code EVEN} how many there shall be
   * @param newId the id of the second path of a split
   */
  public static List<Command> pathEdit(String id, PathEdit edit, int at, String newId) {
    Path p = (Path) Opened.thing(id);
    return switch (edit) {
      case INSERT -> List.of(PathEdits.insert(p, at));
      case SPLIT -> PathEdits.split(Opened.shown(), p, at, newId);
      case EVEN -> List.of(PathEdits.even(p, at));
    };
  }

  /** The command that adds a path of a plain shape, of a size to begin with. */
  public static List<Command> pathShape(PathShapes.Form form, double x, double z, String newId) {
    return List.of(
        new EntityCommand.Add(PathShapes.usual(form, x, z, newId, Opened.shown()::freeName)));
  }

  /** Height at which a path is drawn, metres. */
  public static double pathHeightM() {
    return PathShapes.HEIGHT_M;
  }
}
