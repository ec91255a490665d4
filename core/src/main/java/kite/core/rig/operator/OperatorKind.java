package kite.core.rig.operator;

import java.util.List;
import java.util.Map;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Sequence;
import kite.core.evaluate.Compiling;
import kite.core.evaluate.Plan;
import kite.core.evaluate.Step;
import kite.core.form.Fields;
import kite.core.form.Out;
import kite.core.frame.Eye;
import kite.core.frame.PartWords;
import kite.core.kind.Kind;
import kite.core.math.Matrix;
import kite.core.math.Rotation;
import kite.core.math.Trig;
import kite.core.model.Models;
import kite.core.rules.Refusal;

/** The simulated person holding the camera. */
public final class OperatorKind extends Kind<Operator> {
  /** The fewest and the most steps a second that anybody takes. */
  private static final double SLOWEST = 0.2;

  private static final double QUICKEST = 10;

  public OperatorKind() {
    super(Operator.KIND, Operator.class);
  }

  @Override
  public Operator begin(String id) {
    return new Operator(
        id, true, Operator.Preset.ON_SHOULDER, Operator.STEPS_PER_SECOND, 1, Channels.NONE);
  }

  @Override
  public void check(Camera c, Operator o) {
    if (!(o.stepsPerSecond() >= SLOWEST && o.stepsPerSecond() <= QUICKEST))
      throw new Refusal("range", c.id(), o.id(), "An operator takes 0.2 to 10 steps a second.");
  }

  @Override
  public void write(Operator o, Out out) {
    out.put("preset", o.preset()).put("stepsPerSecond", o.stepsPerSecond()).put("seed", o.seed());
  }

  @Override
  public Operator read(Fields f, String id, boolean on, Channels channels) {
    return new Operator(
        id,
        on,
        f.word("preset", Operator.Preset.values()),
        f.number("stepsPerSecond"),
        f.whole("seed"),
        channels);
  }

  @Override
  public Step newStep(Operator o, Compiling from) {
    return new OperatorStep(o, from.header().firstFrame(), from.header().rate().perSecond());
  }

  /** Metres right, up and back, degrees of pan, tilt and roll. */
  @Override
  public int plotted() {
    return 6;
  }

  @Override
  public void plot(Sequence s, Camera c, Operator o, double seconds, double[] out) {
    Camera holding = c.withRig(List.of(o.withOn(true)));
    Plan plan = new Plan(new Sequence(s.header(), Map.of(c.id(), holding)), Models.NONE);
    int rows = out.length / plotted();
    double fps = s.header().rate().perSecond();
    for (int r = 0; r < rows; r++) {
      plan.evaluate(s.header().firstFrame() + seconds * fps * r / Math.max(1, rows - 1));
      double[] m = Eye.of(plan, c.id()).world();
      double[] turned = Rotation.newPanTiltRoll(m, 0);
      for (int i = 0; i < 3; i++) {
        out[r * plotted() + i] = m[Matrix.OX + i];
        out[r * plotted() + 3 + i] = Trig.degrees(turned[i]);
      }
    }
  }

  @Override
  public String says(Operator o, PartWords at) {
    return (o.preset() == Operator.Preset.STABILISED ? "Floats " : "Is ") + at.offset(o) + " off.";
  }
}
