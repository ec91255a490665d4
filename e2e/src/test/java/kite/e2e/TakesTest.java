package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.awt.image.BufferedImage;
import java.util.List;
import kite.core.command.Edit;
import kite.core.command.RigCommand;
import kite.core.command.ShotCommand;
import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.document.Speed;
import kite.core.document.Take;
import kite.demo.SaltWind;
import org.junit.jupiter.api.Test;

/** Two takes of a shot of SW030: other camera, other action. */
class TakesTest extends Desk {
  @Override
  double pixelRatio() {
    return 1;
  }

  @Override
  Sequence document() {
    Sequence s = new SaltWind().sw030();
    for (Camera c : s.all(Camera.class))
      s =
          Edit.apply(
              s,
              List.of(
                  new RigCommand.SetDepthOfField(c.id(), false),
                  new RigCommand.SetMotionBlur(c.id(), false)));
    Take other = new Take("other", "2", "camD", 1200, 52, Speed.AS_IT_IS);
    return Edit.apply(s, List.of(new ShotCommand.PutTake("cut2", other, false)));
  }

  private BufferedImage at(double frame) throws Exception {
    page.evaluate("f => jollyKite.goToReel(f)", frame);
    drawn();
    return lens();
  }

  /** How much two pictures differ in a stretch across, levels of 8 bits on the average. */
  private static double apart(BufferedImage a, BufferedImage b, double from, double to) {
    double sum = 0;
    int n = 0;
    for (int y = a.getHeight() / 5; y < a.getHeight() * 3 / 5; y += 2)
      for (int x = (int) (a.getWidth() * from); x < a.getWidth() * to; x += 2, n += 3)
        for (int shift = 0; shift < 24; shift += 8)
          sum += Math.abs((a.getRGB(x, y) >> shift & 255) - (b.getRGB(x, y) >> shift & 255));
    return sum / n;
  }

  @Test
  void twoTakesAreWipedEachOnItsOwnFrameAndOneIsKept() throws Exception {
    desk("Cut");
    page.getByTestId("reel").waitFor();
    BufferedImage first = at(1090);
    page.keyboard().press("t");
    BufferedImage second = at(1090);
    assertTrue(apart(first, second, 0.1, 0.9) > 10, "the takes look different");
    page.keyboard().press("t");
    at(1090);
    page.keyboard().press("Shift+t");
    page.getByTestId("compare").waitFor();
    drawn();
    BufferedImage both = lens();
    assertTrue(apart(first, both, 0.05, 0.45) < 2, "the one that is in on the left");
    assertTrue(apart(second, both, 0.55, 0.95) < 2, "the other on the right, on its own frame");
    button("Use take 2 · D").click();
    saved();
    assertEquals("other", ((Shot) application.stored().get("cut2")).chosen());
    drawn();
    assertTrue(apart(second, lens(), 0.1, 0.9) < 2, "and the picture is that take's");
  }
}
