package kite.core.rig.rail;

import java.util.List;
import java.util.Set;
import kite.core.document.Channels;
import kite.core.document.Path;
import kite.core.evaluate.Compiling;
import kite.core.evaluate.Step;
import kite.core.form.Fields;
import kite.core.form.Out;
import kite.core.frame.PartWords;
import kite.core.kind.Kind;
import kite.core.number.NumberText;
import kite.core.path.PathTable;
import kite.core.rig.RigPart;
import kite.core.rig.base.Base;
import kite.core.rig.framings.Framings;
import kite.core.rules.Use;

/** A carriage on a path. */
public final class RailKind extends Kind<Rail> {
  /** Slower than this, metres a second, reads as standing. */
  private static final double STANDING = 0.005;

  public RailKind() {
    super(Rail.KIND, Rail.class);
  }

  @Override
  public Rail begin(String id) {
    return new Rail(id, true, null, Rail.Facing.KEEP, null, true, Channels.NONE);
  }

  /** Next to the ground. */
  @Override
  public int place(List<RigPart> rig) {
    int at = 0;
    for (int i = 0; i < rig.size(); i++)
      if (rig.get(i) instanceof Base || rig.get(i) instanceof Framings) at = i + 1;
    return at;
  }

  @Override
  public void uses(Rail r, Uses uses) {
    uses.add(r.path(), Use.RUNS_ON);
    uses.add(r.guide(), Use.FACES_ALONG);
  }

  @Override
  public Rail without(Rail r, Set<String> gone) {
    return new Rail(
        r.id(),
        r.on(),
        gone.contains(r.path()) ? null : r.path(),
        r.facing(),
        gone.contains(r.guide()) ? null : r.guide(),
        r.level(),
        r.channels());
  }

  @Override
  public void write(Rail r, Out out) {
    out.put("path", r.path()).put("facing", r.facing());
    out.put("guide", r.guide()).put("level", r.level());
  }

  @Override
  public Rail read(Fields f, String id, boolean on, Channels channels) {
    return new Rail(
        id,
        on,
        f.textOrNull("path"),
        f.word("facing", Rail.Facing.values()),
        f.textIfAny("guide"),
        f.truth("level"),
        channels);
  }

  @Override
  public Step newStep(Rail r, Compiling from) {
    PathTable path = from.path(r.path());
    return path == null
        ? null
        : new RailStep(r, path, from.path(r.guide()), from.header().rate().perSecond());
  }

  @Override
  public String says(Rail r, PartWords at) {
    if (!(at.sequence().get(r.path()) instanceof Path p)) return "Has no path yet.";
    PathTable t = new PathTable(p.points(), p.style(), p.closed());
    var progress = r.channels().get(Rail.PROGRESS);
    double perSecond =
        (progress.at(at.frame() + 0.5) - progress.at(at.frame() - 0.5))
            / 100
            * t.length()
            * at.sequence().header().rate().perSecond();
    return NumberText.rounded(progress.at(at.frame()), 1)
        + " % along "
        + p.name()
        + ", "
        + (Math.abs(perSecond) < STANDING
            ? "standing"
            : at.metres(Math.abs(perSecond)) + " a second" + (perSecond < 0 ? " backwards" : ""))
        + ".";
  }
}
