package kite.browser;

import java.util.ArrayList;
import java.util.List;
import kite.bridge.Answers;
import kite.core.command.Command;
import kite.core.command.RigCommand;
import kite.core.document.Camera;
import kite.core.evaluate.PartSteps;
import kite.core.frame.HoldSize;
import kite.core.frame.PartWords;
import kite.core.frame.RigHandles;
import kite.core.math.Vec3;
import kite.core.readyrig.ReadyRig;
import kite.core.readyrig.ReadyRigs;
import kite.core.readyrig.SavedRig;
import kite.core.report.Warnings;
import kite.core.rig.PartKinds;
import kite.core.rig.RigPart;
import kite.core.rig.Subject;
import kite.core.rig.dollyzoom.DollyZoom;
import kite.core.rules.PartRules;
import kite.core.rules.Refusal;
import org.teavm.jso.typedarrays.Float64Array;

/** A camera's stack of rig parts: what they do, their handles, and rigs to begin with. */
@Answers
final class RigAnswers {
  private RigAnswers() {}

  /** What a rig part is doing at the frame last evaluated, in one line. */
  public static String partSays(String camera, String part, double frame) {
    return words(camera, frame).of(Opened.camera(camera).part(part));
  }

  /** The commands that put a new part of a kind on a camera's stack, where such a part goes. */
  public static List<Command> newPart(String camera, String kind, String id) {
    Camera c = Opened.camera(camera);
    if (!(PartKinds.named(kind) instanceof PartRules<?> rules))
      throw new Refusal("kind", camera, id, "There is no rig part “" + kind + "”.");
    return List.of(new RigCommand.AddPart(camera, rules.begin(id), rules.place(c.rig())));
  }

  /** The sum of a camera's trims at the frame last evaluated, in one line; '' when it has none. */
  public static String trimsSay(String camera, double frame) {
    return words(camera, frame).trims();
  }

  private static PartWords words(String camera, double frame) {
    return new PartWords(Opened.shown(), Opened::rig, Opened.plan(), Opened.camera(camera), frame);
  }

  /**
   * What a part does by itself over some seconds, for a small picture of it: for an operator metres
   * right, up and back and degrees of pan, tilt and roll; for a spring its answer to a step of 1,
   * in place and in rotation.
   *
   * @param out rows of six numbers for an operator, of two for a spring
   */
  public static void partPlot(String camera, String part, double seconds, Float64Array out) {
    if (!(Opened.thing(camera) instanceof Camera c)) return;
    double[] rows = new double[out.getLength()];
    RigPart shown = c.part(part);
    PartSteps.of(shown).plot(Opened.shown(), c, shown, seconds, rows);
    out.set(rows, 0);
  }

  /**
   * The commands that give a camera a ready-made rig on its present place.
   *
   * @param between ids of the cameras a travelling one shall travel between
   */
  public static List<Command> readyRig(
      String camera,
      ReadyRig kind,
      String subject,
      String pathId,
      List<String> between,
      double frame) {
    return new ReadyRigs(Opened.shown(), Opened::rig, Opened.camera(camera), frame)
        .make(kind, subject.isEmpty() ? null : subject, pathId, between);
  }

  /** What a camera's parts are dragged by. */
  public static List<RigHandles.Handle> rigHandles(String camera, double frame) {
    return handles(camera, frame).all();
  }

  /** The commands that bring a part's handle to a world point, or as near as it goes. */
  public static List<Command> moveHandle(
      String camera, String part, double x, double y, double z, double frame, boolean key) {
    return handles(camera, frame).move(Opened.camera(camera).part(part), new Vec3(x, y, z), key);
  }

  private static RigHandles handles(String camera, double frame) {
    return new RigHandles(Opened.apart(), camera, frame);
  }

  /**
   * The commands that let a dolly zoom hold the size a subject has at the frame last evaluated.
   *
   * @param anchor "" for its usual point
   */
  public static List<Command> holdSize(String camera, String part, String subject, String anchor) {
    Camera c = Opened.camera(camera);
    Subject held = new Subject(subject, anchor.isEmpty() ? null : anchor, Vec3.ZERO);
    return HoldSize.of(Opened.plan(), c, (DollyZoom) c.part(part), held);
  }

  /** A camera's stack as the production keeps it under a name. */
  public static SavedRig savedRig(String camera) {
    return SavedRig.of(Opened.shown(), Opened.camera(camera));
  }

  /** What puts a saved rig on a camera without moving it at a frame. */
  public static SavedRig.Loaded loadRig(String camera, SavedRig rig, double frame) {
    return rig.onto(Opened.shown(), Opened::rig, Opened.camera(camera), frame);
  }

  /** What to look at in a camera's move. */
  public static List<Warnings.Warning> warnings(String camera, int first, int last) {
    return new ArrayList<>(
        Warnings.of(Opened.shown(), Opened.apart(), Opened.camera(camera), first, last));
  }
}
