package kite.core.rig.dollyzoom;

import java.util.List;
import java.util.Set;
import kite.core.cue.Cue;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.evaluate.Compiling;
import kite.core.evaluate.Step;
import kite.core.evaluate.SubjectPoints;
import kite.core.form.Fields;
import kite.core.form.Out;
import kite.core.form.RigJson;
import kite.core.frame.HoldSize;
import kite.core.frame.PartWords;
import kite.core.kind.Kind;
import kite.core.rig.RigPart;
import kite.core.rig.Subject;
import kite.core.rig.attention.Attention;
import kite.core.rules.Refusal;
import kite.core.rules.Use;

/** Holds the size of something while the distance changes. */
public final class DollyZoomKind extends Kind<DollyZoom> {
  /** A focal length over a distance is held from this on, in millimetres per metre, … */
  private static final double LEAST_MM_PER_M = 1e-4;

  /** … up to this. */
  private static final double MOST_MM_PER_M = 1e6;

  public DollyZoomKind() {
    super(DollyZoom.KIND, DollyZoom.class);
  }

  @Override
  public DollyZoom begin(String id) {
    return new DollyZoom(id, true, null, DollyZoom.Gives.LENS, 1, Channels.NONE);
  }

  @Override
  public void uses(DollyZoom z, Uses uses) {
    if (z.subject() != null) uses.add(z.subject().entity(), Use.HOLDS_SIZE);
  }

  @Override
  public DollyZoom without(DollyZoom z, Set<String> gone) {
    return z.subject() != null && gone.contains(z.subject().entity())
        ? z.withHeld(null, z.mmPerM())
        : z;
  }

  @Override
  public void check(Camera c, DollyZoom z) {
    if (!(z.mmPerM() >= LEAST_MM_PER_M && z.mmPerM() <= MOST_MM_PER_M))
      throw new Refusal(
          "range",
          c.id(),
          z.id(),
          "A dolly zoom holds between 0.0001 and 1000000 mm of focal length for each metre.");
  }

  @Override
  public void write(DollyZoom z, Out out) {
    out.putOrNull("subject", z.subject(), RigJson::write);
    out.put("gives", z.gives()).put("mmPerM", z.mmPerM());
  }

  @Override
  public DollyZoom read(Fields f, String id, boolean on, Channels channels) {
    return new DollyZoom(
        id,
        on,
        f.orNull("subject", RigJson::subject),
        f.word("gives", DollyZoom.Gives.values()),
        f.number("mmPerM"),
        channels);
  }

  @Override
  public Step newStep(DollyZoom z, Compiling from) {
    if (z.subject() == null) return null;
    SubjectPoints subject = from.points(List.of(z.subject()));
    return new DollyZoomStep(z, subject, from.slot(), isAimedAt(z.subject(), from.below()));
  }

  /** Whether an attention below looks at what is held. */
  private static boolean isAimedAt(Subject held, List<RigPart> below) {
    for (RigPart p : below)
      if (p instanceof Attention a && a.on())
        for (Cue cue : a.cues()) if (cue.mix().containsKey(held.entity())) return true;
    return false;
  }

  @Override
  public boolean looksAtItsCamera() {
    return true;
  }

  @Override
  public String says(DollyZoom z, PartWords at) {
    if (z.subject() == null) return "Choose whose size it holds.";
    double along = HoldSize.along(at.plan(), at.camera(), z.subject());
    String who = at.name(z.subject().entity());
    return along <= 0
        ? who + " is not ahead of the lens here: nothing is held."
        : "Holds the size of " + who + ": " + at.focalLength() + " at " + at.metres(along) + ".";
  }
}
