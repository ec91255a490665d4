package kite.core.rig.framings;

import com.eclipsesource.json.Json;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.evaluate.Compiling;
import kite.core.evaluate.Step;
import kite.core.form.Fields;
import kite.core.form.Out;
import kite.core.form.RigJson;
import kite.core.frame.PartWords;
import kite.core.kind.Kind;
import kite.core.rig.RigPart;
import kite.core.rig.base.Base;
import kite.core.rules.References;
import kite.core.rules.Refusal;
import kite.core.rules.Use;

/** Travels between other cameras. */
public final class FramingsKind extends Kind<Framings> {
  public FramingsKind() {
    super(Framings.KIND, Framings.class);
  }

  @Override
  public Framings begin(String id) {
    return new Framings(
        id, true, Framings.Route.STRAIGHT, true, List.of(), List.of(), Channels.NONE);
  }

  /** Next to the ground. */
  @Override
  public int place(List<RigPart> rig) {
    for (int i = 0; i < rig.size(); i++) if (rig.get(i) instanceof Base) return i + 1;
    return 0;
  }

  @Override
  public void uses(Framings f, Uses uses) {
    for (String c : f.cameras()) uses.add(c, Use.FRAMING);
  }

  @Override
  public Framings without(Framings f, Set<String> gone) {
    List<String> stay = new ArrayList<>(f.cameras());
    stay.removeAll(gone);
    return f.withCameras(stay, References.remaining(f.cues(), gone));
  }

  @Override
  public void check(Camera c, Framings f) {
    for (RigPart below : c.rig().subList(0, c.rig().indexOf(f)))
      if (!(below instanceof Base))
        throw new Refusal(
            "order",
            c.id(),
            f.id(),
            "Framings of camera "
                + c.letter()
                + " stand first in its stack: only a base may be below them.");
  }

  @Override
  public void write(Framings f, Out out) {
    out.put("route", f.route()).put("keepHorizon", f.keepHorizon());
    out.put("cameras", f.cameras(), Json::value).put("cues", f.cues(), RigJson::write);
  }

  @Override
  public Framings read(Fields f, String id, boolean on, Channels channels) {
    return new Framings(
        id,
        on,
        f.word("route", Framings.Route.values()),
        f.truth("keepHorizon"),
        f.texts("cameras"),
        f.list("cues", RigJson::cue),
        channels);
  }

  @Override
  public Step newStep(Framings f, Compiling from) {
    return new FramingsStep(f, from::slotOf);
  }

  @Override
  public String says(Framings f, PartWords at) {
    if (f.cameras().isEmpty()) return "Choose the cameras it travels between.";
    double[] shares = new double[f.cameras().size()];
    List<String> words = at.shares(f, shares);
    double left = 1;
    for (double x : shares) left -= x;
    if (PartWords.isSeenShare(left)) words.add(Math.round(left * 100) + " % its own place");
    return String.join(", ", words) + "; the lens here: " + at.lens() + ".";
  }
}
