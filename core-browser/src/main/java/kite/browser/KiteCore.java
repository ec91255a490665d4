package kite.browser;

import com.eclipsesource.json.Json;
import com.eclipsesource.json.JsonArray;
import com.eclipsesource.json.JsonObject;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import kite.core.bake.CalmBase;
import kite.core.bake.CameraTrack;
import kite.core.bake.PlainCamera;
import kite.core.bake.Route;
import kite.core.codec.CommandJson;
import kite.core.codec.Digest;
import kite.core.codec.ModelJson;
import kite.core.codec.MotionJson;
import kite.core.codec.SavedRigJson;
import kite.core.codec.TrackJson;
import kite.core.command.BackTo;
import kite.core.command.Command;
import kite.core.command.CopyIn;
import kite.core.command.Cueing;
import kite.core.command.Edit;
import kite.core.command.EntityCommand;
import kite.core.command.MarkInPlace;
import kite.core.command.SequenceCommand;
import kite.core.command.SequenceCommand.Amend;
import kite.core.cueing.FocusPull;
import kite.core.cueing.Members;
import kite.core.cueing.Turning;
import kite.core.curve.CompiledCurve;
import kite.core.delta.Delta;
import kite.core.delta.DeltaJson;
import kite.core.delta.FieldChange;
import kite.core.delta.FieldWords;
import kite.core.document.Camera;
import kite.core.document.Entity;
import kite.core.document.Header;
import kite.core.document.Path;
import kite.core.document.Piece;
import kite.core.document.PlacedSet;
import kite.core.document.Plate;
import kite.core.document.Sequence;
import kite.core.document.StandardsChange;
import kite.core.drawing.PathEdits;
import kite.core.drawing.PathShapes;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.PartPlot;
import kite.core.evaluate.Plan;
import kite.core.form.RigJson;
import kite.core.form.SequenceJson;
import kite.core.form.StandardsJson;
import kite.core.form.Words;
import kite.core.frame.Arranging;
import kite.core.frame.Clips;
import kite.core.frame.Copies;
import kite.core.frame.DepthRuler;
import kite.core.frame.Eye;
import kite.core.frame.FreeGround;
import kite.core.frame.HoldSize;
import kite.core.frame.LensDrag;
import kite.core.frame.PartWords;
import kite.core.frame.PlaceSubject;
import kite.core.frame.RigHandles;
import kite.core.frame.SubjectRoute;
import kite.core.light.ThreeLights;
import kite.core.math.Matrix;
import kite.core.math.Rotation;
import kite.core.math.Vec3;
import kite.core.model.ModelPose;
import kite.core.model.ModelRig;
import kite.core.motion.AddedKeys;
import kite.core.motion.CueMotion;
import kite.core.motion.MoveTogether;
import kite.core.naming.ShotCodes;
import kite.core.number.FrameText;
import kite.core.number.NumberText;
import kite.core.number.Unit;
import kite.core.readyrig.ReadyRig;
import kite.core.readyrig.ReadyRigs;
import kite.core.readyrig.SavedRig;
import kite.core.report.FrameReport;
import kite.core.report.Warnings;
import kite.core.rig.Cued;
import kite.core.rig.DollyZoom;
import kite.core.rig.Subject;
import kite.core.rules.Change;
import kite.core.rules.References;
import kite.core.rules.Refusal;
import kite.core.rules.StandardsRules;
import kite.core.sets.SetUpdate;
import kite.core.sets.SharedSet;
import org.teavm.jso.JSExport;
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

  /**
   * Applies {@code {"commands": [...]}}. Gives {@code {"change": …, "delta": "…"}}, the delta as
   * text for {@link #takeBack}, or a refusal.
   */
  @JSExport
  public static String apply(String commands) {
    return Answers.of(() -> made(Edit.make(base, CommandJson.readAll(commands))));
  }

  /** Applies what somebody else did and the server has taken: field by field, as it was done. */
  @JSExport
  public static String applyDelta(String delta) {
    return Answers.of(
        () -> {
          Sequence next = DeltaJson.read(delta).after(base);
          return made(new Edit.Made(next, Change.between(base, next)));
        });
  }

  private static String made(Edit.Made made) {
    base = shown = made.sequence();
    basePlan = plan = basePlan.after(made.sequence(), made.change());
    return new JsonObject()
        .add("change", SequenceJson.json(made.change()))
        .add("delta", DeltaJson.write(Delta.of(made.change())).toString())
        .toString();
  }

  /** Shows what commands would do, without doing it. Gives the change or a refusal. */
  @JSExport
  public static String preview(String commands) {
    return Answers.of(
        () -> {
          Edit.Made made = Edit.make(base, CommandJson.readAll(commands));
          shown = made.sequence();
          plan = basePlan.after(made.sequence(), made.change());
          return "{\"change\":" + SequenceJson.write(made.change()) + "}";
        });
  }

  /** Drops the preview. */
  @JSExport
  public static void endPreview() {
    shown = base;
    plan = basePlan;
  }

  /**
   * What takes an edit back, or makes it again, of all that nobody else has gone on with: {@code
   * {"edit": "…", "left": [...]}}, the edit as text for {@link #apply} and in words what is left to
   * others; the edit is '' where that is all of it.
   *
   * @param delta as {@link #apply} gave it, or a change as earlier builds kept it
   */
  @JSExport
  public static String takeBack(String delta, boolean undo) {
    return Answers.of(
        () -> {
          Delta d = DeltaJson.read(delta);
          if (undo) d = d.turned();
          Delta.Fit fit = d.fitting(base);
          JsonArray left = new JsonArray();
          for (FieldChange c : fit.left()) left.add(FieldWords.of(base, c));
          for (Entity e : fit.leftThings()) left.add("“" + e.name() + "”");
          String edit =
              fit.fits().isEmpty() ? "" : CommandJson.writeAll(List.of(new Amend(fit.fits())));
          return new JsonObject().add("edit", edit).add("left", left).toString();
        });
  }

  /** A delta turned round: what takes back what it did, as text. */
  @JSExport
  public static String turned(String delta) {
    return DeltaJson.write(DeltaJson.read(delta).turned()).toString();
  }

  private static final Digest DIGEST = new Digest();

  /** What tells this sequence, without its preview, from others; the server gives the same. */
  @JSExport
  public static String digest() {
    return DIGEST.of(base);
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
      copyLenses(lens, i * slots * LensRow.SIZE);
    }
  }

  private static void copyLenses(Float64Array lens, int at) {
    double[] from = plan.lens();
    for (int slot : plan.cameraSlots()) {
      for (int k = 0; k < LensRow.SIZE; k++)
        lens.set(at + slot * LensRow.SIZE + k, from[slot * LensRow.SIZE + k]);
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

  /**
   * Channels of an entity: address, label, unit, limits, value at the frame, and whether keyed. For
   * a camera's lens, where the frame is the one last evaluated, also the number in effect, and in
   * words what decides it in place of the channel.
   */
  @JSExport
  public static String channels(String id, double frame) {
    return Answers.channels(shown, plan, shown.get(id), frame);
  }

  /** Values of a channel at {@code first}, {@code first + step} …, as many as {@code out} holds. */
  @JSExport
  public static void curve(String id, String channel, double first, double step, Float64Array out) {
    CompiledCurve c = compiled(id, channel);
    for (int i = 0; i < out.getLength(); i++) out.set(i, c == null ? 0 : c.value(first + i * step));
  }

  /** How fast a channel changes at those frames, in its unit a second. */
  @JSExport
  public static void speed(String id, String channel, double first, double step, Float64Array out) {
    CompiledCurve c = compiled(id, channel);
    double fps = shown.header().rate().perSecond();
    for (int i = 0; i < out.getLength(); i++)
      out.set(i, c == null ? 0 : c.slope(first + i * step) * fps);
  }

  /**
   * What would get keys it did not have if these commands were applied, as {@code {"added": […]}}
   * with labels, or a refusal. Nothing is changed.
   */
  @JSExport
  public static String wouldKey(String commands) {
    return Answers.of(
        () -> {
          Change change = Edit.make(base, CommandJson.readAll(commands)).change();
          return "{\"added\":" + FrameAnswers.texts(AddedKeys.of(change)) + "}";
        });
  }

  private static CompiledCurve compiled(String id, String channel) {
    Entity e = shown.get(id);
    return e == null || e.channelSpec(channel) == null
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
    return Answers.standIn(shown, shown.get(piece));
  }

  /** Angles of view and depth of field of a camera at the frame last evaluated. */
  @JSExport
  public static String lensReport(String camera) {
    return Answers.lens(shown, plan, (Camera) shown.get(camera));
  }

  /**
   * A camera's blur, which is even over the inverse of depth: the disc's diameter at a depth d is
   * {@code out[0] · |1 − 1 / (d · out[1])|}.
   *
   * @param out two numbers: the diameter infinitely far away, in shares of the delivery height; and
   *     the inverse of the focus distance
   */
  @JSExport
  public static void blur(String camera, Float64Array out) {
    Answers.blur(shown, plan, camera, out);
  }

  /** Where a subject stands to a camera at the frame last evaluated, and where it is in frame. */
  @JSExport
  public static String sighting(String camera, String subject, String anchor) {
    return Answers.sighting(plan, camera, subject, anchor.isEmpty() ? null : anchor);
  }

  /**
   * The points of a thing that others look at, focus on or size, and where each is in the world.
   */
  @JSExport
  public static String lookedAt(String id) {
    JsonArray all = new JsonArray();
    double[] at = new double[3];
    for (Subject s : MarkInPlace.points(shown, id)) {
      plan.subject(s, at);
      all.add(
          new JsonObject()
              .add("where", RigJson.write(s))
              .add("x", at[0])
              .add("y", at[1])
              .add("z", at[2]));
    }
    return all.toString();
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
    return kite.core.number.Timecode.of(frame, shown.header().rate());
  }

  /**
   * Reads a frame as typed, or a number of frames: 1090, 12s, +2s, a timecode. Gives {@code
   * {"value": …}} or a refusal.
   */
  @JSExport
  public static String readFrames(String text, double current, boolean many) {
    Header h = shown.header();
    return Answers.of(
        () -> {
          try {
            double v =
                many
                    ? FrameText.frames(text, h.rate(), current)
                    : FrameText.frame(text, h.rate(), h.firstFrame(), current);
            return new JsonObject().add("value", v).toString();
          } catch (IllegalArgumentException e) {
            throw new Refusal("number", "", "", e.getMessage());
          }
        });
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
    return u == Unit.METRES
        ? NumberText.length(value, length)
        : NumberText.shown(value, u, length) + NumberText.suffix(u);
  }

  /**
   * The focal length in mm for an angle of view in degrees.
   *
   * @param side across, up or diagonal of the delivered frame
   */
  @JSExport
  public static String focalLengthFor(String camera, double degrees, String side) {
    return Answers.of(
        () -> Answers.focalLengthFor(shown, (Camera) shown.get(camera), degrees, side));
  }

  /** Names of the points of a piece that can be looked at, its usual one first. */
  @JSExport
  public static String anchors(String piece) {
    return Answers.anchors(shown, shown.get(piece), RIGS);
  }

  /** Rate and camera package in force, for a camera or ("") for the sequence. */
  @JSExport
  public static String settings(String camera) {
    return FrameAnswers.settings(shown.header(), shown.get(camera));
  }

  /** Film backs in common use: name, widthMm, heightMm, squeeze. */
  @JSExport
  public static String filmBacks() {
    return FrameAnswers.filmBacks();
  }

  /** What cannot be in standards as they are typed (as JSON): {field, text} of each. */
  @JSExport
  public static String standardsFaults(String standards) {
    JsonArray all = new JsonArray();
    for (Refusal r : StandardsRules.faults(StandardsJson.readUnchecked(standards)))
      all.add(new JsonObject().add("field", r.field()).add("text", r.getMessage()));
    return all.toString();
  }

  /** What new standards (as JSON) would change here, in short sentences; or a refusal. */
  @JSExport
  public static String standardsChange(String standards) {
    return Answers.of(
        () ->
            "{\"changes\":"
                + FrameAnswers.texts(
                    StandardsChange.sentences(shown, StandardsJson.read(standards)))
                + "}");
  }

  /** Names that break the production's rules: id, name, better. */
  @JSExport
  public static String namingBreaches() {
    return FrameAnswers.breaches(shown);
  }

  /** Ids of the pieces that are subjects. */
  @JSExport
  public static String subjects() {
    return FrameAnswers.texts(DepthRuler.subjects(shown));
  }

  /** What uses things (ids as a JSON list), one sentence each. */
  @JSExport
  public static String users(String ids) {
    return FrameAnswers.texts(References.users(shown, FrameAnswers.ids(ids)));
  }

  /** Clips, focus, sharp limits and the subjects' extents along a camera's axis, metres. */
  @JSExport
  public static String depthRuler(String camera) {
    return FrameAnswers.depthRuler(shown, plan, (Camera) shown.get(camera));
  }

  /** Which pieces in frame the clips cut, and why the picture is empty ("" when it is not). */
  @JSExport
  public static String seen(String camera) {
    return FrameAnswers.seen(shown, plan, (Camera) shown.get(camera));
  }

  /** Where a world point stands to a camera at the frame last evaluated; see sighting. */
  @JSExport
  public static String pointSighting(String camera, double x, double y, double z) {
    return Answers.sighting(plan, camera, new Vec3(x, y, z));
  }

  /** Whether two distances along the axis can be sharp at once: can, does, says, focusM, fStop. */
  @JSExport
  public static String holdBoth(String camera, double aM, double bM) {
    return FrameAnswers.holdBoth(shown, plan, (Camera) shown.get(camera), aM, bM);
  }

  /** Headroom and lead room of a piece, as shares of the frame; null when it is not ahead. */
  @JSExport
  public static String composition(String camera, String subject) {
    return FrameAnswers.composition(shown, plan, camera, subject);
  }

  /** A camera's guides as polylines in shares of the frame. */
  @JSExport
  public static String guideLines(String camera) {
    return FrameAnswers.guideLines(shown, plan, (Camera) shown.get(camera));
  }

  /** Lights at a frame: colour linear, power, cone half angles in radians, sizes in metres. */
  @JSExport
  public static String lights(double frame) {
    return FrameAnswers.lights(shown, frame);
  }

  /** Haze and background at a frame, or null. */
  @JSExport
  public static String air(double frame) {
    return FrameAnswers.air(shown, frame);
  }

  /** Writes a plate's left, top, width and height in shares of the frame, opacity and depth. */
  @JSExport
  public static void platePlace(String plate, double frame, double imageAspect, Float64Array out) {
    FrameAnswers.platePlace(shown, plate, frame, imageAspect, out);
  }

  /** The image asset of a plate on a frame. */
  @JSExport
  public static String plateImage(String plate, double frame) {
    return ((Plate) shown.get(plate)).at(frame);
  }

  /** Pan, tilt and roll in degrees of a rigid transform of 16 numbers. */
  @JSExport
  public static void angles(Float64Array transform, Float64Array out) {
    double[] m = new double[16];
    for (int i = 0; i < 16; i++) m[i] = transform.get(i);
    Matrix.makeRigid(m, 0);
    double[] a = Rotation.newPanTiltRoll(m, 0);
    for (int i = 0; i < 3; i++) out.set(i, Math.toDegrees(a[i]));
  }

  /** Width, height and depth in metres of pieces (ids as a JSON list) together. */
  @JSExport
  public static void size(String ids, Float64Array out) {
    out.set(arranging(0, false).size(FrameAnswers.ids(ids)), 0);
  }

  /** Bounds of a thing in the world: least x, y, z, most x, y, z. False when it has no place. */
  @JSExport
  public static boolean bounds(String id, Float64Array out) {
    double[] b = arranging(0, false).bounds(id);
    if (b != null) out.set(b, 0);
    return b != null;
  }

  private static Arranging arranging(double frame, boolean key) {
    return new Arranging(shown, plan, frame, key);
  }

  /** The commands that set both clips so that nothing in frame is cut off over a run of frames. */
  @JSExport
  public static String nothingCutOff(String camera, int first, int last) {
    Camera c = (Camera) shown.get(camera);
    return FrameAnswers.commands(Clips.nothingCutOff(shown, RIGS::get, c, first, last));
  }

  /**
   * The commands that put a subject at a place and size of the frame; or a refusal.
   *
   * @param anchor "" for its usual point
   * @param size share of the frame's height, or 0 to leave it
   * @param by move, turn or lens
   */
  @JSExport
  public static String placeSubject(
      String camera,
      String subject,
      String anchor,
      double across,
      double down,
      double size,
      String by,
      double frame,
      boolean key) {
    return Answers.of(
        () ->
            FrameAnswers.commands(
                placing(camera, frame, key)
                    .at(
                        shown.get(subject),
                        anchor.isEmpty() ? null : anchor,
                        across,
                        down,
                        size,
                        Words.find(by, PlaceSubject.By.values()))));
  }

  private static PlaceSubject placing(String camera, double frame, boolean key) {
    return new PlaceSubject(shown, RIGS::get, (Camera) shown.get(camera), frame, key);
  }

  /** The commands that change the lens and dolly so that a subject keeps its size. */
  @JSExport
  public static String keepSize(
      String camera, String subject, double focalLengthMm, double frame, boolean key) {
    return Answers.of(
        () ->
            FrameAnswers.commands(
                placing(camera, frame, key).keepingSize(shown.get(subject), null, focalLengthMm)));
  }

  /**
   * The commands that align things (ids as a JSON list) with the first.
   *
   * @param axes any of x, y and z
   * @param by least, centre or most
   */
  @JSExport
  public static String align(String ids, String axes, String by, double frame, boolean key) {
    return FrameAnswers.commands(
        arranging(frame, key)
            .align(
                FrameAnswers.ids(ids),
                axes.contains("x"),
                axes.contains("y"),
                axes.contains("z"),
                Words.find(by, Arranging.By.values())));
  }

  /** What a rig part is doing at the frame last evaluated, in one line. */
  @JSExport
  public static String partSays(String camera, String part, double frame) {
    Camera c = (Camera) shown.get(camera);
    return new PartWords(shown, RIGS::get, plan, c, frame).of(c.part(part));
  }

  /** The sum of a camera's trims at the frame last evaluated, in one line; '' when it has none. */
  @JSExport
  public static String trimsSay(String camera, double frame) {
    return new PartWords(shown, RIGS::get, plan, (Camera) shown.get(camera), frame).trims();
  }

  /**
   * What a part does by itself over some seconds, for a small picture of it: for an operator metres
   * right, up and back and degrees of pan, tilt and roll; for a spring its answer to a step of 1,
   * in place and in rotation.
   *
   * @param out rows of six numbers for an operator, of two for a spring
   */
  @JSExport
  public static void partPlot(String camera, String part, double seconds, Float64Array out) {
    if (!(shown.get(camera) instanceof Camera c)) return;
    double[] rows = new double[out.getLength()];
    PartPlot.fill(shown, c, c.part(part), seconds, rows);
    out.set(rows, 0);
  }

  /**
   * The commands that give a camera a ready-made rig on its present place.
   *
   * @param between ids of the cameras a travelling one shall travel between, as JSON
   */
  @JSExport
  public static String readyRig(
      String camera, String kind, String subject, String pathId, String between, double frame) {
    return Answers.of(
        () ->
            FrameAnswers.commands(
                new ReadyRigs(shown, RIGS::get, (Camera) shown.get(camera), frame)
                    .make(
                        Words.find(kind, ReadyRig.values()),
                        subject.isEmpty() ? null : subject,
                        pathId,
                        FrameAnswers.ids(between))));
  }

  /**
   * The commands an edit of chosen keys amounts to.
   *
   * @param request {@code {"picked": [{id, channel, frames}], "edit": {kind, …}}}
   */
  @JSExport
  public static String motion(String request) {
    return Answers.of(() -> FrameAnswers.commands(MotionJson.commands(shown, request)));
  }

  /**
   * The commands of an edit of all cues of a part, or of "focus".
   *
   * @param edit fitTo (frames), stretch (factor, about a frame) or repeat (times)
   */
  @JSExport
  public static String cueMotion(
      String camera, String part, String edit, double amount, double about) {
    return Answers.of(
        () -> {
          Entity c = shown.get(camera);
          return FrameAnswers.commands(
              switch (edit) {
                case "fitTo" -> CueMotion.fitTo(c, part, amount);
                case "stretch" -> CueMotion.stretch(c, part, about, amount);
                case "repeat" -> CueMotion.repeat(c, part, (int) Math.rint(amount));
                default -> throw new Refusal("unknown", camera, part, "No such edit of cues.");
              });
        });
  }

  /** The commands that take one more in among whom cues share, or into those focus follows. */
  @JSExport
  public static String takeMember(String owner, String part, String member) {
    return Answers.of(
        () ->
            FrameAnswers.commands(
                Members.take(shown.get(owner), part, member, shown.header().firstFrame())));
  }

  /** The commands that let one of them go. */
  @JSExport
  public static String letMemberGo(String owner, String part, String member) {
    return Answers.of(() -> FrameAnswers.commands(Members.letGo(shown.get(owner), part, member)));
  }

  /**
   * The commands that turn cues to a member from a frame on.
   *
   * @param member "" to let go
   * @param travel frames it takes; below 0 for the usual
   */
  @JSExport
  public static String turnCuesTo(
      String owner, String part, String member, double frame, double travel) {
    double over = travel < 0 ? Turning.TURN_FRAMES : travel;
    return Answers.of(
        () ->
            FrameAnswers.commands(
                Turning.to(shown.get(owner), part, member.isEmpty() ? null : member, frame, over)));
  }

  /**
   * The commands that hold the mix of a frame from there on; none where there is nothing to hold.
   */
  @JSExport
  public static String holdMix(String owner, String part, double frame, boolean atOnce) {
    return Answers.of(
        () -> FrameAnswers.commands(Turning.hold(shown.get(owner), part, frame, atOnce)));
  }

  /** The commands that have focus follow one subject alone. */
  @JSExport
  public static String followFocus(String camera, String subject, double frame) {
    return Answers.of(
        () -> FrameAnswers.commands(FocusPull.follow((Camera) shown.get(camera), subject, frame)));
  }

  /** The commands that pull focus from wherever it is to a subject, from a frame on. */
  @JSExport
  public static String pullFocus(String camera, String subject, double frame, double travel) {
    return Answers.of(
        () ->
            FrameAnswers.commands(
                FocusPull.pull((Camera) shown.get(camera), subject, frame, travel)));
  }

  /** The commands that pull focus from one subject to another, from a frame on. */
  @JSExport
  public static String rackFocus(
      String camera, String first, String second, double frame, double travel) {
    return Answers.of(
        () ->
            FrameAnswers.commands(
                FocusPull.rack((Camera) shown.get(camera), first, second, frame, travel)));
  }

  /** A free code for a shot that begins on a frame. */
  @JSExport
  public static String shotCode(int frame) {
    return ShotCodes.next(shown, frame);
  }

  private static LensDrag held;

  /**
   * A hand takes hold of a camera in its picture: what its drags mean does not drift from here on.
   */
  @JSExport
  public static void takeHold(
      String camera, double frame, double x, double y, double z, double alongM, boolean key) {
    double focalMm = plan.lens()[plan.slot(camera) * LensRow.SIZE + LensRow.FOCAL];
    held =
        new LensDrag(
            camera, frame, focalMm, Eye.of(plan, camera).window(), new Vec3(x, y, z), alongM, key);
  }

  /**
   * The commands of a drag so far.
   *
   * @param tool turn, orbit, truck, dolly, roll or zoom
   * @param across share of the frame's width, {@code down} of its height
   */
  @JSExport
  public static String lensDrag(String tool, double across, double down) {
    return FrameAnswers.commands(List.of(held.drag(tool(tool), across, down)));
  }

  /** The commands of so many steps of the arrow keys. */
  @JSExport
  public static String lensSteps(String tool, int right, int down) {
    return FrameAnswers.commands(List.of(held.steps(tool(tool), right, down)));
  }

  /** The commands of so many notches of the wheel with a longer lens. */
  @JSExport
  public static String lensZoom(int notches) {
    return FrameAnswers.commands(List.of(held.zoom(notches)));
  }

  /** The commands of so many metres towards what is looked at. */
  @JSExport
  public static String lensDolly(double metres) {
    return FrameAnswers.commands(List.of(held.dolly(metres)));
  }

  /** The metres of a notch of the wheel where what is looked at is so far away. */
  @JSExport
  public static double notchM(double alongM) {
    return LensDrag.notchM(alongM);
  }

  private static LensDrag.Tool tool(String name) {
    return Words.find(name, LensDrag.Tool.values());
  }

  /**
   * Ids of the pieces that the views do not see, because they, what they are in, or their layer is
   * hidden.
   */
  @JSExport
  public static String hiddenPieces() {
    JsonArray all = new JsonArray();
    for (Piece p : shown.all(Piece.class)) if (!shown.isShown(p)) all.add(p.id());
    return all.toString();
  }

  /** How many frames the cues of a part take, or those of "focus". */
  @JSExport
  public static double cueLength(String camera, String part) {
    Cued cued = Cueing.of(shown.get(camera), part);
    return cued == null ? 0 : CueMotion.length(cued.cues());
  }

  /** Frames on which any key or cue of a thing stands, and cuts if asked, as a JSON list. */
  @JSExport
  public static String standing(String id, boolean cuts) {
    TreeSet<Double> all = new TreeSet<>(MoveTogether.frames(shown.get(id)));
    if (cuts) all.addAll(MoveTogether.cuts(shown, shown.get(id)));
    return Answers.numbers(all.stream().mapToDouble(d -> d).toArray()).toString();
  }

  /** The commands that move all keys and cues, and cuts if asked, that stand on some frames. */
  @JSExport
  public static String moveTogether(String id, String frames, double by, boolean cuts) {
    return Answers.of(
        () -> {
          Entity e = shown.get(id);
          List<Double> all = FrameAnswers.numbers(frames);
          return FrameAnswers.commands(
              cuts ? MoveTogether.moveWithCuts(shown, e, all, by) : MoveTogether.move(e, all, by));
        });
  }

  /** The commands that hold a thing so many frames longer: what comes after is shifted. */
  @JSExport
  public static String holdLonger(String id, double frame, double frames, boolean cuts) {
    return Answers.of(
        () ->
            FrameAnswers.commands(
                MoveTogether.holdLonger(shown, shown.get(id), frame, frames, cuts)));
  }

  /**
   * The commands that change a path.
   *
   * @param kind insert (a point halfway after point {@code at}), split (in two at point {@code at},
   *     the second with the id {@code newId}), or even ({@code at} points evenly along it)
   */
  @JSExport
  public static String pathEdit(String id, String kind, int at, String newId) {
    return Answers.of(
        () -> {
          Path p = (Path) shown.get(id);
          return FrameAnswers.commands(
              switch (kind) {
                case "insert" -> List.of(PathEdits.insert(p, at));
                case "split" -> PathEdits.split(shown, p, at, newId);
                default -> List.of(PathEdits.even(p, at));
              });
        });
  }

  /**
   * The command that adds a path of a plain shape, of a size to begin with.
   *
   * @param form line, circle, arc or helix
   */
  @JSExport
  public static String pathShape(String form, double x, double z, String newId) {
    return Answers.of(
        () ->
            FrameAnswers.commands(
                List.of(
                    new EntityCommand.Add(
                        PathShapes.usual(
                            Words.find(form, PathShapes.Form.values()),
                            x,
                            z,
                            newId,
                            shown::freeName)))));
  }

  /** Height at which a path is drawn, metres. */
  @JSExport
  public static double pathHeightM() {
    return PathShapes.HEIGHT_M;
  }

  /** What a camera's parts are dragged by: {@code [{part, from: [x, y, z], at: [x, y, z]}]}. */
  @JSExport
  public static String rigHandles(String camera, double frame) {
    return FrameAnswers.handles(handles(camera, frame).all());
  }

  /** The commands that bring a part's handle to a world point, or as near as it goes. */
  @JSExport
  public static String moveHandle(
      String camera, String part, double x, double y, double z, double frame, boolean key) {
    return Answers.of(
        () ->
            FrameAnswers.commands(
                handles(camera, frame)
                    .move(((Camera) shown.get(camera)).part(part), new Vec3(x, y, z), key)));
  }

  private static RigHandles handles(String camera, double frame) {
    return new RigHandles(apart(), camera, frame);
  }

  /** A plan apart, so that a look at other frames leaves the one shown alone. */
  private static Plan apart() {
    return new Plan(shown, RIGS::get, plan);
  }

  /**
   * What a camera sees of each subject over some frames: {@code [{id, name, seen, height}]} with
   * one number each per frame; the bits of {@code seen} are those of {@link FrameReport}.
   */
  @JSExport
  public static String frameReport(String camera, double first, double step, int count) {
    return FrameAnswers.frameReport(
        FrameReport.of(shown, apart(), (Camera) shown.get(camera), first, step, count));
  }

  /** What to look at in a camera's move: {@code [{kind, text, first, last, part}]}. */
  @JSExport
  public static String warnings(String camera, int first, int last) {
    return FrameAnswers.warnings(
        Warnings.of(shown, apart(), (Camera) shown.get(camera), first, last));
  }

  /** Where a thing is at {@code first}, {@code first + step} …: three numbers a row. */
  @JSExport
  public static void route(String id, double first, double step, Float64Array out) {
    Plan p = apart();
    int slot = p.slot(id);
    if (slot < 0) return;
    for (int i = 0; i < out.getLength() / 3; i++) {
      p.evaluateOnly(id, first + i * step);
      for (int k = 0; k < 3; k++) out.set(i * 3 + k, p.world()[slot * Matrix.SIZE + 12 + k]);
    }
  }

  /** A thing's transforms on some frames (a JSON list), 16 numbers a row. */
  @JSExport
  public static void poses(String id, String frames, Float64Array out) {
    Plan p = apart();
    int slot = p.slot(id), row = 0;
    if (slot < 0) return;
    for (double f : FrameAnswers.numbers(frames)) {
      p.evaluateOnly(id, f);
      for (int k = 0; k < Matrix.SIZE; k++)
        out.set(row * Matrix.SIZE + k, p.world()[slot * Matrix.SIZE + k]);
      row++;
    }
  }

  /**
   * Where a subject falls in a camera's frame over time: across and down as shares of the frame,
   * two numbers a row; NaN where it is behind the lens.
   */
  @JSExport
  public static void subjectRoute(
      String camera, String subject, double first, double step, Float64Array out) {
    SubjectRoute route = new SubjectRoute(apart(), camera, subject);
    for (int i = 0; i < out.getLength() / 2; i++) {
      double[] at = route.at(first + i * step);
      out.set(i * 2, at[0]);
      out.set(i * 2 + 1, at[1]);
    }
  }

  /** Frames on which a subject's own place has keys, as {@code [frame, …]}. */
  @JSExport
  public static String subjectKeys(String subject) {
    return Answers.numbers(
            new SubjectRoute(plan, "", subject).keys().stream().mapToDouble(f -> f).toArray())
        .toString();
  }

  /**
   * The commands that carry a subject by shares of a camera's frame from where it stands on a frame
   * without the preview.
   */
  @JSExport
  public static String carrySubject(
      String camera, String subject, double frame, double across, double down, boolean key) {
    return Answers.of(
        () -> {
          Plan p = new Plan(base, RIGS::get, basePlan);
          return FrameAnswers.commands(
              new SubjectRoute(p, camera, subject).carry(frame, across, down, key));
        });
  }

  /** Ids of the cameras that are no plain ones yet, as {@code [id, …]}. */
  @JSExport
  public static String rigsToBake() {
    JsonArray all = new JsonArray();
    for (Camera c : base.all(Camera.class)) if (!PlainCamera.is(c)) all.add(c.id());
    return all.toString();
  }

  /**
   * A camera's motion as a base with few keys and a trim with the rest, as {@code {"commands": […],
   * "report": {keys, mostM, mostDegrees}}}.
   */
  @JSExport
  public static String calmBase(String camera, int first, int last, double metres, double degrees) {
    return Answers.of(
        () -> {
          Camera c = (Camera) shown.get(camera);
          return FrameAnswers.calmed(
              c, CalmBase.of(shown, RIGS::get, c, first, last, metres, degrees));
        });
  }

  /**
   * A camera's rig as a plain camera: the command that adds it, and what was lost at most, as
   * {@code {"commands": […], "report": {keys, placeM, degrees, focalMm}}}.
   *
   * @param metres tolerance for places, with {@code degrees} and {@code millimetres}; 0 keeps a key
   *     on every frame
   */
  @JSExport
  public static String bakePlain(
      String camera,
      int first,
      int last,
      double metres,
      double degrees,
      double millimetres,
      String id) {
    return Answers.of(
        () ->
            FrameAnswers.baked(
                PlainCamera.of(
                    shown,
                    RIGS::get,
                    (Camera) shown.get(camera),
                    first,
                    last,
                    new PlainCamera.Tolerance(metres, degrees, millimetres),
                    id)));
  }

  /**
   * The commands that make a path of where a camera stands on the frames of its keys.
   *
   * @param ride whether the camera is put on it as on a rail
   */
  @JSExport
  public static String pathFromKeys(String camera, String pathId, boolean ride) {
    return Answers.of(
        () -> {
          Camera c = (Camera) shown.get(camera);
          return FrameAnswers.commands(
              Route.path(shown, RIGS::get, c, MoveTogether.frames(c), pathId, ride));
        });
  }

  /**
   * The commands that let a dolly zoom hold the size a subject has at the frame last evaluated; or
   * a refusal.
   *
   * @param anchor "" for its usual point
   */
  @JSExport
  public static String holdSize(String camera, String part, String subject, String anchor) {
    return Answers.of(
        () -> {
          Camera c = (Camera) shown.get(camera);
          Subject held = new Subject(subject, anchor.isEmpty() ? null : anchor, Vec3.ZERO);
          return FrameAnswers.commands(HoldSize.of(plan, c, (DollyZoom) c.part(part), held));
        });
  }

  /** A camera's stack as the production keeps it under a name. */
  @JSExport
  public static String savedRig(String camera) {
    return SavedRigJson.write(SavedRig.of(shown, (Camera) shown.get(camera)));
  }

  /**
   * What puts a saved rig on a camera without moving it at a frame: {@code {"commands": […],
   * "missing": [names]}}, or a refusal.
   */
  @JSExport
  public static String loadRig(String camera, String rig, double frame) {
    return Answers.of(
        () -> {
          SavedRig.Loaded l =
              SavedRigJson.read(rig).onto(shown, RIGS::get, (Camera) shown.get(camera), frame);
          String commands = FrameAnswers.commands(l.commands());
          return commands.substring(0, commands.length() - 1)
              + ",\"missing\":"
              + FrameAnswers.texts(l.missing())
              + "}";
        });
  }

  /**
   * What makes the sequence again what a kept version (a document) was: {@code {"commands": […],
   * "says": [sentences]}}, without commands when nothing differs; or a refusal.
   */
  @JSExport
  public static String backTo(String document) {
    return Answers.of(() -> back(BackTo.version(base, SequenceJson.read(document))));
  }

  /** The same for one thing alone, by its id, with what it leans on where that is gone. */
  @JSExport
  public static String backToThing(String document, String id) {
    return Answers.of(() -> back(BackTo.thing(base, SequenceJson.read(document), id)));
  }

  /**
   * What takes things of another sequence (a document) into this one, with what they lean on.
   *
   * @param ids a JSON list of their ids
   */
  @JSExport
  public static String copyIn(String document, String ids) {
    return Answers.of(
        () -> back(CopyIn.of(base, SequenceJson.read(document), FrameAnswers.ids(ids))));
  }

  /**
   * A set of the production made of things here, as a document: {@code {"document": …}}.
   *
   * @param ids a JSON list of their ids
   */
  @JSExport
  public static String setOf(String ids) {
    return Answers.of(() -> document(SharedSet.document(base, FrameAnswers.ids(ids))).toString());
  }

  /** Says that a set was made of the things of a document that {@link #setOf} gave. */
  @JSExport
  public static String setMade(String document, String set, String name) {
    return Answers.of(
        () -> {
          Map<String, String> ids = new TreeMap<>();
          for (String id : SequenceJson.read(document).entities().keySet()) ids.put(id, id);
          return back(SharedSet.made(base, new PlacedSet(placing(), set, name, 1, ids)));
        });
  }

  /** What places a version of a set (a document) in the sequence. */
  @JSExport
  public static String placeSet(String document, String set, String name, int version) {
    return Answers.of(
        () ->
            back(
                SharedSet.place(
                    base,
                    SequenceJson.read(document),
                    new PlacedSet(placing(), set, name, version, Map.of()))));
  }

  private static String placing() {
    Set<String> taken = new HashSet<>();
    for (PlacedSet p : base.header().sets()) taken.add(p.id());
    for (int n = 1; ; n++) if (!taken.contains("set" + n)) return "set" + n;
  }

  /**
   * What takes another version of a placed set: the commands, what they do in sentences, and the
   * document as it will be.
   *
   * @param was the document of the version that stands here
   */
  @JSExport
  public static String takeSet(String placed, String was, String next, int version) {
    return Answers.of(
        () -> {
          SetUpdate u =
              SetUpdate.of(base, placed, SequenceJson.read(was), SequenceJson.read(next), version);
          Sequence after = Edit.apply(base, List.of(SequenceCommand.Restore.to(u.change())));
          return doing(u.change(), u.says())
              .add("document", Json.parse(SequenceJson.write(after)))
              .toString();
        });
  }

  /**
   * What a placed set is here now, to be kept as its next version: {@code {"document": …}}.
   *
   * @param was the document of the version that stands here
   * @param also a JSON list of ids of things that belong to it from then on
   */
  @JSExport
  public static String keptSet(String placed, String was, String also) {
    return Answers.of(
        () ->
            document(
                    SharedSet.kept(base, placed, SequenceJson.read(was), FrameAnswers.ids(also))
                        .document())
                .toString());
  }

  /** Says that a placed set was kept as a version, with what {@link #keptSet} gave for it. */
  @JSExport
  public static String setKept(String placed, String was, String also, int version) {
    return Answers.of(
        () ->
            back(
                SharedSet.keptAs(
                    base, placed, SequenceJson.read(was), FrameAnswers.ids(also), version)));
  }

  private static JsonObject document(Sequence s) {
    return new JsonObject().add("document", Json.parse(SequenceJson.write(s)));
  }

  private static String back(Change c) {
    return doing(c, BackTo.sentences(c)).toString();
  }

  /** The commands that make a change, with what it does in sentences. */
  private static JsonObject doing(Change c, List<String> sentences) {
    List<Command> commands = c.isEmpty() ? List.of() : List.of(SequenceCommand.Restore.to(c));
    JsonArray says = new JsonArray();
    for (String s : sentences) says.add(s);
    return Json.parse(FrameAnswers.commands(commands)).asObject().add("says", says);
  }

  private static final Plan[] COMPARED = new Plan[2];

  /**
   * Lays a kept version (a document) beside the sequence, to look at its cameras; "" takes it away.
   *
   * @param side 0 or 1
   */
  @JSExport
  public static String compare(int side, String document) {
    return Answers.of(
        () -> {
          COMPARED[side] =
              document.isEmpty() ? null : new Plan(SequenceJson.read(document), RIGS::get);
          return "{}";
        });
  }

  /**
   * A camera of a side that is compared, at a frame; see {@link #evaluate}. A side that holds no
   * version is the sequence as shown. False where that version has no such camera.
   */
  @JSExport
  public static boolean comparedCamera(
      int side, String camera, double frame, Float64Array world, Float64Array lens) {
    Plan p = COMPARED[side] == null ? plan : COMPARED[side];
    if (!(p.sequence().get(camera) instanceof Camera)) return false;
    p.evaluateOnly(camera, frame);
    int slot = p.slot(camera);
    for (int i = 0; i < Matrix.SIZE; i++) world.set(i, p.world()[slot * Matrix.SIZE + i]);
    for (int i = 0; i < LensRow.SIZE; i++) lens.set(i, p.lens()[slot * LensRow.SIZE + i]);
    return true;
  }

  /** The name, or when it is taken its stem with the first number that is free. */
  @JSExport
  public static String freeName(String name) {
    return shown.freeName(name);
  }

  /** The first camera letter that is free. */
  @JSExport
  public static String freeLetter() {
    return shown.freeLetter();
  }

  /** The commands that add key, fill and rim about a subject, as seen from a camera. */
  @JSExport
  public static String threeLights(String camera, String subject, String ids) {
    return FrameAnswers.commands(
        ThreeLights.about(shown, plan, camera, subject, FrameAnswers.ids(ids)));
  }

  /** The commands that set things' lowest points on a height in metres. */
  @JSExport
  public static String setDown(String ids, double heightM, double frame, boolean key) {
    return FrameAnswers.commands(arranging(frame, key).setDown(FrameAnswers.ids(ids), heightM));
  }

  /**
   * The commands that copy things so many times, each a step in the world on from the last; a step
   * of NaN to the right leaves what is copied free.
   *
   * @param newIds as many as the copies shall be, round by round
   */
  @JSExport
  public static String copies(
      String ids, String newIds, double x, double y, double z, boolean instances) {
    return Answers.of(
        () -> {
          List<String> all = FrameAnswers.ids(ids);
          Vec3 step = new Vec3(Double.isNaN(x) ? copyStep(ids) : x, y, z);
          return FrameAnswers.commands(
              Copies.of(shown, plan, all, FrameAnswers.ids(newIds), step, instances));
        });
  }

  /** How far to the right a copy stands free beside what is copied, in metres. */
  @JSExport
  public static double copyStep(String ids) {
    return Copies.stepM(arranging(plan.frame(), false), FrameAnswers.ids(ids));
  }

  /** Where from a place on the ground to the right a footprint stands free: x in metres. */
  @JSExport
  public static double freeGround(double x, double z, double widthM, double depthM) {
    return FreeGround.x(shown, plan, x, z, widthM, depthM);
  }

  /** The commands that put things on the nearest crossing of the grid's lines. */
  @JSExport
  public static String toGrid(String ids, double frame, boolean key) {
    double line = shown.header().gridM() / shown.header().gridLines();
    return FrameAnswers.commands(arranging(frame, key).toGrid(FrameAnswers.ids(ids), line));
  }

  /** The commands that give a thing the turn of a transform in the world (16 numbers). */
  @JSExport
  public static String turnTo(String id, Float64Array world, double frame, boolean key) {
    double[] m = new double[Matrix.SIZE];
    for (int i = 0; i < m.length; i++) m[i] = world.get(i);
    return Answers.of(() -> FrameAnswers.commands(arranging(frame, key).turnTo(id, m)));
  }

  /** The commands that put a thing's origin at a world point. */
  @JSExport
  public static String toPoint(String id, double x, double y, double z, double frame, boolean key) {
    return FrameAnswers.commands(arranging(frame, key).toPoint(id, new Vec3(x, y, z)));
  }

  /** Places of a camera track (as JSON) in metres, x, y, z each: {@code {"places": […]}}. */
  @JSExport
  public static String trackPlaces(String track, double unitM, boolean zUp) {
    return Answers.of(
        () -> {
          double[] m = TrackJson.read(track).metres(new CameraTrack.Taken(zUp, unitM, 0));
          double[] places = new double[m.length / 16 * 3];
          for (int i = 0; i < places.length; i++) places[i] = m[i / 3 * 16 + 12 + i % 3];
          return "{\"places\":" + Answers.numbers(places) + "}";
        });
  }

  /** The commands that add a camera which moves as a track (as JSON) says. */
  @JSExport
  public static String cameraFromTrack(
      String track, double unitM, boolean zUp, double firstFrame, String id) {
    return Answers.of(
        () -> {
          CameraTrack.Taken taken = new CameraTrack.Taken(zUp, unitM, firstFrame);
          Camera c = TrackJson.read(track).camera(shown, taken, id);
          return FrameAnswers.commands(List.of(new EntityCommand.Add(c)));
        });
  }
}
