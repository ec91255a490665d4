package kite.core.check;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import kite.core.cut.Programme;
import kite.core.document.Camera;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.frame.Eye;
import kite.core.frame.LineOfAction;
import kite.core.frame.WhatIsSeen;
import kite.core.math.Vec3;
import kite.core.number.NumberText;
import kite.core.optics.DepthOfField;
import kite.core.rig.RigPart;
import kite.core.rig.attention.Attention;

/** What is looked at through a shot's camera, frame after frame: clips, focus, what is hidden. */
final class ShotLooks {
  /** Between two looks: what is seen for less is seen by nobody. */
  private static final int EVERY_FRAMES = 4;

  /** A subject has the attention when nobody else has more than the rest of it. */
  private static final double HAS_IT = 0.99;

  /** A blur disc of fewer delivery pixels is sharp enough, whatever the limits say. */
  private static final double BLUR_PX = 3;

  /** What is said of a shot; frames are the scene's. */
  record Said(Flag flag, int first, int last, String text) {}

  private final Sequence s;
  private final Plan plan;
  private final Camera camera;
  private final Map<Flag, Run> runs = new LinkedHashMap<>();

  /** Where something was seen, and what it is about. */
  private static final class Run {
    final int first;
    int last;
    int looks;
    final Set<String> names = new LinkedHashSet<>();
    double most;

    Run(int first) {
      this.first = first;
    }
  }

  private ShotLooks(Sequence s, Plan plan, Camera camera) {
    this.s = s;
    this.plan = plan;
    this.camera = camera;
  }

  static List<Said> of(Sequence s, Plan plan, Camera camera, Programme.Placed p) {
    ShotLooks x = new ShotLooks(s, plan.inTake(p.inTake()), camera);
    int first = (int) Math.ceil(p.sceneFirst()), last = (int) Math.floor(p.sceneLast());
    for (int f = first; f <= last; f += EVERY_FRAMES) x.look(f);
    return x.said();
  }

  private void look(int frame) {
    plan.evaluate(frame);
    for (WhatIsSeen.Seen x : WhatIsSeen.of(s, plan, camera)) {
      // a box that the lens is in says nothing of what is in it
      boolean near = x.cutNear() && x.extent().nearM() > 0;
      if (near || x.cutFar()) at(Flag.CLIPPED, frame).names.add(x.piece().name());
      if (!s.isRendered(x.piece())) at(Flag.NOT_RENDERED, frame).names.add(x.piece().name());
    }
    String looked = attended(frame);
    if (!(s.get(looked) instanceof Piece p)) return;
    if (!s.isShown(p)) at(Flag.HIDDEN_SUBJECT, frame).names.add(p.name());
    else sharp(frame, p);
  }

  private void sharp(int frame, Piece p) {
    Eye eye = Eye.of(plan, camera.id());
    Vec3 seen = eye.seen(LineOfAction.point(plan, p.id()));
    if (seen.z() >= 0) return;
    double x = seen.x() / -seen.z(), y = seen.y() / -seen.z(), depth = -seen.z();
    var w = eye.window();
    if (x < w.left() || x > w.right() || y < w.bottom() || y > w.top()) return;
    int o = plan.slot(camera.id()) * LensRow.SIZE;
    double[] l = plan.lens();
    var pack = s.header().packageOf(camera);
    DepthOfField d =
        new DepthOfField(
            l[o + LensRow.FOCAL], l[o + LensRow.F_STOP], pack.circleMm(), l[o + LensRow.FOCUS]);
    if (depth >= d.nearLimitM() && depth <= d.farLimitM()) return;
    double px =
        d.blurMm(depth)
            / l[o + LensRow.FOCAL]
            / (w.right() - w.left())
            * pack.deliveryWidth()
            * pack.filmBack().squeeze();
    if (px < BLUR_PX) return;
    Run r = at(Flag.NOT_SHARP, frame);
    r.names.add(p.name());
    r.most = Math.max(r.most, px);
  }

  /** Whom the camera looks at and nobody else, or nothing while it turns from one to another. */
  private String attended(double frame) {
    String found = null;
    for (RigPart p : camera.rig()) {
      if (!(p instanceof Attention a) || !a.on() || a.subjects().isEmpty()) continue;
      double[] shares = new double[a.subjects().size()];
      a.track().shares(frame, shares);
      for (int i = 0; i < shares.length; i++)
        if (shares[i] > HAS_IT) found = a.subjects().get(i).entity();
    }
    return found;
  }

  private Run at(Flag flag, int frame) {
    Run r = runs.computeIfAbsent(flag, k -> new Run(frame));
    if (r.last != frame) r.looks++;
    r.last = frame;
    return r;
  }

  private List<Said> said() {
    List<Said> all = new ArrayList<>();
    runs.forEach(
        (flag, r) -> {
          // one look may be at a moment between two pulls of focus
          if (flag == Flag.NOT_SHARP && r.looks < 2) return;
          all.add(new Said(flag, r.first, r.last, text(flag, r)));
        });
    return all;
  }

  private static String text(Flag flag, Run r) {
    String who = named(r.names), from = " from frame " + r.first + " to " + r.last + ".";
    boolean one = r.names.size() == 1;
    return switch (flag) {
      case CLIPPED -> who + (one ? " is" : " are") + " in frame and cut off by a clip" + from;
      case NOT_RENDERED -> who + (one ? " is" : " are") + " seen in the views and not in a render.";
      case HIDDEN_SUBJECT -> who + (one ? " is" : " are") + " looked at and hidden" + from;
      case NOT_SHARP ->
          who
              + (one ? " is" : " are")
              + " looked at and blurred over "
              + NumberText.rounded(r.most, 0)
              + " pixels"
              + from;
      default -> throw new IllegalArgumentException("not looked at here: " + flag);
    };
  }

  private static String named(Set<String> names) {
    String first = "“" + names.iterator().next() + "”";
    return names.size() == 1 ? first : first + " and " + (names.size() - 1) + " more";
  }
}
