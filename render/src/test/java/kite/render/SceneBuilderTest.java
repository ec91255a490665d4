package kite.render;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import kite.core.command.Command;
import kite.core.command.EntityCommand;
import kite.core.command.EntityCommand.Add;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Finish;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.document.StandInKind;
import kite.core.evaluate.Plan;
import kite.core.math.AxisOrder;
import kite.core.model.Models;
import org.junit.jupiter.api.Test;

/** What is made once for a shot must not show in its pictures. */
class SceneBuilderTest {
  private static final int SIZE = 64;
  private final List<Command> all = new ArrayList<>();

  private void box(String id, Channels c) {
    all.add(
        new Add(
            new Piece(
                id,
                id,
                null,
                new Shape.StandIn(StandInKind.BOX, 1, 1, 1),
                "#f0f0f0",
                true,
                false,
                AxisOrder.PAN_TILT_ROLL,
                c)));
  }

  private Sequence sequence() {
    return Seen.by(
        Channels.NONE.with("focalLength", Seen.FILM_MM),
        Channels.NONE.with("y", 1).with("z", 6),
        all);
  }

  private static int[] picture(Sequence s, Plan plan, SceneBuilder b, int frame) {
    plan.evaluate(frame);
    return new Still(b.build(s, plan), Sky.of(s, plan, frame))
        .render(CameraView.of(s, plan, (Camera) s.get("cam")), SIZE, SIZE, 16, 2, () -> false)
        .argb();
  }

  private static int light(int[] argb, int x, int y) {
    return argb[y * SIZE + x] >> 8 & 255;
  }

  @Test
  void aBuilderThatHasSeenOtherFramesGivesThePictureOfANewOne() {
    box("still", Channels.NONE.with("x", -1.2));
    box("moves", Channels.NONE.with("x", Channel.curve(Key.smooth(1, 0.2), Key.smooth(10, 2))));
    Sequence s = sequence();
    Plan plan = new Plan(s, Models.NONE);
    SceneBuilder used = new SceneBuilder(a -> null);
    int[] first = picture(s, plan, used, 1);
    for (int frame = 2; frame < 9; frame++) picture(s, plan, used, frame);
    int[] again = picture(s, plan, used, 10),
        anew = picture(s, plan, new SceneBuilder(a -> null), 10);
    assertNotEquals(light(first, 55, 32), light(again, 55, 32));
    double sum = 0;
    for (int i = 0; i < anew.length; i++)
      sum += Math.pow((anew[i] >> 8 & 255) - (again[i] >> 8 & 255), 2);
    // one is met in the world, one in its own axes: they differ by rounding, at an edge here or
    // there
    assertTrue(Math.sqrt(sum / anew.length) < 0.6, "differs by " + Math.sqrt(sum / anew.length));
  }

  @Test
  void hierarchiesAreBuiltOnceAndSharedByContent() {
    box("still", Channels.NONE.with("x", -1.2));
    box("moves", Channels.NONE.with("x", Channel.curve(Key.smooth(1, 0.2), Key.smooth(10, 2))));
    Sequence s = sequence();
    Plan plan = new Plan(s, Models.NONE);
    TreeStore trees = TreeStore.ofOwn();
    SceneBuilder one = new SceneBuilder(a -> null, trees, a -> null);
    picture(s, plan, one, 1);
    picture(s, plan, one, 2);
    long after = trees.size();
    for (int frame = 3; frame < 10; frame++) picture(s, plan, one, frame);
    assertEquals(after, trees.size(), "what moves costs no new hierarchy for each frame");
    picture(s, plan, new SceneBuilder(a -> null, trees, a -> null), 1);
    assertEquals(after, trees.size(), "another job of the same scene finds them");
  }

  @Test
  void aPieceAsThinAsACardIsStillSeen() {
    box("card", Channels.NONE.with("scaleZ", 0.0001));
    Sequence s = sequence();
    int[] with = picture(s, new Plan(s, Models.NONE), new SceneBuilder(a -> null), 1);
    assertTrue(light(with, 32, 36) > light(with, 32, 60) + 20, "a card in front of the sky");
  }

  @Test
  void calmPixelsStopEarlyAndTheRestDoNot() {
    box("one", Channels.NONE);
    Sequence s = sequence();
    Plan plan = new Plan(s, Models.NONE);
    plan.evaluate(1);
    Still r = new Still(new SceneBuilder(a -> null).build(s, plan), Sky.of(s, plan, 1));
    CameraView v = CameraView.of(s, plan, (Camera) s.get("cam"));
    int[] few = r.render(v, SIZE, SIZE, Quality.exact(4), 2, () -> false).argb(),
        many = r.render(v, SIZE, SIZE, Quality.exact(64), 2, () -> false).argb(),
        up = r.render(v, SIZE, SIZE, new Quality(64, 2), 2, () -> false).argb(),
        strict = r.render(v, SIZE, SIZE, new Quality(64, 1e-9), 2, () -> false).argb();
    assertEquals(few[2 * SIZE + 2], up[2 * SIZE + 2], "four rays of sky are enough");
    double near = distance(up, many), far = distance(few, many);
    assertTrue(near < far / 2, near + " against " + far);
    int differ = 0;
    for (int i = 0; i < many.length; i++) if (strict[i] != many[i]) differ++;
    assertTrue(differ < SIZE * SIZE / 2, "what has no noise alone has fewer rays");
    assertArrayEquals(
        up, r.render(v, SIZE, SIZE, new Quality(64, 2), 3, () -> false).argb(), "any threads");
  }

  private static double distance(int[] a, int[] b) {
    double sum = 0;
    for (int i = 0; i < a.length; i++) sum += Math.pow((a[i] >> 8 & 255) - (b[i] >> 8 & 255), 2);
    return Math.sqrt(sum / a.length);
  }

  /** The picture of a box that faces the camera, with a finish of its own. */
  private int[] finished(Finish f, java.awt.image.BufferedImage image) {
    all.clear();
    box("box", Channels.NONE.with("y", 0.5));
    all.add(new EntityCommand.SetFinish(List.of("box"), f));
    Sequence s = sequence();
    return picture(
        s, new Plan(s, Models.NONE), new SceneBuilder(a -> null, TreeStore.ofOwn(), a -> image), 1);
  }

  @Test
  void aPieceWithAFinishGlowsAndHasItsPicture() {
    int[] plain = finished(null, null);
    int[] glowing = finished(new Finish(0.5, 0, 2, null), null);
    assertEquals(255, light(glowing, SIZE / 2, SIZE / 2), "twice its colour is white");
    assertTrue(light(plain, SIZE / 2, SIZE / 2) < 250);
    // green on the left and black on the right, as one stands before it
    java.awt.image.BufferedImage halves =
        new java.awt.image.BufferedImage(8, 1, java.awt.image.BufferedImage.TYPE_INT_RGB);
    for (int x = 0; x < 4; x++) halves.setRGB(x, 0, 0x00ff00);
    int[] painted = finished(new Finish(1, 0, 0, "5e".repeat(32)), halves);
    assertTrue(light(painted, 29, SIZE / 2) > 60, "" + light(painted, 29, SIZE / 2));
    assertTrue(light(painted, 35, SIZE / 2) < 25, "" + light(painted, 35, SIZE / 2));
    int[] missing = finished(new Finish(1, 0, 0, "5e".repeat(32)), null);
    assertTrue(light(missing, 35, SIZE / 2) > 60, "without its picture it has its colour");
  }
}
