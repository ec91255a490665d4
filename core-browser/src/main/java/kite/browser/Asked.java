package kite.browser;

import com.eclipsesource.json.Json;
import com.eclipsesource.json.JsonArray;
import com.eclipsesource.json.JsonObject;
import com.eclipsesource.json.JsonValue;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import java.util.function.Supplier;
import kite.core.bake.CameraTrack;
import kite.core.codec.CommandJson;
import kite.core.codec.MotionJson;
import kite.core.codec.SavedRigJson;
import kite.core.codec.TrackJson;
import kite.core.command.Command;
import kite.core.cutting.BroughtShot;
import kite.core.cutting.CutBrought;
import kite.core.cutting.Switching;
import kite.core.delta.Delta;
import kite.core.delta.DeltaJson;
import kite.core.document.Sequence;
import kite.core.document.Standards;
import kite.core.form.Fields;
import kite.core.form.RigJson;
import kite.core.form.SequenceJson;
import kite.core.form.StandardsJson;
import kite.core.math.Vec3;
import kite.core.motion.MotionRequest;
import kite.core.optics.FilmBack;
import kite.core.readyrig.SavedRig;
import kite.core.rig.Subject;
import kite.core.rules.Change;
import kite.core.rules.Refusal;

/**
 * How what is asked is read, and what is answered is written, where a record's own components do
 * not say it. The processor finds a reader by what it gives and a writer by what it takes.
 */
final class Asked {
  private Asked() {}

  /** An answer as text: its JSON, or {@code {"refusal": …}}. */
  static String of(Supplier<JsonValue> work) {
    try {
      return work.get().toString();
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

  // --- what is asked ---

  static Sequence sequence(String json) {
    return SequenceJson.read(json);
  }

  /** As somebody types them: whether they keep the rules is asked of them. */
  static Standards standards(String json) {
    return StandardsJson.readUnchecked(json);
  }

  static FilmBack filmBack(String json) {
    return StandardsJson.back(Fields.parse(json));
  }

  static CommandJson.Said said(String json) {
    return CommandJson.said(json);
  }

  static List<Command> commands(String json) {
    return CommandJson.list(json);
  }

  static Delta delta(String json) {
    return DeltaJson.read(json);
  }

  static MotionRequest motion(String json) {
    return MotionJson.read(json);
  }

  static SavedRig savedRig(String json) {
    return SavedRigJson.read(json);
  }

  static CameraTrack track(String json) {
    return TrackJson.read(json);
  }

  static List<Switching.Press> presses(String json) {
    return all(
        json,
        p -> p.done(new Switching.Press(p.number("frame"), p.text("camera"), p.text("newId"))));
  }

  static List<BroughtShot> brought(String json) {
    return all(
        json,
        b ->
            b.done(
                new BroughtShot(
                    b.text("code"),
                    b.text("camera"),
                    b.truth("isGap"),
                    b.numberOrNull("first"),
                    b.whole("frames"),
                    b.whole("scene"),
                    b.whole("programme"),
                    b.whole("line"))));
  }

  static List<CutBrought.SaidWhich> saidWhich(String json) {
    return all(json, w -> w.done(new CutBrought.SaidWhich(w.whole("index"), w.text("id"))));
  }

  private static <T> List<T> all(String json, Function<Fields, T> one) {
    Fields f = Fields.of(new JsonObject().add("all", Fields.value(json)), "$");
    return f.done(f.list("all", one));
  }

  static List<String> texts(String json) {
    List<String> all = new ArrayList<>();
    for (JsonValue v : Json.parse(json).asArray()) all.add(v.asString());
    return all;
  }

  static List<Double> frames(String json) {
    List<Double> all = new ArrayList<>();
    for (JsonValue v : Json.parse(json).asArray()) all.add(v.asDouble());
    return all;
  }

  // --- what is answered ---

  static JsonValue json(Command c) {
    return CommandJson.write(c);
  }

  static JsonValue json(Change c) {
    return SequenceJson.json(c);
  }

  static JsonValue json(Sequence s) {
    return SequenceJson.json(s);
  }

  static JsonValue json(Delta d) {
    return DeltaJson.write(d);
  }

  static JsonValue json(SavedRig r) {
    return SavedRigJson.json(r);
  }

  static JsonValue json(Subject s) {
    return RigJson.write(s);
  }

  static JsonValue json(Vec3 v) {
    return numbers(new double[] {v.x(), v.y(), v.z()});
  }

  static JsonValue finite(double d) {
    return Double.isFinite(d) ? Json.value(d) : Json.NULL;
  }

  static <T> JsonValue orNull(T value, Function<T, JsonValue> write) {
    return value == null ? Json.NULL : write.apply(value);
  }

  static <T> JsonValue list(List<? extends T> all, Function<T, JsonValue> write) {
    JsonArray a = new JsonArray();
    for (T x : all) a.add(write.apply(x));
    return a;
  }

  static JsonValue numbers(double[] all) {
    JsonArray a = new JsonArray();
    for (double d : all) a.add(d);
    return a;
  }

  static JsonValue numbers(float[] all) {
    JsonArray a = new JsonArray();
    for (float d : all) a.add(d);
    return a;
  }

  static JsonValue numbers(int[] all) {
    JsonArray a = new JsonArray();
    for (int d : all) a.add(d);
    return a;
  }
}
