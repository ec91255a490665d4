package kite.core.rig.attention;

import java.util.List;
import java.util.Set;
import kite.core.document.Channels;
import kite.core.evaluate.Compiling;
import kite.core.evaluate.Step;
import kite.core.form.Fields;
import kite.core.form.Out;
import kite.core.form.RigJson;
import kite.core.frame.Eye;
import kite.core.frame.PartWords;
import kite.core.kind.Kind;
import kite.core.math.Vec3;
import kite.core.rig.Subject;
import kite.core.rules.References;
import kite.core.rules.Use;

/** What the camera looks at. */
public final class AttentionKind extends Kind<Attention> {
  public AttentionKind() {
    super(Attention.KIND, Attention.class);
  }

  @Override
  public Attention begin(String id) {
    return new Attention(
        id,
        true,
        Attention.Up.WORLD,
        null,
        Attention.Blend.DIRECTIONS,
        List.of(),
        List.of(),
        Channels.NONE);
  }

  @Override
  public void uses(Attention a, Uses uses) {
    for (Subject s : a.subjects()) uses.add(s.entity(), Use.ATTENDS);
    uses.add(a.upPiece(), Use.UP);
  }

  @Override
  public Attention without(Attention a, Set<String> gone) {
    boolean lostUp = gone.contains(a.upPiece());
    return new Attention(
        a.id(),
        a.on(),
        lostUp ? Attention.Up.WORLD : a.up(),
        lostUp ? null : a.upPiece(),
        a.blend(),
        References.left(a.subjects(), gone),
        References.remaining(a.cues(), gone),
        a.channels());
  }

  @Override
  public void write(Attention a, Out out) {
    out.put("up", a.up()).put("upPiece", a.upPiece()).put("blend", a.blend());
    out.put("subjects", a.subjects(), RigJson::write).put("cues", a.cues(), RigJson::write);
  }

  @Override
  public Attention read(Fields f, String id, boolean on, Channels channels) {
    return new Attention(
        id,
        on,
        f.word("up", Attention.Up.values()),
        f.textOrNull("upPiece"),
        f.word("blend", Attention.Blend.values()),
        f.list("subjects", RigJson::subject),
        f.list("cues", RigJson::cue),
        channels);
  }

  @Override
  public Step newStep(Attention a, Compiling from) {
    return new AttentionStep(
        a,
        from.points(a.subjects()),
        from.slotOf(a.upPiece()),
        from.header().firstFrame(),
        from.header().lastFrame());
  }

  @Override
  public boolean looksAtItsCamera() {
    return true;
  }

  @Override
  public String says(Attention a, PartWords at) {
    if (a.subjects().isEmpty()) return "Choose what the camera looks at.";
    double[] shares = new double[a.subjects().size()];
    List<String> words = at.shares(a, shares);
    if (words.isEmpty()) return "Attends to nothing here: the parts below hold the aim.";
    int most = 0;
    for (int i = 0; i < shares.length; i++) if (shares[i] > shares[most]) most = i;
    Subject x = a.subjects().get(most);
    double[] p = new double[3];
    at.plan().anchor(x.entity(), x.anchor(), p);
    Vec3 eye = Eye.of(at.plan(), at.camera().id()).place();
    double far = new Vec3(p[0], p[1], p[2]).minus(eye).length();
    return String.join(", ", words) + "; " + at.metres(far) + " from " + at.name(x.entity()) + ".";
  }
}
