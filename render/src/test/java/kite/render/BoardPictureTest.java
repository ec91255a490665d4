package kite.render;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.awt.image.BufferedImage;
import java.util.List;
import org.junit.jupiter.api.Test;

class BoardPictureTest {
  private static final int BLACK = 0xff000000, GREY = 0xff808080;

  private static BufferedImage grey(int width, int height) {
    BufferedImage i = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
    for (int y = 0; y < height; y++) for (int x = 0; x < width; x++) i.setRGB(x, y, GREY);
    return i;
  }

  @Test
  void allOfItIsInTheFrameWithBlackBesideIt() {
    Picture square = BoardPicture.of(grey(100, 100), 40, 20);
    int[] row = java.util.Arrays.copyOfRange(square.argb(), 10 * 40, 11 * 40);
    for (int x = 0; x < 40; x++) assertEquals(x >= 10 && x < 30 ? GREY : BLACK, row[x], "" + x);
    Picture wide = BoardPicture.of(grey(80, 20), 40, 20);
    assertEquals(BLACK, wide.argb()[2 * 40 + 20]);
    assertEquals(GREY, wide.argb()[10 * 40]);
    assertEquals(BLACK, BoardPicture.of(null, 4, 4).argb()[5], "one that is not to be had");
  }

  @Test
  void itIsLightThatScreensShowAsTheImage() {
    Layer whole = new Layer("", List.of("R", "G", "B", "A"), new float[4][0]);
    Rendered nothing = new Rendered(null, List.of(whole), List.of(), List.of()).nothing(8, 4);
    Rendered r = BoardPicture.in(nothing, grey(8, 4));
    float light = r.layers().get(0).planes()[0][9];
    assertEquals(0.2158605, light, 1e-6, "half of a screen's range, IEC 61966-2-1");
    assertEquals(0x80 / 255.0, ViewTransform.of(light), 1e-6);
    assertEquals(1, r.layers().get(0).planes()[3][9]);
  }
}
