package kite.browser;

import com.eclipsesource.json.Json;
import com.eclipsesource.json.JsonArray;
import com.eclipsesource.json.JsonObject;
import com.eclipsesource.json.JsonValue;
import java.util.Map;
import java.util.function.Supplier;
import kite.core.command.Cueing;
import kite.core.cue.CueTrack;
import kite.core.curve.Channel;
import kite.core.curve.Handles;
import kite.core.cut.Cut;
import kite.core.document.Camera;
import kite.core.document.CameraPackage;
import kite.core.document.ChannelSpec;
import kite.core.document.Entity;
import kite.core.document.Path;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.form.Words;
import kite.core.frame.BeyondFilm;
import kite.core.frame.DecidedBy;
import kite.core.frame.Eye;
import kite.core.frame.HoldBoth;
import kite.core.math.Vec3;
import kite.core.model.ModelRig;
import kite.core.number.Unit;
import kite.core.optics.AngleOfView;
import kite.core.optics.DeliveryWindow;
import kite.core.optics.DepthOfField;
import kite.core.optics.FilmBacks;
import kite.core.path.PathTable;
import kite.core.rig.Cued;
import kite.core.rules.Locks;
import kite.core.rules.Refusal;
import kite.core.shape.Mesh;
import kite.core.shape.StandIns;
import org.teavm.jso.typedarrays.Float64Array;

/** Puts what the core says into JSON and typed arrays. */
final class Answers {
  private Answers() {}

  static String of(Supplier<String> work) {
    try {
      return work.get();
    } catch (Refusal r) {
      JsonObject o =
          new JsonObject()
              .add("code", r.code())
              .add("entity", r.entity())
              .add("field", r.field())
              .add("text", r.getMessage());
      return new JsonObject().add("refusal", o).toString();
    }
  }

  static Unit unit(String word) {
    for (Unit u : Unit.values()) if (Words.of(u).equals(word)) return u;
    throw new IllegalArgumentException("no unit " + word);
  }

  static String channels(Sequence s, Plan plan, Entity e, double frame) {
    JsonArray all = new JsonArray();
    if (e == null) return all.toString();
    for (Map.Entry<String, ChannelSpec> c : e.channelSpecs().entrySet()) {
      ChannelSpec spec = c.getValue();
      Channel channel =
          e instanceof Camera k && c.getKey().indexOf('/') < 0
              ? s.header().channel(k, spec)
              : e.channel(c.getKey());
      String why = Locks.why(s, e, c.getKey()), by = "";
      double value = channel.at(frame), inEffect = value;
      if (e instanceof Camera k && plan.frame() == frame) {
        int lens = Camera.LENS.indexOf(spec);
        if (lens >= 0) inEffect = plan.lens()[plan.slot(k.id()) * LensRow.SIZE + lens];
        by = DecidedBy.says(s, k, spec);
      }
      all.add(
          new JsonObject()
              .add("address", c.getKey())
              .add("label", spec.label())
              .add("unit", Words.of(spec.unit()))
              .add("initial", spec.initial())
              .add("least", spec.least())
              .add("most", spec.most())
              .add("value", value)
              .add("inEffect", inEffect)
              .add("decidedBy", by)
              .add("keyed", channel instanceof Channel.Curve)
              .add("locked", why == null ? "" : why));
    }
    return all.toString();
  }

  static String handles(Entity e, String channel) {
    JsonArray all = new JsonArray();
    if (e != null
        && e.channelSpec(channel) != null
        && e.channel(channel) instanceof Channel.Curve c) {
      for (int i = 0; i + 1 < c.keys().size(); i++) all.add(numbers(Handles.of(c.keys(), i)));
    }
    return all.toString();
  }

  static JsonArray numbers(double... all) {
    JsonArray a = new JsonArray();
    for (double d : all) a.add(d);
    return a;
  }

  private static JsonArray numbers(float[] all) {
    JsonArray a = new JsonArray();
    for (float d : all) a.add(d);
    return a;
  }

  static void shares(Entity camera, String part, double first, double step, Float64Array out) {
    Cued cued = Cueing.of(camera, part);
    if (cued == null) return;
    CueTrack track = cued.track();
    double[] row = new double[track.subjects()];
    int rows = row.length == 0 ? 0 : out.getLength() / row.length;
    for (int i = 0; i < rows; i++) {
      track.shares(first + i * step, row);
      out.set(row, i * row.length);
    }
  }

  private static PathTable table(Entity path) {
    return path instanceof Path p ? new PathTable(p.points(), p.style(), p.closed()) : null;
  }

  static void pathPlaces(Entity path, Float64Array out) {
    PathTable t = table(path);
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

  static String pathReport(Entity path) {
    PathTable t = table(path);
    if (t == null) return "{}";
    double r = t.tightestRadius();
    return new JsonObject().add("lengthM", t.length()).add("tightestRadiusM", orNull(r)).toString();
  }

  static JsonValue orNull(double d) {
    return Double.isFinite(d) ? Json.value(d) : Json.NULL;
  }

  static String standIn(Sequence q, Entity e) {
    if (!(e instanceof Piece p) || !(Plan.shapeOf(q, p) instanceof Shape.StandIn s)) return "null";
    String colour =
        p.shape() instanceof Shape.Instance i ? ((Piece) q.get(i.of())).colour() : p.colour();
    Mesh m = StandIns.mesh(s, colour);
    JsonArray indices = new JsonArray();
    for (int i : m.indices()) indices.add(i);
    return new JsonObject()
        .add("positions", numbers(m.positions()))
        .add("normals", numbers(m.normals()))
        .add("colours", numbers(m.colours()))
        .add("indices", indices)
        .toString();
  }

  static DepthOfField dof(Sequence s, Plan plan, Camera c) {
    double[] l = plan.lens();
    int o = plan.slot(c.id()) * LensRow.SIZE;
    return new DepthOfField(
        l[o + LensRow.FOCAL],
        l[o + LensRow.F_STOP],
        s.header().packageOf(c).circleMm(),
        l[o + LensRow.FOCUS]);
  }

  static String lens(Sequence s, Plan plan, Camera c) {
    int o = plan.slot(c.id()) * LensRow.SIZE;
    double[] l = plan.lens();
    CameraPackage p = s.header().packageOf(c);
    DepthOfField d = dof(s, plan, c);
    BeyondFilm film = BeyondFilm.of(s, plan, c);
    double w = (l[o + LensRow.RIGHT] - l[o + LensRow.LEFT]) * l[o + LensRow.FOCAL],
        h = (l[o + LensRow.TOP] - l[o + LensRow.BOTTOM]) * l[o + LensRow.FOCAL];
    return new JsonObject()
        .add("horizontalDegrees", AngleOfView.degrees(w, l[o + LensRow.FOCAL]))
        .add("verticalDegrees", AngleOfView.degrees(h, l[o + LensRow.FOCAL]))
        .add("diagonalDegrees", AngleOfView.degrees(Math.hypot(w, h), l[o + LensRow.FOCAL]))
        .add("hyperfocalM", d.hyperfocalM())
        .add("nearLimitM", d.nearLimitM())
        .add("farLimitM", orNull(d.farLimitM()))
        .add("circleMm", d.circleMm())
        .add("circleShare", d.circleMm() / h)
        .add("filmBack", FilmBacks.nameOf(p.filmBack()))
        .add("squeeze", p.filmBack().squeeze())
        .add("fit", Words.of(p.fit()))
        .add("reach", HoldBoth.reach(plan, c))
        .add("note", HoldBoth.lensNote(s, plan, c))
        .add("filmAcross", film.across())
        .add("filmDown", film.down())
        .add("beyondFilm", film.says())
        .toString();
  }

  static void blur(Sequence s, Plan plan, String camera, Float64Array out) {
    int o = plan.slot(camera) * LensRow.SIZE;
    DepthOfField d = dof(s, plan, (Camera) s.get(camera));
    double[] l = plan.lens();
    double heightMm = (l[o + LensRow.TOP] - l[o + LensRow.BOTTOM]) * l[o + LensRow.FOCAL];
    out.set(0, d.endlessBlurMm() / heightMm);
    out.set(1, 1 / d.focusM());
  }

  /** The wider of the blurs at a depth (no nearer than the near clip) and endlessly far. */
  static double widestBlur(Sequence s, Plan plan, Camera c, double nearestM) {
    int o = plan.slot(c.id()) * LensRow.SIZE;
    DepthOfField d = dof(s, plan, c);
    double[] l = plan.lens();
    double heightMm = (l[o + LensRow.TOP] - l[o + LensRow.BOTTOM]) * l[o + LensRow.FOCAL];
    double near = d.blurMm(Math.max(l[o + LensRow.NEAR], nearestM));
    return Math.max(d.endlessBlurMm(), Double.isFinite(nearestM) ? near : 0) / heightMm;
  }

  static String sighting(Plan plan, String camera, String subject, String anchor) {
    if (plan.slot(camera) < 0 || plan.slot(subject) < 0) return "null";
    double[] p = new double[3];
    plan.anchor(subject, anchor, p);
    return sighting(plan, camera, new Vec3(p[0], p[1], p[2]));
  }

  static String sighting(Plan plan, String camera, Vec3 p) {
    Eye eye = Eye.of(plan, camera);
    Vec3 seen = eye.seen(p);
    return new JsonObject()
        .add("x", p.x())
        .add("y", p.y())
        .add("z", p.z())
        .add("alongM", -seen.z())
        .add("straightM", seen.length())
        .add("across", orNull(eye.window().across(seen.x(), seen.z())))
        .add("down", orNull(eye.window().down(seen.y(), seen.z())))
        .toString();
  }

  static void project(Plan plan, String camera, double px, double py, double pz, Float64Array out) {
    Eye eye = Eye.of(plan, camera);
    Vec3 seen = eye.seen(new Vec3(px, py, pz));
    out.set(0, eye.window().across(seen.x(), seen.z()));
    out.set(1, eye.window().down(seen.y(), seen.z()));
    out.set(2, -seen.z());
  }

  static String cut(Sequence s) {
    JsonArray all = new JsonArray();
    for (Cut.Span c : Cut.spans(s)) {
      all.add(
          new JsonObject()
              .add("id", c.id())
              .add("shot", c.shot())
              .add("camera", c.camera() == null ? Json.NULL : Json.value(c.camera()))
              .add("first", c.first())
              .add("last", c.last()));
    }
    return all.toString();
  }

  static String focalLengthFor(Sequence s, Camera c, double degrees, String side) {
    if (!(degrees > 0 && degrees < 180))
      throw new Refusal(
          "range",
          c.id(),
          "focalLength",
          "A lens sees more than 0° and less than 180°. Type an angle between these.");
    CameraPackage p = s.header().packageOf(c);
    DeliveryWindow unit = DeliveryWindow.of(1, p.filmBack(), p.aspect(), p.fit(), 0, 0);
    double size =
        switch (side) {
          case "up" -> unit.height();
          case "diagonal" -> Math.hypot(unit.width(), unit.height());
          default -> unit.width();
        };
    return "{\"value\":" + AngleOfView.focalLengthMm(size, degrees) + "}";
  }

  static String anchors(Sequence q, Entity e, Map<String, ModelRig> rigs) {
    JsonArray names = new JsonArray();
    if (!(e instanceof Piece p)) return names.toString();
    if (Plan.shapeOf(q, p) instanceof Shape.StandIn s)
      for (String n : StandIns.anchors(s.form())) names.add(n);
    if (Plan.shapeOf(q, p) instanceof Shape.Model m && rigs.get(m.asset()) != null)
      for (ModelRig.Node n : rigs.get(m.asset()).nodes())
        if (!n.name().isEmpty()) names.add(n.name());
    return names.toString();
  }
}
