package kite.core.report;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import kite.core.curve.Channel;
import kite.core.curve.CompiledCurve;
import kite.core.document.Camera;
import kite.core.document.Path;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.document.StandInKind;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.frame.Eye;
import kite.core.math.ArcTrig;
import kite.core.math.Matrix;
import kite.core.math.Trig;
import kite.core.math.Vec3;
import kite.core.number.NumberText;
import kite.core.optics.DepthOfField;
import kite.core.optics.Lens;
import kite.core.optics.LensKit;
import kite.core.path.PathTable;
import kite.core.rig.Cued;
import kite.core.rig.RigPart;
import kite.core.rig.attention.Attention;
import kite.core.rig.base.Base;
import kite.core.rig.framings.Framings;
import kite.core.rig.head.Head;
import kite.core.rig.operator.Operator;
import kite.core.rig.rail.Rail;

/** What a careful assistant would point out about a camera's move, with where to look. */
public final class Warnings {
  /** Shares that miss 1 by less are a whole. */
  private static final double WHOLE = 1e-6;

  private static final double ROLL_DEGREES = 0.5;
  private static final double STEEP = Trig.sin(Trig.radians(84));

  /** Sideways push on a rail, in m/s², that a dolly takes without a bump: a third of gravity. */
  private static final double CORNER = 3.3;

  /** Focus distances differ by more than this. */
  private static final double ROUNDING_M = 1e-6;

  /** Solid enough that a lens inside one is a mistake. */
  private static final List<StandInKind> SOLID =
      List.of(
          StandInKind.BOX,
          StandInKind.SPHERE,
          StandInKind.CYLINDER,
          StandInKind.CONE,
          StandInKind.ADULT,
          StandInKind.CHILD,
          StandInKind.SITTING,
          StandInKind.VEHICLE);

  /** Kinds of warning. */
  public enum Kind {
    FAST_PAN,
    ROLL,
    VERTICAL,
    CORNER,
    INSIDE,
    NOTHING_BELOW,
    TOO_NEAR
  }

  /**
   * @param first frame where it begins, with {@code last} where it ends
   * @param part id of the rig part it is about, or empty
   */
  public record Warning(Kind kind, String text, double first, double last, String part) {}

  private final Sequence s;
  private final Plan plan;
  private final Camera camera;
  private final List<Warning> all = new ArrayList<>();

  private Warnings(Sequence s, Plan plan, Camera camera) {
    this.s = s;
    this.plan = plan;
    this.camera = camera;
  }

  /**
   * Warnings over a run of whole frames, in order of kind and frame.
   *
   * @param plan any plan of the sequence; it is left at the last frame
   */
  public static List<Warning> of(Sequence s, Plan plan, Camera camera, int first, int last) {
    Warnings w = new Warnings(s, plan, camera);
    w.frames(first, last);
    w.shares(first, last);
    return w.all;
  }

  private void frames(int first, int last) {
    TreeMap<Integer, Double> rolls = new TreeMap<>();
    TreeMap<Integer, Double> steep = new TreeMap<>(), corners = new TreeMap<>();
    TreeMap<String, TreeMap<Integer, Double>> inside = new TreeMap<>();
    TreeMap<Integer, Double> near = new TreeMap<>();
    boolean asked = rollIsAsked();
    boolean aims = camera.rig().stream().anyMatch(p -> p.on() && p instanceof Attention);
    Rail rail = camera.first(Rail.class);
    PathTable table =
        rail != null && rail.on() && s.get(rail.path()) instanceof Path p
            ? new PathTable(p.points(), p.style(), p.closed())
            : null;
    CompiledCurve progress = table == null ? null : curve(rail, "progress");
    CompiledCurve along = table == null ? null : curve(rail, "along");
    List<Piece> moving = new ArrayList<>(), still = new ArrayList<>();
    for (Piece p : s.all(Piece.class))
      if (solid(p) && s.isShown(p)) (plan.isStill(p.id()) ? still : moving).add(p);
    List<Vec3> places = new ArrayList<>();
    double fps = s.header().rate().perSecond();
    int o = plan.slot(camera.id()) * LensRow.SIZE;
    Strobing strobing = new Strobing(s, plan, camera);
    for (int f = first; f <= last; f++) {
      plan.evaluateOnly(camera.id(), f);
      Eye eye = Eye.of(plan, camera.id());
      double[] m = eye.world();
      double closest = closestM(plan.lens()[o + LensRow.FOCAL]);
      if (plan.lens()[o + LensRow.FOCUS] <= closest) near.put(f, closest);
      strobing.look(f, eye);
      double roll = Trig.degrees(ArcTrig.atan2(m[Matrix.XY], m[Matrix.YY]));
      if (!asked && Math.abs(m[Matrix.ZY]) < STEEP && Math.abs(roll) > ROLL_DEGREES)
        rolls.put(f, roll);
      if (aims && Math.abs(m[Matrix.ZY]) > STEEP) steep.put(f, 90.0);
      if (table != null) {
        double v = (progress.value(f + 0.5) - progress.value(f - 0.5)) / 100 * table.length() * fps;
        double metres = progress.value(f) / 100 * table.length() + along.value(f);
        double push = v * v * Math.abs(table.planCurvature(table.parameter(metres)));
        if (push > CORNER) corners.put(f, v);
      }
      places.add(eye.place());
      for (Piece p : moving) {
        plan.evaluateOnly(p.id(), f);
        if (holds(p, eye.place()))
          inside.computeIfAbsent(p.name(), k -> new TreeMap<>()).put(f, 1.0);
      }
    }
    insideWhatIsStill(still, places, first, inside);
    for (Strobing.Stretch x : strobing.found())
      add(Kind.FAST_PAN, x.first(), x.last(), x.degreesASecond(), "");
    runs(near, Kind.TOO_NEAR, "");
    runs(rolls, Kind.ROLL, "");
    runs(steep, Kind.VERTICAL, "");
    runs(corners, Kind.CORNER, rail == null ? "" : rail.id());
    inside.forEach((name, at) -> runs(at, Kind.INSIDE, name));
  }

  /** At or under this no lens focuses: the closest of those that the kits have for a length. */
  private double closestM(double focalMm) {
    double closest = Double.POSITIVE_INFINITY;
    for (LensKit k : s.header().standards().kits())
      for (Lens l : k.lenses())
        if (l.covers(focalMm)) closest = Math.min(closest, l.closestFocusM());
    double possible = DepthOfField.nearestFocusM(focalMm);
    return Double.isInfinite(closest) ? possible : Math.max(possible, closest - ROUNDING_M);
  }

  /** Whether anything of the rig rolls the camera on purpose. */
  private boolean rollIsAsked() {
    for (RigPart p : camera.rig()) {
      if (!p.on()) continue;
      if (p instanceof Operator) return true;
      if (p instanceof Rail r && !r.level()) return true;
      if (p instanceof Attention a && a.up() != Attention.Up.WORLD) return true;
      if (p instanceof Base b && b.rides() != null && b.takes() == Base.Takes.ALL) return true;
      for (String name : List.of("roll", "bank"))
        if (camera.channelSpec(p.id() + "/" + name) != null) {
          Channel c = camera.channel(p.id() + "/" + name);
          if (c instanceof Channel.Curve || c.at(0) != 0) return true;
        }
    }
    return false;
  }

  private boolean solid(Piece p) {
    return Plan.shapeOf(s, p) instanceof Shape.StandIn x && SOLID.contains(x.form());
  }

  private CompiledCurve curve(RigPart part, String name) {
    return CompiledCurve.of(camera.channel(part.id() + "/" + name));
  }

  /**
   * Looks at each piece once, and along the whole way only at those that stand near it: a set may
   * have thousands.
   *
   * @param places of the camera, from the first frame on
   */
  private void insideWhatIsStill(
      List<Piece> still,
      List<Vec3> places,
      int first,
      TreeMap<String, TreeMap<Integer, Double>> inside) {
    if (places.isEmpty()) return;
    Vec3 low = places.get(0), high = low;
    for (Vec3 at : places) {
      low = low.least(at);
      high = high.most(at);
    }
    for (Piece p : still) {
      plan.evaluateOnly(p.id(), first);
      if (!near(p, low, high)) continue;
      for (int i = 0; i < places.size(); i++)
        if (holds(p, places.get(i)))
          inside.computeIfAbsent(p.name(), k -> new TreeMap<>()).put(first + i, 1.0);
    }
  }

  /** Whether a point between two is so near to a stand-in that it may lie in the box around it. */
  private boolean near(Piece p, Vec3 low, Vec3 high) {
    Shape.StandIn x = (Shape.StandIn) Plan.shapeOf(s, p);
    double reach = Math.sqrt(sq(x.width()) + sq(x.height()) + sq(x.depth())), scale = 0;
    double[] w = plan.world();
    int o = plan.slot(p.id()) * Matrix.SIZE;
    for (int i = 0; i < 12; i++) scale += w[o + i] * w[o + i]; // not less than any axis's
    Vec3 at = new Vec3(w[o + Matrix.OX], w[o + Matrix.OY], w[o + Matrix.OZ]);
    Vec3 off = at.minus(at.most(low).least(high));
    return off.dot(off) <= reach * reach * scale;
  }

  private static double sq(double v) {
    return v * v;
  }

  /** Whether a point lies in the box around a stand-in, which is given by its eight corners. */
  private boolean holds(Piece p, Vec3 at) {
    if (!near(p, at, at)) return false;
    List<Vec3> c = new ArrayList<>();
    plan.corners(p.id(), (x, y, z) -> c.add(new Vec3(x, y, z)));
    for (int k : new int[] {1, 2, 4}) {
      Vec3 edge = c.get(k).minus(c.get(0));
      double t = at.minus(c.get(0)).dot(edge) / edge.dot(edge);
      if (!(t > 0 && t < 1)) return false;
    }
    return true;
  }

  /** One warning for every run of frames close together. */
  private void runs(TreeMap<Integer, Double> at, Kind kind, String about) {
    Integer first = null, last = null;
    double most = 0;
    // what comes and goes within half a second, as a hand-held camera does, is one
    long apart = Math.max(1, Math.round(s.header().rate().perSecond() / 2));
    for (var e : at.entrySet()) {
      if (last != null && e.getKey() > last + apart) {
        add(kind, first, last, most, about);
        first = null;
        most = 0;
      }
      if (first == null) first = e.getKey();
      last = e.getKey();
      if (Math.abs(e.getValue()) > Math.abs(most)) most = e.getValue();
    }
    if (first != null) add(kind, first, last, most, about);
  }

  private void add(Kind kind, int first, int last, double most, String about) {
    String frames = first == last ? "frame " + first : "frames " + first + "–" + last;
    String text =
        switch (kind) {
          case FAST_PAN ->
              "Turns at up to "
                  + NumberText.rounded(most, 0)
                  + "°/s on "
                  + frames
                  + ": at this rate and shutter it will strobe.";
          case ROLL ->
              "The horizon leans up to "
                  + NumberText.rounded(Math.abs(most), 1)
                  + "° on "
                  + frames
                  + ", and nothing asks for it.";
          case VERTICAL ->
              "The aim is all but straight up or down on " + frames + ": the picture may spin.";
          case CORNER ->
              "The rail’s corner is too tight for "
                  + NumberText.length(Math.abs(most), s.header().displayUnit())
                  + " a second on "
                  + frames
                  + ".";
          case TOO_NEAR ->
              "Focus is as near as "
                  + NumberText.length(most, s.header().displayUnit())
                  + " or nearer on "
                  + frames
                  + ": the lens cannot. Move it out, or take a lens that focuses closer.";
          case INSIDE -> "The camera is inside “" + about + "” on " + frames + ".";
          case NOTHING_BELOW -> "";
        };
    all.add(new Warning(kind, text, first, last, kind == Kind.CORNER ? about : ""));
  }

  /** Shares under 1 where nothing below holds what is left. */
  private void shares(int first, int last) {
    for (RigPart p : camera.rig()) {
      if (!p.on()) continue;
      boolean held = false;
      for (RigPart below : camera.rig().subList(0, camera.rig().indexOf(p)))
        held |=
            p instanceof Framings
                ? below instanceof Base
                : below instanceof Head || below instanceof Framings || below instanceof Rail;
      if (held || !(p instanceof Attention || p instanceof Framings)) continue;
      var cued = (Cued) p;
      double[] shares = new double[cued.subjects().size()];
      if (shares.length == 0) continue;
      var track = cued.track();
      Integer from = null, to = null;
      for (int f = first; f <= last; f++) {
        track.shares(f, shares);
        double sum = 0;
        for (double x : shares) sum += x;
        if (sum > 1 - WHOLE) continue;
        if (from == null) from = f;
        to = f;
      }
      if (from != null)
        all.add(
            new Warning(
                Kind.NOTHING_BELOW,
                (p instanceof Attention ? "Attention" : "Framings")
                    + " leave a share over on frames "
                    + from
                    + "–"
                    + to
                    + ", and no part below holds it.",
                from,
                to,
                p.id()));
    }
  }
}
