package kite.core.rig.arm;

import kite.core.document.Channels;
import kite.core.evaluate.Compiling;
import kite.core.evaluate.Step;
import kite.core.form.Fields;
import kite.core.form.Out;
import kite.core.frame.PartWords;
import kite.core.kind.Kind;
import kite.core.math.Trig;

/** A crane or jib. */
public final class ArmKind extends Kind<Arm> {
  public ArmKind() {
    super(Arm.KIND, Arm.class);
  }

  @Override
  public Arm begin(String id) {
    return new Arm(id, true, true, Channels.NONE);
  }

  @Override
  public void write(Arm a, Out out) {
    out.put("level", a.level());
  }

  @Override
  public Arm read(Fields f, String id, boolean on, Channels channels) {
    return new Arm(id, on, f.truth("level"), channels);
  }

  @Override
  public Step newStep(Arm a, Compiling from) {
    return new ArmStep(a);
  }

  @Override
  public String says(Arm a, PartWords at) {
    double lift = Trig.radians(at.value(a, Arm.LIFT)), swing = at.value(a, Arm.SWING);
    String side =
        PartWords.isSeen(swing)
            ? ", swung " + PartWords.degrees(Math.abs(swing)) + (swing > 0 ? " left" : " right")
            : "";
    return "Its end is "
        + at.metres(at.value(a, Arm.LENGTH) * Trig.sin(lift))
        + " above its foot"
        + side
        + ".";
  }
}
