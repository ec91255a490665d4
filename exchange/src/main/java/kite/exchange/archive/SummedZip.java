package kite.exchange.archive;

import java.io.FilterOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.security.DigestOutputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.zip.Deflater;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** A zip that is written file by file as they come, and tells what each of them came to. */
public final class SummedZip implements AutoCloseable {
  private final ZipOutputStream zip;

  public SummedZip(OutputStream out) {
    zip = new ZipOutputStream(out, StandardCharsets.UTF_8);
  }

  /** What a file holds. */
  public interface Content {
    void into(OutputStream out) throws IOException;
  }

  /** What a file came to. */
  public record Sum(String sha256, long bytes) {}

  /** Writes a file; {@code packed} ones are not packed again. */
  public Sum put(String path, boolean packed, Content content) throws IOException {
    zip.setLevel(packed ? Deflater.NO_COMPRESSION : Deflater.BEST_SPEED);
    zip.putNextEntry(new ZipEntry(path));
    Sum sum = sum(content, zip);
    zip.closeEntry();
    return sum;
  }

  /** What a file would come to. */
  public static Sum of(Content content) throws IOException {
    return sum(content, OutputStream.nullOutputStream());
  }

  private static Sum sum(Content content, OutputStream to) throws IOException {
    Counted counted = new Counted(to);
    MessageDigest digest = sha256();
    content.into(new DigestOutputStream(counted, digest));
    return new Sum(HexFormat.of().formatHex(digest.digest()), counted.bytes);
  }

  static MessageDigest sha256() {
    try {
      return MessageDigest.getInstance("SHA-256");
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("Every Java has SHA-256", e);
    }
  }

  @Override
  public void close() throws IOException {
    zip.close();
  }

  /** Counts, and leaves the end to whoever goes on writing. */
  private static final class Counted extends FilterOutputStream {
    private long bytes;

    Counted(OutputStream out) {
      super(out);
    }

    @Override
    public void write(int b) throws IOException {
      out.write(b);
      bytes++;
    }

    @Override
    public void write(byte[] b, int from, int length) throws IOException {
      out.write(b, from, length);
      bytes += length;
    }

    @Override
    public void close() throws IOException {
      flush();
    }
  }
}
