package kite.core.cutting;

import java.util.List;
import kite.core.command.Command;
import kite.core.command.ShotCommand;
import kite.core.curve.Channel;
import kite.core.curve.CompiledCurve;
import kite.core.curve.Extrapolation;
import kite.core.curve.Key;
import kite.core.curve.KeyShape;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.document.Speed;
import kite.core.document.Take;
import kite.core.rules.Refusal;

/** Speeds of a shot by what they are on its first and on its last frame. */
public final class Retiming {
  /** Steady speeds are kept to a thousandth. */
  private static final int THOUSAND = 1000;

  private Retiming() {}

  /**
   * A speed at both ends: frames of the scene in one of the programme. One that changes does so
   * evenly.
   */
  public record Ends(double first, double last) {}

  /** How fast a shot is at its ends. */
  public static Ends of(Shot shot) {
    Take t = shot.take();
    if (t.speed() instanceof Speed.Steady s) return new Ends(s.rate(), s.rate());
    CompiledCurve curve = CompiledCurve.of(((Speed.Curved) t.speed()).curve());
    return new Ends(curve.slope(0), curve.slope(t.frames()));
  }

  /**
   * The commands that give a shot other speeds.
   *
   * @param keepsLength whether it lasts as long and shows more or less of the action; otherwise it
   *     shows the same action and lasts shorter or longer
   * @throws Refusal for speeds that are no numbers above 0 on average
   */
  public static List<Command> to(Sequence s, String id, Ends ends, boolean keepsLength) {
    if (!(s.get(id) instanceof Shot shot))
      throw new Refusal("missing", id, "", "This shot is not there any more.");
    Take t = shot.take();
    double mean = (ends.first() + ends.last()) / 2;
    if (!(mean > 0) || !(ends.first() >= 0) || !(ends.last() >= 0))
      throw new Refusal("range", id, "speed", "A speed is above 0 %: action runs forwards.");
    double action = t.scene(t.frames()) - t.scene(0);
    int frames = keepsLength ? t.frames() : (int) Math.max(1, Math.round(action / mean));
    return List.of(new ShotCommand.RetimeShot(id, speed(ends, frames), frames));
  }

  /** A straight change of speed is a parabola of the action, which a cubic curve holds exactly. */
  private static Speed speed(Ends e, int frames) {
    if (e.first() == e.last()) {
      int thousandths = (int) Math.min(Integer.MAX_VALUE, Math.round(e.first() * THOUSAND));
      int common = common(thousandths, THOUSAND);
      return common == 0
          ? new Speed.Steady(thousandths, THOUSAND)
          : new Speed.Steady(thousandths / common, THOUSAND / common);
    }
    double third = frames / 3.0, action = frames * (e.first() + e.last()) / 2;
    Key from =
        new Key(0, 0, KeyShape.FREE, third, -e.first() * third, third, e.first() * third, true);
    Key to =
        new Key(
            frames, action, KeyShape.FREE, third, -e.last() * third, third, e.last() * third, true);
    return new Speed.Curved(
        new Channel.Curve(List.of(from, to), Extrapolation.STRAIGHT, Extrapolation.STRAIGHT));
  }

  private static int common(int a, int b) {
    return b == 0 ? a : common(b, a % b);
  }
}
