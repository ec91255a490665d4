package kite.browser;

import java.util.ArrayList;
import java.util.List;
import kite.bridge.Answers;
import kite.core.command.Command;
import kite.core.document.OrNull;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.evaluate.Plan;
import kite.core.frame.Arranging;
import kite.core.frame.Copies;
import kite.core.frame.DepthRuler;
import kite.core.math.Vec3;
import kite.core.model.ModelRig;
import kite.core.rules.References;
import kite.core.shape.BoxPlaces;
import kite.core.shape.Mesh;
import kite.core.shape.StandIns;
import org.teavm.jso.typedarrays.Float64Array;

/** Things of the set: their shapes and points, who uses them, and how they are arranged. */
@Answers
final class ThingAnswers {
  private ThingAnswers() {}

  /**
   * A stand-in's mesh.
   *
   * @param places where a picture lies on it, two numbers a corner, from the left and from the top
   */
  record StandInMesh(
      float[] positions, float[] normals, float[] colours, float[] places, int[] indices) {}

  /** Null for what is no stand-in. */
  @OrNull
  public static StandInMesh standIn(String piece) {
    Sequence s = Opened.shown();
    if (!(s.get(piece) instanceof Piece p) || !(Plan.shapeOf(s, p) instanceof Shape.StandIn form))
      return null;
    String colour =
        p.shape() instanceof Shape.Instance i ? ((Piece) s.get(i.of())).colour() : p.colour();
    Mesh m = StandIns.mesh(form, colour);
    return new StandInMesh(m.positions(), m.normals(), m.colours(), BoxPlaces.of(m), m.indices());
  }

  /** Names of the points of a piece that can be looked at, its usual one first. */
  public static List<String> anchors(String piece) {
    Sequence s = Opened.shown();
    List<String> names = new ArrayList<>();
    if (!(s.get(piece) instanceof Piece p)) return names;
    if (Plan.shapeOf(s, p) instanceof Shape.StandIn form)
      for (String n : StandIns.anchors(form.form())) names.add(n);
    if (Plan.shapeOf(s, p) instanceof Shape.Model m && Opened.rig(m.asset()) != null)
      for (ModelRig.Node n : Opened.rig(m.asset()).nodes())
        if (!n.name().isEmpty()) names.add(n.name());
    return names;
  }

  /** Ids of the pieces that are subjects. */
  public static List<String> subjects() {
    return List.copyOf(DepthRuler.subjects(Opened.shown()));
  }

  /** What uses things, one sentence each. */
  public static List<String> users(List<String> ids) {
    return List.copyOf(References.users(Opened.shown(), ids));
  }

  /**
   * Ids of the pieces that the views do not see, because they, what they are in, or their layer is
   * hidden.
   */
  public static List<String> hiddenPieces() {
    List<String> all = new ArrayList<>();
    for (Piece p : Opened.shown().all(Piece.class)) if (!Opened.shown().isShown(p)) all.add(p.id());
    return all;
  }

  private static Arranging arranging(double frame, boolean key) {
    return new Arranging(Opened.shown(), Opened.plan(), frame, key);
  }

  /**
   * The commands that align things with the first.
   *
   * @param axes any of x, y and z
   */
  public static List<Command> align(
      List<String> ids, String axes, Arranging.By by, double frame, boolean key) {
    return arranging(frame, key)
        .align(ids, axes.contains("x"), axes.contains("y"), axes.contains("z"), by);
  }

  /** The commands that set things' lowest points on a height in metres. */
  public static List<Command> setDown(List<String> ids, double heightM, double frame, boolean key) {
    return arranging(frame, key).setDown(ids, heightM);
  }

  /** The commands that put things on the nearest crossing of the grid's lines. */
  public static List<Command> toGrid(List<String> ids, double frame, boolean key) {
    double line = Opened.shown().header().gridM() / Opened.shown().header().gridLines();
    return arranging(frame, key).toGrid(ids, line);
  }

  /** The commands that give a thing the turn of a transform in the world. */
  public static List<Command> turnTo(String id, Float64Array world, double frame, boolean key) {
    return arranging(frame, key).turnTo(id, PlaceAnswers.matrix(world));
  }

  /** The commands that put a thing's origin at a world point. */
  public static List<Command> toPoint(
      String id, double x, double y, double z, double frame, boolean key) {
    return arranging(frame, key).toPoint(id, new Vec3(x, y, z));
  }

  /**
   * The commands that copy things so many times, each a step in the world on from the last; a step
   * of NaN to the right leaves what is copied free.
   *
   * @param newIds as many as the copies shall be, round by round
   */
  public static List<Command> copies(
      List<String> ids, List<String> newIds, double x, double y, double z, boolean instances) {
    Vec3 step = new Vec3(Double.isNaN(x) ? copyStep(ids) : x, y, z);
    return Copies.of(Opened.shown(), Opened.plan(), ids, newIds, step, instances);
  }

  /** How far to the right a copy stands free beside what is copied, in metres. */
  public static double copyStep(List<String> ids) {
    return Copies.stepM(arranging(Opened.plan().frame(), false), ids);
  }
}
