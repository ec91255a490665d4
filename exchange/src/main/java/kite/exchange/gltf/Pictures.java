package kite.exchange.gltf;

import java.io.IOException;
import java.util.Iterator;
import javax.imageio.ImageReader;
import javax.imageio.ImageTypeSpecifier;
import kite.exchange.BadFile;
import kite.exchange.Budget;
import kite.exchange.PictureFile;
import kite.render.Texture;

/** The pictures of a model, decoded within a budget and kept no larger than a render needs. */
final class Pictures {
  private static final int WIDEST = 8192;

  /** A surface this wide fills a frame of 4096 pixels with a texel a pixel. */
  private static final int WIDEST_KEPT = 4096;

  /** A pixel of a kind that does not say how large it is. */
  private static final int USUAL_BYTES = 4;

  private Pictures() {}

  /**
   * @param what how a sentence about it begins
   */
  static Texture texture(byte[] bytes, String what, Budget budget) throws BadFile {
    return PictureFile.open(
        bytes,
        what,
        picture -> {
          int w = picture.getWidth(0), h = picture.getHeight(0);
          if (w > WIDEST || h > WIDEST)
            throw new BadFile(
                what
                    + " is "
                    + w
                    + " × "
                    + h
                    + " pixels; up to "
                    + WIDEST
                    + " each way are taken.");
          long decoded = (long) w * h * bytesPerPixel(picture);
          budget.take(decoded, what);
          Texture t = Texture.of(picture.read(0), WIDEST_KEPT);
          budget.giveBack(decoded);
          budget.take(4L * t.argb().length, what);
          budget.look();
          return t;
        });
  }

  private static int bytesPerPixel(ImageReader picture) throws IOException {
    Iterator<ImageTypeSpecifier> types = picture.getImageTypes(0);
    if (!types.hasNext()) return USUAL_BYTES;
    return Math.max(1, types.next().getColorModel().getPixelSize() / Byte.SIZE);
  }
}
