package kite.browser;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import kite.core.codec.CommandJson;
import kite.core.codec.ModelJson;
import kite.core.codec.SequenceJson;
import kite.core.command.Change;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.Refusal;
import kite.core.curve.CompiledCurve;
import kite.core.document.Camera;
import kite.core.document.Entity;
import kite.core.document.Sequence;
import kite.core.document.Unit;
import kite.core.evaluate.Plan;
import kite.core.model.ModelPose;
import kite.core.model.ModelRig;
import kite.core.number.NumberText;
import org.teavm.jso.JSExport;
import org.teavm.jso.typedarrays.Float32Array;
import org.teavm.jso.typedarrays.Float64Array;

/**
 * The open sequence and what can be asked of it. There is one per page.
 *
 * <p>Edits are applied to the sequence; a preview lies over it while a handle is dragged and leaves
 * it alone. Queries answer for the preview where there is one. Functions that can refuse give JSON
 * with either a result or {@code "refusal"}.
 */
public final class KiteCore {
  private static Sequence base;
  private static Sequence shown;
  private static Plan basePlan;
  private static Plan plan;
  private static final Map<String, ModelRig> RIGS = new HashMap<>();

  private KiteCore() {}

  public static void main(String[] args) {}

  /** Opens a document. Gives {@code {}} or a refusal. */
  @JSExport
  public static String open(String document) {
    return Answers.of(
        () -> {
          base = shown = SequenceJson.read(document);
          basePlan = plan = new Plan(base, RIGS::get);
          return "{}";
        });
  }

  /** Makes a model's nodes and clips known, as the server gives them for an asset. */
  @JSExport
  public static String registerModel(String asset, String rig) {
    return Answers.of(
        () -> {
          RIGS.put(asset, ModelJson.read(rig));
          recompile();
          return "{}";
        });
  }

  private static void recompile() {
    if (base == null) return;
    basePlan = new Plan(base, RIGS::get, basePlan);
    plan = shown == base ? basePlan : new Plan(shown, RIGS::get, basePlan);
  }

  /** Applies {@code {"commands": [...]}}. Gives {@code {"change": …}} or a refusal. */
  @JSExport
  public static String apply(String commands) {
    return Answers.of(
        () -> {
          Sequence next = Edit.apply(base, CommandJson.readAll(commands));
          Change change = Change.between(base, next);
          base = shown = next;
          basePlan = plan = new Plan(base, RIGS::get, basePlan);
          return "{\"change\":" + SequenceJson.write(change) + "}";
        });
  }

  /** Shows what commands would do, without doing it. Gives the change or a refusal. */
  @JSExport
  public static String preview(String commands) {
    return Answers.of(
        () -> {
          List<Command> all = CommandJson.readAll(commands);
          Sequence next = Edit.apply(base, all);
          shown = next;
          plan = new Plan(next, RIGS::get, basePlan);
          return "{\"change\":" + SequenceJson.write(Change.between(base, next)) + "}";
        });
  }

  /** Drops the preview. */
  @JSExport
  public static void endPreview() {
    shown = base;
    plan = basePlan;
  }

  /** The commands that take a change back, or make it again, as {@code {"commands": [...]}}. */
  @JSExport
  public static String commandsOf(String change, boolean undo) {
    return Answers.of(
        () -> {
          Change c = SequenceJson.change(change);
          return CommandJson.writeAll(List.of(undo ? c.undo() : c.redo()));
        });
  }

  /** The whole sequence as shown. */
  @JSExport
  public static String document() {
    return SequenceJson.write(shown);
  }

  /** The slot of an entity in {@link #evaluate}'s arrays, or −1 when it has no place in space. */
  @JSExport
  public static int slot(String id) {
    return plan.slot(id);
  }

  @JSExport
  public static int slots() {
    return plan.slots();
  }

  /**
   * Evaluates a frame.
   *
   * @param world gets 16 numbers per slot: world transforms, column by column, metres
   * @param lens gets 12 numbers per slot, for cameras: focal length, f-stop, focus, near, far,
   *     shutter, shift x, shift y, then the window's left, right, bottom, top slopes
   */
  @JSExport
  public static void evaluate(double frame, Float64Array world, Float64Array lens) {
    plan.evaluate(frame);
    world.set(plan.world(), 0);
    copyLenses(lens, 0);
  }

  /** Evaluates a run of frames; row after row of what {@link #evaluate} gives. */
  @JSExport
  public static void evaluateRange(double first, int count, Float64Array world, Float64Array lens) {
    int slots = plan.slots();
    for (int i = 0; i < count; i++) {
      plan.evaluate(first + i);
      world.set(plan.world(), i * slots * 16);
      copyLenses(lens, i * slots * Plan.LENS);
    }
  }

  private static void copyLenses(Float64Array lens, int at) {
    double[] from = plan.lens();
    for (int slot : plan.cameraSlots()) {
      for (int k = 0; k < Plan.LENS; k++)
        lens.set(at + slot * Plan.LENS + k, from[slot * Plan.LENS + k]);
    }
  }

  /** A model's node transforms to their parents at the frame last evaluated; 16 numbers a node. */
  @JSExport
  public static void modelPose(String id, Float64Array out) {
    ModelPose pose = plan.pose(id);
    if (pose != null) out.set(pose.local(), 0);
  }

  /** A node's morph weights at the frame last evaluated; gives how many there are. */
  @JSExport
  public static int modelWeights(String id, int node, Float64Array out) {
    ModelPose pose = plan.pose(id);
    if (pose == null) return 0;
    double[] w = pose.weights(node);
    int n = Math.min(w.length, out.getLength());
    for (int i = 0; i < n; i++) out.set(i, w[i]);
    return n;
  }

  /** Channels of an entity: address, label, unit, limits, value at the frame, and whether keyed. */
  @JSExport
  public static String channels(String id, double frame) {
    return Answers.channels(shown.get(id), frame);
  }

  /** Values of a channel at {@code first}, {@code first + step} …, as many as {@code out} holds. */
  @JSExport
  public static void curve(String id, String channel, double first, double step, Float64Array out) {
    CompiledCurve c = compiled(id, channel);
    for (int i = 0; i < out.getLength(); i++) out.set(i, c == null ? 0 : c.value(first + i * step));
  }

  private static CompiledCurve compiled(String id, String channel) {
    Entity e = shown.get(id);
    return e == null || !e.channelSpecs().containsKey(channel)
        ? null
        : CompiledCurve.of(e.channel(channel));
  }

  /** The handles in use: per segment out frames, out value, in frames, in value. */
  @JSExport
  public static String handles(String id, String channel) {
    return Answers.handles(shown.get(id), channel);
  }

  /** Shares of an attention part's subjects; one row of all subjects per step. */
  @JSExport
  public static void shares(
      String camera, String part, double first, double step, Float64Array out) {
    Answers.shares(shown.get(camera), part, first, step, out);
  }

  /** Places along a path, evenly by arc length, x, y, z each, as many as {@code out} holds. */
  @JSExport
  public static void pathPlaces(String id, Float64Array out) {
    Answers.pathPlaces(shown.get(id), out);
  }

  /** A path's length and tightest radius in metres. */
  @JSExport
  public static String pathReport(String id) {
    return Answers.pathReport(shown.get(id));
  }

  /** A stand-in's mesh: positions, normals, colours, indices. */
  @JSExport
  public static String standIn(String piece) {
    return Answers.standIn(shown.get(piece));
  }

  /** Angles of view and depth of field of a camera at the frame last evaluated. */
  @JSExport
  public static String lensReport(String camera) {
    return Answers.lens(shown, plan, (Camera) shown.get(camera));
  }

  /**
   * The blur-disc diameter in shares of the delivery height, over the inverse of depth.
   *
   * @param out first entry: infinitely far; last entry: at the near clip; even steps of 1/depth
   */
  @JSExport
  public static void blurTable(String camera, Float32Array out) {
    Answers.blurTable(shown, plan, camera, out);
  }

  /** Where a subject stands to a camera at the frame last evaluated, and where it is in frame. */
  @JSExport
  public static String sighting(String camera, String subject, String anchor) {
    return Answers.sighting(plan, camera, subject, anchor.isEmpty() ? null : anchor);
  }

  /** Where a world point falls: share across, share down (0–1 inside the frame), metres ahead. */
  @JSExport
  public static void project(String camera, double x, double y, double z, Float64Array out) {
    Answers.project(plan, camera, x, y, z, out);
  }

  /** The spans of the cut. */
  @JSExport
  public static String cut() {
    return Answers.cut(shown);
  }

  @JSExport
  public static String timecode(int frame) {
    return kite.core.cut.Timecode.of(frame, shown.header().rate());
  }

  /** Reads what was typed into a number field. Gives {@code {"value": …}} or a refusal. */
  @JSExport
  public static String readNumber(String text, String unit, double current) {
    return Answers.of(
        () -> {
          try {
            return "{\"value\":"
                + NumberText.read(text, Answers.unit(unit), current, shown.header().displayUnit())
                + "}";
          } catch (IllegalArgumentException e) {
            throw new Refusal("number", "", "", e.getMessage());
          }
        });
  }

  /** A value as a number field shows it, with its unit. */
  @JSExport
  public static String showNumber(double value, String unit) {
    Unit u = Answers.unit(unit);
    String length = shown.header().displayUnit();
    return NumberText.shown(value, u, length)
        + (u == Unit.METRES ? " " + length : NumberText.suffix(u));
  }

  /** The focal length in mm for an angle of view in degrees across the delivered width. */
  @JSExport
  public static double focalLengthFor(double degreesAcross) {
    return Answers.focalLengthFor(shown, degreesAcross);
  }

  /** Names of the points of a piece that can be looked at, its usual one first. */
  @JSExport
  public static String anchors(String piece) {
    return Answers.anchors(shown.get(piece), RIGS);
  }
}
