package kite.server.asset;

import java.awt.image.BufferedImage;
import kite.exchange.BadFile;
import kite.exchange.PictureFile;

/** PNG and JPEG images, checked before they are decoded. */
final class PlateImages {
  static final int LARGEST_FILE = 64 << 20;
  private static final int WIDEST = 16384;
  private static final long MOST_PIXELS = 64L << 20;

  private PlateImages() {}

  /** Width and height in pixels, read from the head alone. */
  static int[] size(String name, byte[] bytes) throws BadFile {
    if (bytes.length > LARGEST_FILE)
      throw new BadFile("Images up to 64 MB are taken; " + name + " is larger.");
    boolean png = bytes.length > 8 && (bytes[0] & 255) == 0x89 && bytes[1] == 'P';
    boolean jpeg = bytes.length > 8 && (bytes[0] & 255) == 0xff && (bytes[1] & 255) == 0xd8;
    if (!png && !jpeg)
      throw new BadFile(name + " is neither a PNG nor a JPEG image, which plates are made of.");
    return PictureFile.open(
        bytes,
        name,
        picture -> {
          int w = picture.getWidth(0), h = picture.getHeight(0);
          if (w > WIDEST || h > WIDEST || (long) w * h > MOST_PIXELS)
            throw new BadFile(
                name + " is " + w + " × " + h + " pixels; up to 64 million are taken.");
          return new int[] {w, h};
        });
  }

  /** The decoded image; null where it is damaged inside. */
  static BufferedImage read(byte[] bytes) {
    try {
      return PictureFile.open(bytes, "", picture -> picture.read(0));
    } catch (BadFile e) {
      return null;
    }
  }
}
