package kite.exchange;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Iterator;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

/**
 * A PNG or JPEG file, opened for its picture alone: what stands beside that in the file may unfold
 * to any size, and is of no use here.
 */
public final class PictureFile {
  private PictureFile() {}

  /** What is asked of an opened picture. */
  public interface Asked<T> {
    T of(ImageReader picture) throws IOException, BadFile;
  }

  /**
   * @param what how a sentence about it begins
   * @throws BadFile when it is no picture, is damaged, or is not what was asked for
   */
  public static <T> T open(byte[] bytes, String what, Asked<T> asked) throws BadFile {
    try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(bytes))) {
      Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
      if (!readers.hasNext())
        throw new BadFile(what + " is of a kind that is not read (PNG and JPEG are).");
      ImageReader reader = readers.next();
      try {
        reader.setInput(in, true, true);
        return asked.of(reader);
      } finally {
        reader.dispose();
      }
    } catch (IOException | RuntimeException e) {
      throw new BadFile(what + " cannot be read. It is damaged.");
    }
  }
}
