package kite.server.asset;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Iterator;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import kite.exchange.BadFile;

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
    try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(bytes))) {
      Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
      if (!readers.hasNext()) throw new BadFile(name + " cannot be read. It is damaged.");
      ImageReader reader = readers.next();
      reader.setInput(in, true, true);
      int w = reader.getWidth(0), h = reader.getHeight(0);
      reader.dispose();
      if (w > WIDEST || h > WIDEST || (long) w * h > MOST_PIXELS)
        throw new BadFile(name + " is " + w + " × " + h + " pixels; up to 64 million are taken.");
      return new int[] {w, h};
    } catch (IOException | RuntimeException e) {
      throw new BadFile(name + " cannot be read. It is damaged.");
    }
  }

  /** The decoded image; null where it is damaged inside. */
  static BufferedImage read(byte[] bytes) {
    try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(bytes))) {
      Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
      if (!readers.hasNext()) return null;
      ImageReader reader = readers.next();
      try {
        // what stands beside the picture may unfold to any size, and is of no use here
        reader.setInput(in, true, true);
        return reader.read(0);
      } finally {
        reader.dispose();
      }
    } catch (IOException | RuntimeException e) {
      return null;
    }
  }
}
