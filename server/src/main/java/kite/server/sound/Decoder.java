package kite.server.sound;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import kite.core.number.NumberText;
import kite.exchange.BadFile;
import kite.exchange.Json;
import kite.exchange.Names;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;

/**
 * Decodes sound files by ffmpeg, which is told the form and may open nothing but the file. What
 * comes of it is the same for all: {@value #RATE} samples a second, two channels, 16 bits each with
 * the low byte first.
 */
@Component
class Decoder {
  static final int RATE = 48_000, CHANNELS = 2, SAMPLE_BYTES = 2 * CHANNELS;

  /** Bytes that are read of a file. */
  static final long LARGEST_FILE = 200L << 20;

  static final int MOST_CHANNELS = 8;

  static final int LONGEST_S = 2 * 60 * 60;

  private static final int MOST_MINUTES = 10;

  /** A second's peaks: enough for the widest lane. */
  static final int PEAKS_A_SECOND = 100;

  /** A file that says it is this much longer than it is was cut short, seconds. */
  private static final double MISSING_S = 0.25;

  private static final int LOUDEST_PEAK = 255;

  private static final double MINUTE_S = 60;

  /**
   * What a file says of itself.
   *
   * @param seconds as a reader finds them; NaN where none does
   * @param declared as it says itself
   */
  record Said(SoundForm form, int channels, int rate, double seconds, double declared) {}

  /**
   * What a recording is once it is decoded.
   *
   * @param peaks for each {@value #PEAKS_A_SECOND}th of a second how loud it gets, 0 to 255
   */
  record Decoded(double seconds, byte[] peaks) {}

  /**
   * @param name for sentences
   * @throws BadFile when it is no sound that is taken
   */
  Said look(String name, Path file) throws BadFile, IOException {
    if (Files.size(file) > LARGEST_FILE)
      throw new BadFile(
          named(name) + " is larger than " + (LARGEST_FILE >> 20) + " MB. Bring it in as FLAC.");
    SoundForm form = SoundForm.of(file);
    if (form == null)
      throw new BadFile(
          named(name) + " is no sound that is read here. Bring in WAV, FLAC, MP3 or OGG.");
    List<String> command = new ArrayList<>(List.of("ffprobe", "-v", "error"));
    command.addAll(only(form, file));
    command.addAll(
        List.of(
            "-select_streams",
            "a:0",
            "-show_entries",
            "stream=channels,sample_rate,duration:format=duration",
            "-of",
            "json"));
    Said said = said(form, json(run(command, file)));
    if (said == null) throw new BadFile(named(name) + " has no sound in it that can be read.");
    if (said.channels() > MOST_CHANNELS)
      throw new BadFile(
          named(name)
              + " has "
              + said.channels()
              + " channels; up to "
              + MOST_CHANNELS
              + " are read. Mix it down first.");
    if (said.seconds() > LONGEST_S) throw tooLong(name, said.seconds());
    double wav = form == SoundForm.WAV ? WavHeader.seconds(file) : Double.NaN;
    return Double.isNaN(wav)
        ? said
        : new Said(form, said.channels(), said.rate(), said.seconds(), wav);
  }

  private static BadFile tooLong(String name, double seconds) {
    return new BadFile(
        named(name)
            + " lasts "
            + NumberText.rounded(seconds / MINUTE_S, 0)
            + " minutes; up to "
            + NumberText.rounded(LONGEST_S / MINUTE_S, 0)
            + " are read. Cut out what is needed.");
  }

  private static Said said(SoundForm form, JsonNode all) {
    JsonNode stream = all.path("streams").path(0);
    int channels = stream.path("channels").asInt(0);
    if (channels < 1) return null;
    double seconds = number(stream.path("duration"));
    if (Double.isNaN(seconds)) seconds = number(all.path("format").path("duration"));
    int rate = (int) number(stream.path("sample_rate"));
    return new Said(form, channels, rate, seconds, seconds);
  }

  private static double number(JsonNode text) {
    try {
      return Double.parseDouble(text.asString(""));
    } catch (NumberFormatException e) {
      return Double.NaN; // "N/A"
    }
  }

  /**
   * Decodes a file.
   *
   * @param to where the samples are written
   * @throws BadFile when nothing comes of it, or too much
   */
  Decoded decode(String name, Path file, Said said, Path to) throws BadFile, IOException {
    List<String> command = new ArrayList<>(List.of("ffmpeg", "-v", "error", "-nostdin", "-y"));
    command.addAll(only(said.form(), file));
    command.addAll(
        List.of(
            "-map",
            "0:a:0",
            "-t",
            Integer.toString(LONGEST_S + 1),
            // one channel is heard on both sides as loud as it is
            "-af",
            said.channels() == 1 ? "pan=stereo|c0=c0|c1=c0" : "aformat=channel_layouts=stereo",
            "-ar",
            Integer.toString(RATE),
            "-f",
            "s16le",
            "file:" + to.toAbsolutePath()));
    run(command, file);
    long samples = Files.exists(to) ? Files.size(to) / SAMPLE_BYTES : 0;
    if (samples == 0) throw new BadFile(named(name) + " has no sound in it that can be read.");
    double seconds = samples / (double) RATE;
    if (seconds > LONGEST_S) throw tooLong(name, seconds);
    return new Decoded(seconds, peaks(to));
  }

  /** What is to be said of a file that has less than it says; null where it has all. */
  static String cutShort(Said said, Decoded decoded) {
    return said.declared() - decoded.seconds() > MISSING_S
        ? "It says that it lasts "
            + NumberText.rounded(said.declared(), 1)
            + " s, and ends after "
            + NumberText.rounded(decoded.seconds(), 1)
            + ": it was cut short. What is there was taken."
        : null;
  }

  private static byte[] peaks(Path samples) throws IOException {
    int each = RATE / PEAKS_A_SECOND;
    byte[] peaks = new byte[(int) ((Files.size(samples) / SAMPLE_BYTES + each - 1) / each)];
    byte[] some = new byte[each * SAMPLE_BYTES];
    try (InputStream in =
        new BufferedInputStream(Files.newInputStream(samples), some.length * 16)) {
      for (int i = 0; i < peaks.length; i++) {
        int read = in.readNBytes(some, 0, some.length), loudest = 0;
        for (int k = 0; k + 1 < read; k += 2)
          loudest = Math.max(loudest, Math.abs((some[k + 1] << 8) | (some[k] & 0xFF)));
        peaks[i] = (byte) Math.round((float) loudest * LOUDEST_PEAK / (Short.MAX_VALUE + 1));
      }
    }
    return peaks;
  }

  private static String named(String name) {
    return "“" + Names.shown(name) + "”";
  }

  /** The file as the only thing that is opened, in its form alone. */
  private static List<String> only(SoundForm form, Path file) {
    return List.of(
        "-protocol_whitelist", "file", "-f", form.reader, "-i", "file:" + file.toAbsolutePath());
  }

  private static JsonNode json(String text) {
    try {
      return Json.MAPPER.readTree(text);
    } catch (JacksonException e) {
      return Json.MAPPER.createObjectNode(); // nothing could be told
    }
  }

  /** What a command says; of one that fails, what it had made by then is what there is. */
  private static String run(List<String> command, Path beside) throws BadFile, IOException {
    Path out = Files.createTempFile(beside.toAbsolutePath().getParent(), "said", "");
    try {
      Process p = begin(command, out);
      if (!p.waitFor(MOST_MINUTES, TimeUnit.MINUTES)) {
        p.destroyForcibly();
        throw new BadFile("Reading it took more than " + MOST_MINUTES + " minutes.");
      }
      return Files.readString(out);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IOException("The server ends", e);
    } finally {
      Files.deleteIfExists(out);
    }
  }

  private static Process begin(List<String> command, Path out) throws IOException {
    try {
      return new ProcessBuilder(command)
          .redirectError(ProcessBuilder.Redirect.DISCARD)
          .redirectOutput(out.toFile())
          .start();
    } catch (IOException e) {
      throw new IOException(
          command.get(0) + " cannot be run here; install Debian's package ffmpeg", e);
    }
  }
}
