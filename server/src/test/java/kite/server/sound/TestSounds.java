package kite.server.sound;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleUnaryOperator;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;

/** Sound files that tests make. */
final class TestSounds {
  private TestSounds() {}

  /**
   * A WAV file of 16 bits, the same in every channel.
   *
   * @param of what is heard at a second, −1 to 1
   */
  static Path wav(Path to, double seconds, int channels, int rate, DoubleUnaryOperator of)
      throws IOException {
    int samples = (int) Math.round(seconds * rate);
    ByteBuffer b = ByteBuffer.allocate(samples * channels * 2).order(ByteOrder.LITTLE_ENDIAN);
    for (int i = 0; i < samples; i++)
      for (int c = 0; c < channels; c++)
        b.putShort((short) Math.round(of.applyAsDouble(i / (double) rate) * Short.MAX_VALUE));
    AudioFormat format = new AudioFormat(rate, 16, channels, true, false);
    AudioInputStream all =
        new AudioInputStream(new ByteArrayInputStream(b.array()), format, samples);
    AudioSystem.write(all, AudioFileFormat.Type.WAVE, to.toFile());
    return to;
  }

  /** The same in another form, by its ending. */
  static Path as(Path wav, String ending, String... how) throws Exception {
    Path to = wav.resolveSibling(wav.getFileName() + ending);
    List<String> command = new ArrayList<>(List.of("ffmpeg", "-y", "-v", "error", "-i", wav + ""));
    command.addAll(List.of(how));
    command.add(to.toString());
    int ended = new ProcessBuilder(command).inheritIO().start().waitFor();
    if (ended != 0) throw new IOException("ffmpeg ended with " + ended);
    return to;
  }

  static DoubleUnaryOperator sine(double hertz, double amplitude) {
    return t -> amplitude * Math.sin(2 * Math.PI * hertz * t);
  }

  /** A file without its end. */
  static Path cut(Path file, long bytes) throws IOException {
    Path to = file.resolveSibling("cut-" + file.getFileName());
    byte[] all = Files.readAllBytes(file);
    Files.write(to, java.util.Arrays.copyOf(all, (int) bytes));
    return to;
  }
}
