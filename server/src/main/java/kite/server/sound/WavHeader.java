package kite.server.sound;

import java.io.BufferedInputStream;
import java.io.DataInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;

/**
 * How long a WAV file says it is: readers go by how long it is. The data's length over the bytes of
 * a second, as its chunks give them (RIFF).
 */
final class WavHeader {
  private static final int RIFF_HEAD = 12, CHUNK_HEAD = 8, FORMAT = 16, BYTES_A_SECOND_AT = 8;

  /** What a length that nobody knew when the file was begun is written as. */
  private static final long UNKNOWN = 0xFFFFFFFFL;

  private static final long UNSIGNED = 0xFFFFFFFFL;

  private WavHeader() {}

  /** Seconds; NaN where the file does not say. */
  static double seconds(Path file) throws IOException {
    try (DataInputStream in =
        new DataInputStream(new BufferedInputStream(Files.newInputStream(file)))) {
      in.skipNBytes(RIFF_HEAD);
      double bytesASecond = Double.NaN;
      while (true) {
        ByteBuffer head = read(in, CHUNK_HEAD);
        String name = new String(head.array(), 0, 4, StandardCharsets.ISO_8859_1);
        long length = head.getInt(4) & UNSIGNED;
        if (name.equals("data"))
          return length == 0 || length == UNKNOWN ? Double.NaN : length / bytesASecond;
        long left = length + (length & 1); // chunks begin on even places
        if (name.equals("fmt ") && length >= FORMAT) {
          bytesASecond = read(in, FORMAT).getInt(BYTES_A_SECOND_AT) & UNSIGNED;
          left -= FORMAT;
        }
        in.skipNBytes(left);
      }
    } catch (EOFException e) {
      return Double.NaN; // it ends before it has said it
    }
  }

  private static ByteBuffer read(DataInputStream in, int bytes) throws IOException {
    byte[] some = new byte[bytes];
    in.readFully(some);
    return ByteBuffer.wrap(some).order(ByteOrder.LITTLE_ENDIAN);
  }
}
