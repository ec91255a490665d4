package kite.server.render;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import kite.core.number.Rate;
import kite.core.number.Timecode;
import org.springframework.stereotype.Component;

/**
 * Makes one H.264 film, with the timecode of its first frame, of a folder's pictures or of pieces
 * that a page encoded; by ffmpeg. Colours are BT.709 with the sRGB curve, and the file says so.
 */
@Component
class Film {
  static final String NAME = "film.mp4";
  private static final int MOST_MINUTES = 20;

  /** The film as a moving picture, for where films are not shown. */
  private static final String MOVING = "film.webp";

  /** How wide a moving picture is at the most, pixels. */
  private static final int MOVING_PX = 640;

  private static final List<String> COLOURS =
      List.of(
          "-colorspace",
          "bt709",
          "-color_primaries",
          "bt709",
          "-color_trc",
          "iec61966-2-1",
          "-color_range",
          "tv");

  /**
   * @param type of the pictures, {@code png} or {@code jpg}, which are numbered from 00001
   * @param frames that the film has to have
   * @param first frame that the timecode counts from
   * @throws IOException with ffmpeg's last words when it fails, or when frames are missing
   */
  void ofPictures(Path folder, String type, int frames, Rate rate, int first)
      throws IOException, InterruptedException {
    List<String> command = begun(rate);
    command.addAll(
        List.of(
            "-i",
            "%05d." + type,
            "-vf",
            "pad=ceil(iw/2)*2:ceil(ih/2)*2,scale=out_color_matrix=bt709:out_range=tv",
            "-c:v",
            "libx264",
            "-pix_fmt",
            "yuv420p",
            "-crf",
            "18"));
    command.addAll(COLOURS);
    finish(folder, command, frames, rate, first);
  }

  /**
   * @param pieces files in the folder, in order: H.264 as a stream of its own (Annex B), each
   *     beginning with a key frame
   */
  void ofPieces(Path folder, List<String> pieces, int frames, Rate rate, int first)
      throws IOException, InterruptedException {
    Path whole = folder.resolve("film.h264");
    try (OutputStream out = Files.newOutputStream(whole)) {
      for (String piece : pieces) Files.copy(folder.resolve(piece), out);
    }
    try {
      List<String> command = begun(rate);
      command.addAll(
          List.of(
              "-f",
              "h264",
              "-i",
              "film.h264",
              "-c:v",
              "copy")); // how its colours are to be understood stands in it
      finish(folder, command, frames, rate, first);
    } finally {
      Files.deleteIfExists(whole);
    }
  }

  /** The moving picture of a film that is there; made when it is first asked for. */
  synchronized Path moving(Path folder) throws IOException, InterruptedException {
    Path there = folder.resolve(MOVING);
    if (Files.isRegularFile(there)) return there;
    String part = "part-" + MOVING;
    run(
        folder,
        List.of(
            "ffmpeg",
            "-y",
            "-loglevel",
            "error",
            "-i",
            NAME,
            "-vf",
            "scale='min(" + MOVING_PX + ",iw)':-2",
            "-c:v",
            "libwebp_anim",
            "-loop",
            "0",
            "-q:v",
            "75",
            part));
    return Files.move(folder.resolve(part), there, StandardCopyOption.REPLACE_EXISTING);
  }

  private static List<String> begun(Rate rate) {
    return new ArrayList<>(
        List.of("ffmpeg", "-y", "-loglevel", "error", "-framerate", asText(rate)));
  }

  private static String asText(Rate rate) {
    return rate.numerator() + "/" + rate.denominator();
  }

  private static void finish(Path folder, List<String> command, int frames, Rate rate, int first)
      throws IOException, InterruptedException {
    String part = "part-" + NAME;
    command.addAll(
        List.of(
            "-timecode", Timecode.of(Math.max(0, first), rate), "-movflags", "+faststart", part));
    run(folder, command);
    String counted =
        run(
            folder,
            List.of(
                "ffprobe",
                "-v",
                "error",
                "-select_streams",
                "v:0",
                "-count_packets",
                "-show_entries",
                "stream=nb_read_packets",
                "-of",
                "csv=p=0",
                part));
    if (!counted.equals("" + frames))
      throw new IOException("the film has " + counted + " frames instead of " + frames);
    Files.move(folder.resolve(part), folder.resolve(NAME), StandardCopyOption.REPLACE_EXISTING);
  }

  /** What a command said, without the white space about it. */
  private static String run(Path folder, List<String> command)
      throws IOException, InterruptedException {
    Path log = folder.resolve("film.log");
    Process p;
    try {
      p =
          new ProcessBuilder(command)
              .directory(folder.toFile())
              .redirectErrorStream(true)
              .redirectOutput(log.toFile())
              .start();
    } catch (IOException e) {
      throw new IOException(
          command.get(0) + " cannot be run here; install Debian's package ffmpeg", e);
    }
    if (!p.waitFor(MOST_MINUTES, TimeUnit.MINUTES)) {
      p.destroyForcibly();
      throw new IOException("making the film took more than " + MOST_MINUTES + " minutes");
    }
    String said = Files.readString(log).strip();
    if (p.exitValue() != 0) throw new IOException("the film could not be made: " + said);
    return said;
  }
}
