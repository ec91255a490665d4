package kite.core.bake;

import java.util.ArrayList;
import java.util.List;
import kite.core.command.Command;
import kite.core.command.RigCommand;
import kite.core.curve.Channel;
import kite.core.curve.CompiledCurve;
import kite.core.curve.Key;
import kite.core.curve.KeyShape;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.core.math.ArcTrig;
import kite.core.math.Matrix;
import kite.core.math.Rotation;
import kite.core.math.Trig;
import kite.core.math.Vec3;
import kite.core.model.Models;
import kite.core.rig.RigPart;
import kite.core.rig.base.Base;
import kite.core.rig.trim.Trim;

/**
 * A move with keys on every frame parted in two: a base that goes the same way with few keys, and a
 * trim that holds all the rest. Together they are the move it was; the base can be worked on, and
 * the trim's strength says how much of the rest stays.
 *
 * @param lens commands that keep what the stack made of the lens
 * @param keys keys of the base
 * @param mostM the most the trim carries the camera, metres
 * @param mostDegrees the most it turns it
 */
public record CalmBase(
    List<RigPart> rig, List<Command> lens, int keys, double mostM, double mostDegrees) {
  private static final String LABEL = "what the base leaves out";

  /**
   * @throws kite.core.rules.Refusal when a tolerance is negative
   * @param metres how far the base may be off on each axis, with {@code degrees} for each angle
   */
  public static CalmBase of(
      Sequence s, Models models, Camera c, int first, int last, double metres, double degrees) {
    PlainCamera.Tolerance.notNegative(metres);
    PlainCamera.Tolerance.notNegative(degrees);
    Bake b = Bake.of(new Plan(s, models), c, first, last, 1);
    String[] names = {"x", "y", "z", "pan", "tilt", "roll"};
    Channels base = Channels.NONE;
    CompiledCurve[] calm = new CompiledCurve[names.length];
    int keys = 0;
    for (int i = 0; i < names.length; i++) {
      Channel few = few(b, i, i < 3 ? metres : degrees);
      if (few instanceof Channel.Curve curve) keys += curve.keys().size();
      base = base.with(names[i], few);
      calm[i] = CompiledCurve.of(few);
    }
    Rest rest = new Rest();
    for (int row = 0; row < b.frames().length; row++) rest.add(b, row, calm);
    List<RigPart> rig =
        List.of(
            new Base("base", true, null, Base.Takes.POSITION, base),
            new Trim("trim", true, LABEL, null, List.of(), rest.channels()));
    return new CalmBase(rig, LensAsItWas.of(s, b), keys, rest.mostM, rest.mostDegrees);
  }

  /** The commands that give a camera this stack. */
  public List<Command> commands(String camera) {
    List<Command> all = new ArrayList<>(lens);
    all.add(new RigCommand.SetRig(camera, rig));
    return all;
  }

  private static Channel few(Bake b, int axis, double tolerance) {
    return axis < 3
        ? b.curve(tolerance, r -> b.world()[r * Matrix.SIZE + Matrix.OX + axis])
        : b.curve(tolerance, r -> b.angles()[r * 3 + axis - 3]);
  }

  /** The trim's keys in the making. */
  private static final class Rest {
    private static final String[] NAMES = {"truck", "pedestal", "dolly", "pan", "tilt", "roll"};
    private final List<List<Key>> keys = new ArrayList<>();
    double mostM;
    double mostDegrees;

    Rest() {
      for (int i = 0; i < NAMES.length; i++) keys.add(new ArrayList<>());
    }

    /** What takes the base's transform to the camera's, on the base's axes. */
    void add(Bake b, int row, CompiledCurve[] calm) {
      double f = b.frames()[row];
      double[] m = Matrix.newIdentity(), own = new double[Matrix.SIZE];
      double[] at = new double[6];
      for (int i = 0; i < 6; i++) at[i] = calm[i].value(f);
      Rotation.panTiltRoll(Trig.radians(at[3]), Trig.radians(at[4]), Trig.radians(at[5]), m, 0);
      System.arraycopy(at, 0, m, 12, 3);
      Matrix.multiply(Matrix.newInverse(m, 0), 0, b.world(), row * Matrix.SIZE, own, 0);
      double[] turn = Rotation.newPanTiltRoll(own, 0);
      double[] values = {
        own[Matrix.OX], own[Matrix.OY], -own[Matrix.OZ], turn[0], turn[1], turn[2]
      };
      for (int i = 0; i < values.length; i++) {
        double v = i < 3 ? values[i] : Trig.degrees(values[i]);
        keys.get(i).add(Key.of(f, v, KeyShape.STRAIGHT));
      }
      mostM = Math.max(mostM, new Vec3(own[Matrix.OX], own[Matrix.OY], own[Matrix.OZ]).length());
      double cos = (own[Matrix.XX] + own[Matrix.YY] + own[Matrix.ZZ] - 1) / 2;
      mostDegrees =
          Math.max(mostDegrees, Trig.degrees(ArcTrig.acos(Math.max(-1, Math.min(1, cos)))));
    }

    Channels channels() {
      Channels all = Channels.NONE;
      for (int i = 0; i < NAMES.length; i++)
        all = all.with(NAMES[i], new Channel.Curve(keys.get(i)));
      return all;
    }
  }
}
