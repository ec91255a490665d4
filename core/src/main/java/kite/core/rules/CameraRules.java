package kite.core.rules;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import kite.core.cue.Cue;
import kite.core.curve.Channel;
import kite.core.curve.CompiledCurve;
import kite.core.curve.Key;
import kite.core.document.Camera;
import kite.core.document.ChannelSpec;
import kite.core.document.Focus;
import kite.core.document.Guide;
import kite.core.document.Sequence;
import kite.core.number.NumberText;
import kite.core.rig.Cued;
import kite.core.rig.RigPart;
import kite.core.rig.Subject;

/** What must hold of a camera, and of cues wherever they are. */
final class CameraRules {
  /** Shares may sum to 1 and this much more by rounding. */
  private static final double ROUNDING = 1e-9;

  /** What a camera cannot use itself for, since it looks at it to know where to be. */
  private static final Set<Use> LOOKS_AT = EnumSet.of(Use.ATTENDS, Use.FRAMING, Use.HOLDS_SIZE);

  private CameraRules() {}

  static void check(Sequence s, Camera c) {
    Set<String> ids = new HashSet<>();
    for (RigPart p : c.rig()) {
      if (!Words.isId(p.id()) || !ids.add(p.id()))
        throw new Refusal(
            "id",
            c.id(),
            p.id(),
            "Each rig part of camera " + c.letter() + " needs an id of its own.");
      for (Reference r : References.of(p))
        if (LOOKS_AT.contains(r.use())) notItself(c, p.id(), r.to());
      if (p instanceof Cued a) checkCues(c.id(), "camera " + c.letter(), p.id(), a);
      PartRules.of(p).check(c, p);
    }
    if (c.focus() != null) {
      for (Subject x : c.focus().subjects()) notItself(c, Focus.ID, x.entity());
      checkCues(c.id(), "camera " + c.letter(), Focus.ID, c.focus());
    }
    if (c.filmBack() != null) StandardsRules.check(c.filmBack(), c.id());
    if (!(c.iconSize() >= 0.05 && c.iconSize() <= 20))
      throw new Refusal("range", c.id(), "iconSize", "An icon is drawn 0.05 to 20 times its size.");
    if (!(c.surround() >= 0 && c.surround() <= 1))
      throw new Refusal("range", c.id(), "surround", "The surround's darkness is 0 to 1.");
    if (c.guides().size() > 30)
      throw new Refusal("many", c.id(), "guides", "A camera has at most 30 guides.");
    for (Guide g : c.guides()) checkGuide(c, g);
    if (!Words.isColour(c.colour()) || !Words.isLetter(c.letter()))
      throw new Refusal(
          "name", c.id(), "letter", "A camera has a letter A to ZZ and a colour #rrggbb.");
    ordered(
        s,
        c,
        Camera.NEAR_CLIP,
        Camera.FAR_CLIP,
        1,
        "Near clip of camera " + c.letter() + " must be nearer than its far clip.");
    ordered(
        s,
        c,
        Camera.FOCAL_LENGTH,
        Camera.FOCUS,
        0.001,
        "Focus distance of camera " + c.letter() + " must be more than its focal length.");
  }

  /** Compares two channels at every key of either: the only frames where smooth curves turn. */
  private static void ordered(
      Sequence s, Camera c, ChannelSpec low, ChannelSpec high, double scale, String text) {
    Channel a = s.header().channel(c, low), b = s.header().channel(c, high);
    List<Double> frames = new ArrayList<>(List.of(0.0));
    for (Channel x : List.of(a, b))
      if (x instanceof Channel.Curve k) for (Key key : k.keys()) frames.add(key.frame());
    CompiledCurve below = CompiledCurve.of(a), above = CompiledCurve.of(b);
    for (double f : frames) {
      if (below.value(f) * scale >= above.value(f))
        throw new Refusal("order", c.id(), high.name(), text);
    }
  }

  private static void checkGuide(Camera c, Guide g) {
    Rules.checkColour(c.id(), g.colour());
    boolean counts =
        g.form() == Guide.Rule.GRID || g.form() == Guide.Rule.ASPECT
            ? g.across() > 0 && g.down() > 0 && g.across() <= 100 && g.down() <= 100
            : g.across() >= 0 && g.across() <= 1 && g.down() >= 0 && g.down() <= 1;
    if (!(counts && g.turn() >= 0 && g.turn() <= 3 && g.strength() >= 0 && g.strength() <= 1))
      throw new Refusal(
          "range",
          c.id(),
          "guides",
          "A guide of camera "
              + c.letter()
              + " cannot be: columns, rows and ratios are 0 to 100, safe areas and strength 0 to 1.");
  }

  private static void notItself(Camera c, String part, String looksAt) {
    if (looksAt.equals(c.id()))
      throw new Refusal(
          "loop",
          c.id(),
          part,
          "Camera "
              + c.letter()
              + (part.equals(Focus.ID) ? " cannot focus on itself." : " cannot attend to itself."));
  }

  static void checkCues(String owner, String name, String part, Cued a) {
    Set<String> subjects = new HashSet<>();
    for (Subject s : a.subjects()) {
      if (!subjects.add(s.entity()))
        throw new Refusal(
            "twice",
            owner,
            part,
            (part.equals(Focus.ID) ? "Focus of " : "Attention of ")
                + name
                + " names a subject twice.");
      if (!(s.offset().length() < ChannelSpec.FAR_M))
        throw new Refusal("range", owner, part, "A subject's offset must be a finite length.");
    }
    double last = Double.NEGATIVE_INFINITY;
    for (Cue cue : a.cues()) {
      if (!Double.isFinite(cue.frame()) || !(cue.travel() >= 0 && cue.travel() < 1e7))
        throw new Refusal(
            "range", owner, part, "A cue stands on a frame and travels 0 frames or more.");
      if (cue.frame() <= last)
        throw new Refusal(
            "order", owner, part, "Two cues stand on frame " + NumberText.plain(cue.frame()) + ".");
      last = cue.frame();
      double sum = 0;
      for (Map.Entry<String, Double> share : cue.mix().entrySet()) {
        if (!subjects.contains(share.getKey()))
          throw new Refusal(
              "missing",
              owner,
              part,
              "A cue of " + name + " gives a share to something that is not among its subjects.");
        if (!(share.getValue() >= 0 && share.getValue() <= 1))
          throw new Refusal("range", owner, part, "A share is 0 to 1.");
        sum += share.getValue();
      }
      if (sum > 1 + ROUNDING)
        throw new Refusal("range", owner, part, "The shares of a cue add up to more than 1.");
    }
  }
}
