package kite.browser;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import kite.core.cut.Programme;
import kite.core.document.Camera;
import kite.core.document.Entity;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.core.model.ModelRig;
import kite.core.rules.Change;

/**
 * The open sequence. There is one per page: edits are applied to {@link #base}; a preview lies over
 * it while a handle is dragged and leaves it alone. Questions are answered for what is shown, the
 * preview where there is one.
 */
final class Opened {
  private static Sequence base;
  private static Sequence shown;
  private static Programme programme;
  private static Sequence programmeOf;
  private static int programmeNames;
  private static Plan basePlan;
  private static Plan plan;

  /**
   * What was laid over what is shown and is not shown yet, or null, and its plan once that is made.
   */
  private static Sequence laid;

  private static Plan laidPlan;

  private static final Map<String, ModelRig> RIGS = new HashMap<>();

  private Opened() {}

  static Sequence base() {
    return base;
  }

  /** The programme of what is shown. */
  static Programme programme() {
    if (programmeOf != shown) {
      Programme next = Programme.of(shown);
      if (programme == null || !named(programme, next)) programmeNames++;
      programme = next;
      programmeOf = shown;
    }
    return programme;
  }

  /**
   * A number that is another one whenever shots, their order, codes, takes or cameras are: until
   * then only their places change.
   */
  static int programmeNames() {
    programme();
    return programmeNames;
  }

  private static boolean named(Programme a, Programme b) {
    List<Programme.Placed> was = a.placed(), is = b.placed();
    if (was.size() != is.size()) return false;
    for (int i = 0; i < is.size(); i++) {
      Programme.Placed x = was.get(i), y = is.get(i);
      if (!x.id().equals(y.id())
          || !x.shot().equals(y.shot())
          || !x.take().equals(y.take())
          || !Objects.equals(x.camera(), y.camera())
          || !Objects.equals(x.board(), y.board())) return false;
    }
    return true;
  }

  static Sequence shown() {
    return shown;
  }

  /** The plan of what is shown, at the frame last evaluated. */
  static Plan plan() {
    return plan;
  }

  /** The nodes and clips of a model, or null while they are not known. */
  static ModelRig rig(String asset) {
    return RIGS.get(asset);
  }

  static void open(Sequence s) {
    dropLaid();
    base = shown = s;
    basePlan = plan = new Plan(base, Opened::rig);
  }

  static void register(String asset, ModelRig rig) {
    RIGS.put(asset, rig);
    laidPlan = null; // one that was made without it
    if (base == null) return;
    basePlan = new Plan(base, Opened::rig, basePlan);
    plan = shown == base ? basePlan : new Plan(shown, Opened::rig, basePlan);
  }

  static void made(Sequence next, Change change) {
    base = shown = next;
    basePlan = plan = basePlan.after(next, change);
  }

  static void previewed(Sequence next, Change change) {
    shown = next;
    plan = basePlan.after(next, change);
  }

  /** What is shown, with what was laid over it. */
  static Sequence laid() {
    return laid == null ? shown : laid;
  }

  /**
   * Lays more. Nothing that is asked meanwhile knows of it, and its plan is made when it is wanted:
   * much more may follow.
   */
  static void lay(Sequence next) {
    laid = next;
    laidPlan = null;
  }

  /** Makes the plan of what was laid, at the frame last evaluated. */
  static void planLaid() {
    if (laid == null || laidPlan != null) return;
    laidPlan = new Plan(laid, Opened::rig, plan).inTake(plan.take());
    if (!Double.isNaN(plan.frame())) laidPlan.evaluate(plan.frame());
  }

  /** Shows what was laid as a preview. */
  static void showLaid() {
    if (laid == null) return;
    planLaid();
    shown = laid;
    plan = laidPlan;
    dropLaid();
  }

  static void dropLaid() {
    laid = null;
    laidPlan = null;
  }

  static void endPreview() {
    shown = base;
    plan = basePlan;
  }

  /** A plan apart, so that a look at other frames leaves the one shown alone. */
  static Plan apart() {
    return plan().apart();
  }

  /** A plan apart of the sequence without its preview. */
  static Plan apartFromPreview() {
    return basePlan.apart();
  }

  static Entity thing(String id) {
    return shown.get(id);
  }

  static Camera camera(String id) {
    return (Camera) shown.get(id);
  }
}
