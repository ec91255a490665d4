package kite.server.render;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.awt.image.BufferedImage;
import java.util.Map;
import kite.exchange.picture.ExrReader;
import org.junit.jupiter.api.Test;

class LayerPictureTest {
  private static BufferedImage shown(String name, double stops, Map<String, float[]> channels) {
    return LayerPicture.of(new ExrReader.Exr(2, 1, channels, Map.of()), name, stops);
  }

  private static int red(BufferedImage b, int x) {
    return b.getRGB(x, 0) >> 16 & 255;
  }

  /** Middle grey of 18 % is 118 by the curve of sRGB, and 162 a stop lighter. */
  @Test
  void lightIsShownByTheViewTransformSoManyStopsLighter() {
    float[] grey = {0.18f, 4};
    Map<String, float[]> rgb = Map.of("R", grey, "G", grey, "B", grey, "A", new float[] {1, 1});
    assertEquals(118, red(shown("", 0, rgb), 0));
    assertEquals(162, red(shown("", 1, rgb), 0));
    assertEquals(255, red(shown("", 0, rgb), 1), "brighter than white");
    assertEquals(188, red(shown("", -3, rgb), 1), "and there all the same: half of white");
  }

  @Test
  void metresGoFromWhiteToBlackAndDirectionsLieAboutGrey() {
    BufferedImage depth = shown("depth", 0, Map.of("depth.Z", new float[] {2, 32}));
    assertEquals(255, red(depth, 0));
    assertEquals(0, red(depth, 1));
    BufferedImage motion =
        shown(
            "motion", 0, Map.of("motion.X", new float[] {0, 16}, "motion.Y", new float[] {0, -16}));
    assertEquals(128, red(motion, 0));
    assertEquals(191, red(motion, 1));
    assertEquals(64, motion.getRGB(1, 0) >> 8 & 255);
  }
}
