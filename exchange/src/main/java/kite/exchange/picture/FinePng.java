package kite.exchange.picture;

import java.awt.Transparency;
import java.awt.color.ColorSpace;
import java.awt.image.BufferedImage;
import java.awt.image.ColorModel;
import java.awt.image.ComponentColorModel;
import java.awt.image.DataBuffer;
import java.awt.image.WritableRaster;
import java.io.IOException;
import java.nio.file.Path;
import javax.imageio.ImageIO;
import kite.render.Layer;
import kite.render.ViewTransform;

/** Writes the picture as a screen shows it as a PNG of 16 bits a channel. */
public final class FinePng {
  private static final int MOST = 65535;

  private FinePng() {}

  /**
   * @param whole the picture in linear light
   */
  public static void write(Path file, int width, int height, Layer whole) throws IOException {
    ColorModel model =
        new ComponentColorModel(
            ColorSpace.getInstance(ColorSpace.CS_sRGB),
            false,
            false,
            Transparency.OPAQUE,
            DataBuffer.TYPE_USHORT);
    WritableRaster raster = model.createCompatibleWritableRaster(width, height);
    int[] row = new int[width * 3];
    for (int y = 0; y < height; y++) {
      for (int x = 0; x < width; x++)
        for (int c = 0; c < 3; c++)
          row[x * 3 + c] =
              (int) Math.round(ViewTransform.of(whole.planes()[c][y * width + x]) * MOST);
      raster.setPixels(0, y, width, 1, row);
    }
    ImageIO.write(new BufferedImage(model, raster, false, null), "png", file.toFile());
  }
}
