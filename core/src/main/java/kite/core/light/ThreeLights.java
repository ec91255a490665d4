package kite.core.light;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import kite.core.command.Command;
import kite.core.command.EntityCommand;
import kite.core.cue.Cue;
import kite.core.cue.Ease;
import kite.core.document.Channels;
import kite.core.document.Light;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.core.frame.Arranging;
import kite.core.math.ArcTrig;
import kite.core.math.Matrix;
import kite.core.math.Trig;
import kite.core.math.Vec3;
import kite.core.rig.Subject;
import kite.core.rig.attention.Attention;

/**
 * Key, fill and rim about a subject, placed as seen from a camera: the key 40° to its right, the
 * fill 50° to its left, the rim behind. They stand as far off as the subject is large and their
 * power grows with the square of that, so a doll and a ship are lit alike.
 */
public final class ThreeLights {
  private ThreeLights() {}

  /**
   * @param turnDegrees from the camera's side of the subject, seen from above, towards +X
   * @param up height above the subject's point, as a share of the distance
   * @param power irradiance at the subject
   */
  private record Lamp(String name, double turnDegrees, double up, double power, double kelvin) {}

  private static final List<Lamp> LAMPS =
      List.of(
          new Lamp("Key", 40, 0.5, 3, 4800),
          new Lamp("Fill", -50, 0.2, 0.9, 5600),
          new Lamp("Rim", 165, 0.7, 2.6, 6200));

  /** Distance as a share of the diagonal of the subject's bounds. */
  private static final double REACH = 1.2;

  /** A mark has no size: its lamps stand this far off. */
  private static final double LEAST_REACH_M = 1.6;

  /**
   * The commands that add the three.
   *
   * @param plan evaluated at the frame the camera looks from
   * @param ids of the lights to be made
   */
  public static List<Command> about(
      Sequence s, Plan plan, String camera, String subject, List<String> ids) {
    double[] at = new double[3];
    plan.anchor(subject, null, at);
    Vec3 eye = Matrix.newOrigin(plan.world(), plan.slot(camera) * Matrix.SIZE);
    double[] size = new Arranging(s, plan, 0, false).size(List.of(subject));
    double reach = Math.max(LEAST_REACH_M, REACH * new Vec3(size[0], size[1], size[2]).length());
    double toward = ArcTrig.atan2(eye.x() - at[0], eye.z() - at[2]);
    List<Command> all = new ArrayList<>();
    for (int i = 0; i < LAMPS.size(); i++) {
      Lamp l = LAMPS.get(i);
      double a = toward + Trig.radians(l.turnDegrees());
      Channels place =
          Channels.NONE
              .with("x", at[0] + Trig.sin(a) * reach)
              .with("y", at[1] + l.up() * reach)
              .with("z", at[2] + Trig.cos(a) * reach)
              .with(Light.POWER.name(), l.power() * reach * reach)
              .with(Light.CONE.name(), 70)
              .with(Light.EDGE.name(), 0.5)
              .with(Light.RADIUS.name(), 0.25);
      all.add(
          new EntityCommand.Add(
              new Light(
                  ids.get(i),
                  s.freeName(l.name()),
                  Light.Form.SPOT,
                  null,
                  null,
                  "#ffffff",
                  l.kelvin(),
                  true,
                  "#000000",
                  true,
                  "#6f9fcf",
                  "#dfe6ea",
                  true,
                  lookingAt(subject, s.header().firstFrame()),
                  place)));
    }
    return all;
  }

  private static Attention lookingAt(String subject, int firstFrame) {
    return new Attention(
        "look",
        true,
        Attention.Up.WORLD,
        null,
        Attention.Blend.POINTS,
        List.of(Subject.of(subject)),
        List.of(new Cue(firstFrame, 0, Ease.EVEN, Map.of(subject, 1.0))),
        Channels.NONE);
  }
}
