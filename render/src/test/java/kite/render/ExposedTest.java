package kite.render;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import kite.core.command.Command;
import kite.core.command.EntityCommand.Add;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.curve.KeyShape;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Light;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.document.StandInKind;
import kite.core.evaluate.Plan;
import kite.core.math.AxisOrder;
import kite.core.math.Matrix;
import kite.core.model.Models;
import org.junit.jupiter.api.Test;

/** What moves while the shutter is open. */
class ExposedTest {
  private static final int SIZE = 120;

  /** The picture is as wide as it is far away. */
  private static final double WIDE = 1;

  private final List<Command> all = new ArrayList<>();
  private Channels lens = Channels.NONE.with("focalLength", Seen.FILM_MM);
  private Channels base = Channels.NONE;

  private static Channel straight(double... frameAndValue) {
    List<Key> keys = new ArrayList<>();
    for (int i = 0; i < frameAndValue.length; i += 2)
      keys.add(Key.of(frameAndValue[i], frameAndValue[i + 1], KeyShape.STRAIGHT));
    return new Channel.Curve(keys);
  }

  /** A ball 10 m ahead, bright against the dark; its origin is under it. */
  private void ball(double size, double sun, Channels c) {
    Piece p =
        new Piece(
            "ball",
            "Ball",
            null,
            new Shape.StandIn(StandInKind.SPHERE, size, size, size),
            "#ffffff",
            true,
            false,
            AxisOrder.PAN_TILT_ROLL,
            c.with("z", -10));
    all.add(new Add(p));
    Channels strong = Channels.NONE.with("intensity", sun);
    all.add(
        new Add(
            new Light(
                "sun",
                "Sun",
                Light.Form.SUN,
                null,
                null,
                "#ffffff",
                0,
                false,
                "#000000",
                false,
                "#000000",
                "#000000",
                true,
                null,
                strong)));
  }

  /** Flattened along its normal a square looks as it does: rays only find no way back from it. */
  @Test
  void whatIsFlattenedToNothingIsThereWhileItMoves() {
    double[] here = Squares.at(0, 0, -5), there = Squares.at(1, 0.5, -5);
    int[] whole = moved(here, there);
    here[Matrix.ZZ] = 0;
    there[Matrix.ZZ] = 0;
    assertArrayEquals(whole, moved(here, there));
    assertTrue(streak(whole)[1] - streak(whole)[0] > 30, "it is there");
  }

  private static int[] moved(double[] from, double[] to) {
    Material dull = Squares.plain(0.8);
    List<Scene> scenes =
        new SceneBuilder(a -> null)
            .together(
                List.of(
                    List.of(Squares.square("a", dull, 1, from)),
                    List.of(Squares.square("a", dull, 1, to))));
    Surroundings lit = Surroundings.of(Squares.sky(0, 2));
    List<Moment> moments = scenes.stream().map(s -> new Moment(s, lit, Squares.eye())).toList();
    return new FrameRenderer(moments).render(SIZE, SIZE, Quality.exact(8), 1, () -> false).argb();
  }

  private int[] picture(boolean blurred, int samples) {
    Sequence s = Seen.by(lens, base, all);
    Plan plan = new Plan(s, Models.NONE);
    SceneBuilder b = new SceneBuilder(a -> null);
    List<Moment> moments =
        blurred
            ? Exposed.open(s, plan, (Camera) s.get("cam"), 10, 1, b, a -> null)
            : Exposed.sharp(s, plan, (Camera) s.get("cam"), 10, b, a -> null);
    return new FrameRenderer(moments)
        .render(SIZE, SIZE, Quality.exact(samples), 2, () -> false)
        .argb();
  }

  /**
   * How far a ball went that goes farther than it is wide, in pixels with parts of them: all light
   * over that of the columns that it passed with all its width.
   */
  private static double length(int[] argb) {
    double[] column = new double[SIZE];
    double all = 0, middle = 0;
    for (int i = 0; i < argb.length; i++) {
      double light = kite.render.Light.LINEAR[argb[i] >> 8 & 255];
      all += light;
      column[i % SIZE] += light;
    }
    int[] ends = streak(argb);
    int from = (2 * ends[0] + ends[1]) / 3, to = (ends[0] + 2 * ends[1]) / 3;
    for (int x = from; x <= to; x++) middle += column[x] / (to - from + 1);
    return all / middle;
  }

  /** The first and last columns with light in them. */
  private static int[] streak(int[] argb) {
    int first = SIZE, last = -1;
    for (int i = 0; i < argb.length; i++)
      if ((argb[i] >> 8 & 255) > 8) {
        first = Math.min(first, i % SIZE);
        last = Math.max(last, i % SIZE);
      }
    return new int[] {first, last};
  }

  @Test
  void aPanDrawsAPointAsLongAsTheProjectionSays() {
    ball(0.1, 2, Channels.NONE.with("y", -0.05));
    base = Channels.NONE.with("pan", straight(1, -36, 19, 36)); // 4° a frame, straight on at 10
    lens = lens.with("shutter", 180);
    int[] argb = picture(true, 256), s = streak(argb);
    double ends = SIZE / WIDE * Math.tan(Math.toRadians(1)); // half of 180° is a quarter of a frame
    double ball = SIZE * 0.1 / 10;
    assertEquals(SIZE / 2.0 - ends - ball / 2, s[0], 1, "from");
    assertEquals(SIZE / 2.0 + ends + ball / 2, s[1] + 1, 1, "to");
    assertEquals(2 * ends, length(argb), 0.5, "the streak");
  }

  @Test
  void aWiderAngleBlursLongerAndAnOffsetMovesIt() {
    ball(0.1, 2, Channels.NONE.with("y", -0.05).with("x", straight(1, -4.5, 19, 4.5)));
    lens = lens.with("shutter", 180);
    double half = length(picture(true, 256)); // 0.5 m a frame
    lens = lens.with("shutter", 360);
    int[] open = picture(true, 256), whole = streak(open);
    lens = lens.with("shutterOffset", 180);
    int[] later = streak(picture(true, 256));
    double frame = SIZE * 0.5 / 10;
    assertEquals(frame / 2, half, 0.4);
    assertEquals(frame, length(open), 0.5);
    assertEquals(frame / 2, later[0] - whole[0], 1);
    assertEquals(frame / 2, later[1] - whole[1], 1);
  }

  /** Thrown up and back in one exposure: straight between its ends it would not leave its place. */
  @Test
  void aBendWithinTheExposureShows() {
    ball(0.1, 100, Channels.NONE.with("y", straight(9.5, 0, 10, 2, 10.5, 0)).with("x", 0));
    lens = lens.with("shutter", 360);
    int[] argb = picture(true, 256);
    int top = SIZE, bottom = -1;
    for (int i = 0; i < argb.length; i++)
      if ((argb[i] >> 8 & 255) > 8) {
        top = Math.min(top, i / SIZE);
        bottom = Math.max(bottom, i / SIZE);
      }
    assertEquals(SIZE / 2.0 - SIZE * 2 / 10.0, top, 2);
    assertEquals(SIZE / 2.0, bottom, 2);
  }

  @Test
  void aShutterOfNoAngleAndASceneThatStandsStillAreSharp() {
    ball(1, 2, Channels.NONE.with("x", straight(1, -4.5, 19, 4.5)));
    lens = lens.with("shutter", 0);
    assertArrayEquals(picture(false, 16), picture(true, 16));
    all.clear();
    ball(1, 2, Channels.NONE);
    lens = lens.with("shutter", 180);
    assertArrayEquals(picture(false, 16), picture(true, 16));
  }

  /** As much light arrives as without blur, spread over more pixels. */
  @Test
  void blurKeepsTheLight() {
    ball(1, 2, Channels.NONE.with("x", straight(1, -1.8, 19, 1.8)));
    double sharp = sum(picture(false, 64)), blurred = sum(picture(true, 64));
    assertEquals(sharp, blurred, 0.02 * sharp);
    assertTrue(streak(picture(true, 64))[1] >= streak(picture(false, 64))[1]);
  }

  private static double sum(int[] argb) {
    double sum = 0;
    for (int p : argb) sum += kite.render.Light.LINEAR[p >> 8 & 255];
    return sum;
  }
}
