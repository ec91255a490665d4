package kite.browser;

import com.eclipsesource.json.Json;
import com.eclipsesource.json.JsonArray;
import com.eclipsesource.json.JsonObject;
import com.eclipsesource.json.JsonValue;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import kite.core.codec.Words;
import kite.core.command.Refusal;
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
import kite.core.document.Unit;
import kite.core.evaluate.Plan;
import kite.core.math.Matrix;
import kite.core.model.ModelRig;
import kite.core.optics.AngleOfView;
import kite.core.optics.DeliveryWindow;
import kite.core.optics.DepthOfField;
import kite.core.path.PathTable;
import kite.core.rig.Attention;
import kite.core.rig.Subject;
import kite.core.shape.Mesh;
import kite.core.shape.StandIns;
import org.teavm.jso.typedarrays.Float32Array;
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

  static String channels(Entity e, double frame) {
    JsonArray all = new JsonArray();
    if (e == null) return all.toString();
    for (Map.Entry<String, ChannelSpec> c : e.channelSpecs().entrySet()) {
      ChannelSpec s = c.getValue();
      Channel channel = e.channel(c.getKey());
      all.add(
          new JsonObject()
              .add("address", c.getKey())
              .add("label", s.label())
              .add("unit", Words.of(s.unit()))
              .add("initial", s.initial())
              .add("least", s.least())
              .add("most", s.most())
              .add("value", channel.at(frame))
              .add("keyed", channel instanceof Channel.Curve));
    }
    return all.toString();
  }

  static String handles(Entity e, String channel) {
    JsonArray all = new JsonArray();
    if (e != null
        && e.channelSpecs().containsKey(channel)
        && e.channel(channel) instanceof Channel.Curve c) {
      for (int i = 0; i + 1 < c.keys().size(); i++) all.add(numbers(Handles.of(c.keys(), i)));
    }
    return all.toString();
  }

  private static JsonArray numbers(double[] all) {
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
    if (!(camera instanceof Camera c) || !(c.part(part) instanceof Attention a)) return;
    List<String> order = new ArrayList<>();
    for (Subject s : a.subjects()) order.add(s.entity());
    CueTrack track = new CueTrack(a.cues(), order);
    double[] row = new double[order.size()];
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

  private static JsonValue orNull(double d) {
    return Double.isFinite(d) ? Json.value(d) : Json.NULL;
  }

  static String standIn(Entity e) {
    if (!(e instanceof Piece p) || !(p.shape() instanceof Shape.StandIn s)) return "null";
    Mesh m = StandIns.mesh(s, p.colour());
    JsonArray indices = new JsonArray();
    for (int i : m.indices()) indices.add(i);
    return new JsonObject()
        .add("positions", numbers(m.positions()))
        .add("normals", numbers(m.normals()))
        .add("colours", numbers(m.colours()))
        .add("indices", indices)
        .toString();
  }

  private static DepthOfField dof(Sequence s, Plan plan, int o) {
    double[] l = plan.lens();
    return new DepthOfField(l[o], l[o + 1], s.header().cameraPackage().circleMm(), l[o + 2]);
  }

  static String lens(Sequence s, Plan plan, Camera c) {
    int o = plan.slot(c.id()) * Plan.LENS;
    double[] l = plan.lens();
    CameraPackage p = s.header().cameraPackage();
    DepthOfField d = dof(s, plan, o);
    double w = (l[o + 9] - l[o + 8]) * l[o], h = (l[o + 11] - l[o + 10]) * l[o];
    return new JsonObject()
        .add("horizontalDegrees", AngleOfView.degrees(w, l[o]))
        .add("verticalDegrees", AngleOfView.degrees(h, l[o]))
        .add("diagonalDegrees", AngleOfView.degrees(Math.hypot(w, h), l[o]))
        .add("hyperfocalM", d.hyperfocalM())
        .add("nearLimitM", d.nearLimitM())
        .add("farLimitM", orNull(d.farLimitM()))
        .add("circleMm", d.circleMm())
        .add("filmBack", p.filmBack().widthMm() + " × " + p.filmBack().heightMm() + " mm")
        .toString();
  }

  static void blurTable(Sequence s, Plan plan, String camera, Float32Array out) {
    int o = plan.slot(camera) * Plan.LENS, n = out.getLength();
    DepthOfField d = dof(s, plan, o);
    double[] l = plan.lens();
    double heightMm = (l[o + 11] - l[o + 10]) * l[o], most = 1 / l[o + 3];
    for (int i = 0; i < n; i++) {
      double inverse = most * i / (n - 1);
      double depth = i == 0 ? 1e12 : 1 / inverse;
      out.set(i, (float) (d.blurMm(depth) / heightMm));
    }
  }

  static String sighting(Plan plan, String camera, String subject, String anchor) {
    int slot = plan.slot(camera);
    if (slot < 0 || plan.slot(subject) < 0) return "null";
    double[] p = new double[3];
    plan.anchor(subject, anchor, p);
    double[] m = plan.world();
    int o = slot * Matrix.SIZE;
    double dx = p[0] - m[o + 12], dy = p[1] - m[o + 13], dz = p[2] - m[o + 14];
    double x = m[o] * dx + m[o + 1] * dy + m[o + 2] * dz,
        y = m[o + 4] * dx + m[o + 5] * dy + m[o + 6] * dz;
    double z = m[o + 8] * dx + m[o + 9] * dy + m[o + 10] * dz;
    DeliveryWindow w = window(plan, slot);
    return new JsonObject()
        .add("x", p[0])
        .add("y", p[1])
        .add("z", p[2])
        .add("alongM", -z)
        .add("straightM", Math.sqrt(dx * dx + dy * dy + dz * dz))
        .add("across", orNull(w.across(x, z)))
        .add("down", orNull(w.down(y, z)))
        .toString();
  }

  private static DeliveryWindow window(Plan plan, int slot) {
    double[] l = plan.lens();
    int o = slot * Plan.LENS;
    return new DeliveryWindow(l[o + 8], l[o + 9], l[o + 10], l[o + 11]);
  }

  static void project(Plan plan, String camera, double px, double py, double pz, Float64Array out) {
    int slot = plan.slot(camera), o = slot * Matrix.SIZE;
    double[] m = plan.world();
    double dx = px - m[o + 12], dy = py - m[o + 13], dz = pz - m[o + 14];
    double x = m[o] * dx + m[o + 1] * dy + m[o + 2] * dz,
        y = m[o + 4] * dx + m[o + 5] * dy + m[o + 6] * dz;
    double z = m[o + 8] * dx + m[o + 9] * dy + m[o + 10] * dz;
    DeliveryWindow w = window(plan, slot);
    out.set(0, w.across(x, z));
    out.set(1, w.down(y, z));
    out.set(2, -z);
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

  static double focalLengthFor(Sequence s, double degreesAcross) {
    CameraPackage p = s.header().cameraPackage();
    DeliveryWindow unit = DeliveryWindow.of(1, p.filmBack(), p.aspect(), p.fit(), 0, 0);
    return AngleOfView.focalLengthMm(unit.width(), degreesAcross);
  }

  static String anchors(Entity e, Map<String, ModelRig> rigs) {
    JsonArray names = new JsonArray();
    if (e instanceof Piece p && p.shape() instanceof Shape.StandIn s)
      for (String n : StandIns.anchors(s.form())) names.add(n);
    if (e instanceof Piece p && p.shape() instanceof Shape.Model m && rigs.get(m.asset()) != null)
      for (ModelRig.Node n : rigs.get(m.asset()).nodes())
        if (!n.name().isEmpty()) names.add(n.name());
    return names.toString();
  }
}
