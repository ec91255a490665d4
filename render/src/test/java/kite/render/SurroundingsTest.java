package kite.render;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import kite.core.command.Command;
import kite.core.command.EntityCommand.Add;
import kite.core.command.EntityCommand.Lay;
import kite.core.document.Air;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Layer;
import kite.core.document.Light;
import kite.core.document.Piece;
import kite.core.document.Plate;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.document.StandInKind;
import kite.core.evaluate.Plan;
import kite.core.math.AxisOrder;
import kite.core.model.Models;
import org.junit.jupiter.api.Test;

/**
 * Lights, air and plates against what photometry says; the camera looks straight down at a floor.
 */
class SurroundingsTest {
  private static final String ASSET = "ab".repeat(32);
  private static final int SIZE = 41;

  private final List<Command> all = new ArrayList<>();

  private void piece(String id, StandInKind kind, double size, double x, double y, double z) {
    all.add(
        new Add(
            new Piece(
                id,
                id,
                null,
                new Shape.StandIn(kind, size, kind == StandInKind.PLANE ? 0 : size, size),
                "#ffffff",
                true,
                false,
                AxisOrder.PAN_TILT_ROLL,
                Channels.NONE.with("x", x).with("y", y).with("z", z))));
  }

  private void light(Light.Form form, String tint, boolean soft, Channels c) {
    all.add(
        new Add(
            new Light(
                "lamp", "Lamp", form, null, null, "#ffffff", 0, soft, tint, false, "#000000",
                "#000000", true, null, c)));
  }

  private BufferedImage render(int samples) {
    return render(samples, Map.of());
  }

  private BufferedImage render(int samples, Map<String, BufferedImage> images) {
    Sequence s =
        Seen.by(
            Channels.NONE.with("focalLength", Seen.FILM_MM),
            Channels.NONE.with("y", 4).with("tilt", -90),
            all);
    Plan plan = new Plan(s, Models.NONE);
    plan.evaluate(1);
    Picture p =
        new Still(
                new SceneBuilder(a -> null).build(s, plan),
                Surroundings.of(s, plan, 1, (Camera) s.get("cam"), images::get))
            .render(
                CameraView.of(s, plan, (Camera) s.get("cam")), SIZE, SIZE, samples, 2, () -> false);
    BufferedImage b = new BufferedImage(SIZE, SIZE, BufferedImage.TYPE_INT_RGB);
    b.setRGB(0, 0, SIZE, SIZE, p.argb(), 0, SIZE);
    return b;
  }

  /**
   * Linear light at a place of the floor (metres right of and behind the middle), mean of 3 × 3.
   */
  private static double at(BufferedImage b, double x, double z) {
    double sum = 0; // 4 m above a floor, 20 mm on 20 mm: 4 m across the picture
    int cx = (int) ((x / 4 + 0.5) * SIZE), cy = (int) ((z / 4 + 0.5) * SIZE);
    for (int j = -1; j <= 1; j++)
      for (int i = -1; i <= 1; i++) {
        double v = (b.getRGB(cx + i, cy + j) >> 8 & 255) / 255.0;
        sum += (v <= 0.04045 ? v / 12.92 : Math.pow((v + 0.055) / 1.055, 2.4)) / 9;
      }
    return sum;
  }

  /** What a matt white floor sends up under an irradiance: E/π, less what its gloss keeps (4 %). */
  private static double matt(double irradiance) {
    return irradiance / Math.PI * 0.96;
  }

  @Test
  void aBulbFallsOffWithTheSquareOfDistanceAndTheCosine() {
    piece("floor", StandInKind.PLANE, 20, 0, 0, 0);
    light(Light.Form.POINT, "#000000", false, Channels.NONE.with("y", 2).with("power", 6));
    BufferedImage b = render(4);
    assertEquals(matt(6 / 4.0), at(b, 0, 0), 0.02);
    double d = Math.hypot(2, 1.5);
    assertEquals(matt(6 / (d * d) * 2 / d), at(b, 1.5, 0), 0.02);
  }

  @Test
  void aSpotIsWholeInItsConeAndDarkOutside() {
    piece("floor", StandInKind.PLANE, 20, 0, 0, 0);
    Channels c = Channels.NONE.with("y", 2).with("tilt", -90).with("power", 6);
    light(Light.Form.SPOT, "#000000", false, c.with("cone", 60).with("edge", 0.1));
    BufferedImage b = render(4);
    assertEquals(matt(1.5), at(b, 0, 0), 0.02);
    assertTrue(at(b, 0.9, 0) > 0.15, "24° off the axis is inside");
    assertEquals(0, at(b, 1.5, 0), 0.003, "37° is outside");
  }

  @Test
  void aGlowingRectangleLightsAsItsRadianceSays() {
    piece("floor", StandInKind.PLANE, 20, 0, 0, 0);
    Channels c = Channels.NONE.with("y", 2).with("tilt", -90).with("power", 10);
    light(Light.Form.AREA, "#000000", true, c.with("width", 0.6).with("height", 0.6));
    BufferedImage b = render(64);
    // small against its distance: L · A / d², both cosines 1
    assertEquals(matt(10 * 0.36 / 4), at(b, 0, 0), 0.025);
    double d2 = 4 + 1.5 * 1.5, cos = 2 / Math.sqrt(d2);
    assertEquals(matt(10 * 0.36 / d2 * cos * cos), at(b, 1.5, 0), 0.025);
  }

  @Test
  void shadowsAreBlackOrFilledWithTheirTint() {
    piece("floor", StandInKind.PLANE, 20, 0, 0, 0);
    piece("lid", StandInKind.BOX, 0.3, 0.45, 0.8, 0);
    Channels c = Channels.NONE.with("y", 2).with("power", 6);
    light(Light.Form.POINT, "#000000", false, c);
    double black = at(render(4), 1.0, 0);
    assertEquals(0, black, 0.01);
    all.remove(all.size() - 1);
    light(Light.Form.POINT, "#bcbcbc", false, c); // half of linear light
    double d = Math.sqrt(5);
    assertEquals(matt(6 / 5.0 * 2 / d) * 0.5, at(render(4), 1.0, 0), 0.02);
  }

  @Test
  void hazeTakesLightAwayByTheMetre() {
    piece("floor", StandInKind.PLANE, 20, 0, 0, 0);
    light(Light.Form.POINT, "#000000", false, Channels.NONE.with("y", 2).with("power", 6));
    Channels c = Channels.NONE.with("density", 0.1).with("height", 1e6);
    all.add(new Add(new Air("air", "Air", "#0000ff", null, c)));
    BufferedImage b = render(4);
    double through = Math.exp(-0.1 * 4);
    assertEquals(matt(1.5) * through, at(b, 0, 0), 0.02);
    int blue = b.getRGB(20, 20) & 255;
    assertTrue(blue > (b.getRGB(20, 20) >> 8 & 255), "and the haze's own colour comes in");
  }

  @Test
  void whatIsOnALayerThatIsNotRenderedStaysOut() {
    piece("floor", StandInKind.PLANE, 20, 0, 0, 0);
    light(Light.Form.POINT, "#000000", false, Channels.NONE.with("y", 2).with("power", 6));
    all.add(new Add(new Layer("off", "Off", "#112233", true, false, false)));
    all.add(new Lay(List.of("floor"), "off"));
    assertEquals(0, at(render(2), 0, 0), 0.002);
  }

  @Test
  void platesLieBehindInFrontAndAtADepth() {
    piece("block", StandInKind.BOX, 1, 0, 0, 0);
    light(Light.Form.POINT, "#000000", false, Channels.NONE.with("y", 3.5).with("power", 7));
    BufferedImage green = new BufferedImage(8, 8, BufferedImage.TYPE_INT_RGB);
    for (int i = 0; i < 64; i++) green.setRGB(i % 8, i / 8, 0x00ff00);
    Map<String, BufferedImage> images = Map.of(ASSET, green);
    BufferedImage behind = with(plate(false, 0, 1), images);
    assertEquals(0xff00ff00, behind.getRGB(2, 2), "the plate where nothing stands");
    assertTrue((behind.getRGB(20, 20) >> 16 & 255) > 100, "the block is before it");
    BufferedImage front = with(plate(true, 0, 1), images);
    assertEquals(0xff00ff00, front.getRGB(20, 20), "now over everything");
    BufferedImage half = with(plate(true, 0, 0.5), images);
    int red = half.getRGB(20, 20) >> 16 & 255;
    assertTrue(red > 60 && red < 220, "half of it: " + red);
    assertEquals(
        0xff00ff00, with(plate(false, 2, 1), images).getRGB(20, 20), "2 m: before the block");
    assertTrue(
        (with(plate(false, 3.5, 1), images).getRGB(20, 20) >> 16 & 255) > 100, "3.5 m: behind");
  }

  private BufferedImage with(Plate p, Map<String, BufferedImage> images) {
    all.add(new Add(p));
    BufferedImage b = render(2, images);
    all.remove(all.size() - 1);
    return b;
  }

  private static Plate plate(boolean front, double depth, double opacity) {
    return new Plate(
        "plate",
        "Plate",
        "cam",
        List.of(ASSET),
        Plate.PlateFit.FILL,
        front,
        true,
        1,
        Plate.After.HOLD,
        Channels.NONE.with("depth", depth).with("opacity", opacity));
  }
}
