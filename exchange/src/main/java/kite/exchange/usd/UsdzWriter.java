package kite.exchange.usd;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.util.Map;
import java.util.zip.CRC32;
import java.util.zip.CheckedOutputStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/**
 * Layers as one .usdz package: a zip without compression whose files each begin at a multiple of 64
 * bytes, the first being the one that is opened.
 */
public final class UsdzWriter {
  private static final int ALIGNED = 64;

  /** A local header of a zip without its name and extra field, and an extra field's own header. */
  private static final int LOCAL_HEADER = 30, EXTRA_HEADER = 4;

  /** An extra field that nothing has a meaning for. */
  private static final int NO_MEANING = 0x1986;

  /** The same for every package: what it holds says when it is of. */
  private static final LocalDateTime LONG_AGO = LocalDateTime.of(1980, 1, 2, 0, 0);

  private UsdzWriter() {}

  /**
   * Writes layers in their order; the stream stays open. A zip says first how long a file is and
   * what its checksum, so each is written aside before, into a file that goes again.
   */
  public static void write(Map<String, UsdSetWriter.Content> layers, OutputStream out)
      throws IOException {
    ZipOutputStream zip = new ZipOutputStream(out);
    long at = 0;
    for (Map.Entry<String, UsdSetWriter.Content> layer : layers.entrySet()) {
      Path aside = Files.createTempFile("kite-layer", ".usda");
      try {
        at = put(zip, at, layer.getKey(), layer.getValue(), aside);
      } finally {
        Files.delete(aside);
      }
    }
    zip.finish();
  }

  /** Puts a layer behind what ends at a place in the package; gives where it ends itself. */
  private static long put(
      ZipOutputStream zip, long at, String name, UsdSetWriter.Content layer, Path aside)
      throws IOException {
    CRC32 sum = new CRC32();
    try (OutputStream to =
        new CheckedOutputStream(new BufferedOutputStream(Files.newOutputStream(aside)), sum)) {
      layer.write(to);
    }
    long size = Files.size(aside);
    ZipEntry e = new ZipEntry(name);
    e.setMethod(ZipEntry.STORED);
    e.setSize(size);
    e.setCompressedSize(size);
    e.setCrc(sum.getValue());
    e.setTimeLocal(LONG_AGO);
    long begins = at + LOCAL_HEADER + name.length() + EXTRA_HEADER;
    int more = (int) ((ALIGNED - begins % ALIGNED) % ALIGNED);
    byte[] extra = new byte[EXTRA_HEADER + more];
    extra[0] = (byte) NO_MEANING;
    extra[1] = (byte) (NO_MEANING >> 8);
    extra[2] = (byte) more;
    e.setExtra(extra);
    zip.putNextEntry(e);
    Files.copy(aside, zip);
    zip.closeEntry();
    return begins + more + size;
  }
}
