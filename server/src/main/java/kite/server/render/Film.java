package kite.server.render;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import kite.core.number.Rate;
import org.springframework.stereotype.Component;

/** Makes one H.264 film of a folder's pictures, with ffmpeg. */
@Component
class Film {
  static final String NAME = "film.mp4";

  /**
   * @throws IOException with ffmpeg's last words when it fails
   */
  void make(Path folder, Rate rate) throws IOException, InterruptedException {
    File log = folder.resolve("film.log").toFile();
    List<String> command =
        List.of(
            "ffmpeg",
            "-y",
            "-loglevel",
            "error",
            "-framerate",
            rate.numerator() + "/" + rate.denominator(),
            "-i",
            "%05d.png",
            "-vf",
            "pad=ceil(iw/2)*2:ceil(ih/2)*2",
            "-c:v",
            "libx264",
            "-pix_fmt",
            "yuv420p",
            "-crf",
            "18",
            "-movflags",
            "+faststart",
            NAME);
    Process p =
        new ProcessBuilder(command)
            .directory(folder.toFile())
            .redirectErrorStream(true)
            .redirectOutput(log)
            .start();
    if (!p.waitFor(20, TimeUnit.MINUTES)) {
      p.destroyForcibly();
      throw new IOException("making the film took more than 20 minutes");
    }
    if (p.exitValue() != 0)
      throw new IOException(
          "the film could not be made: " + Files.readString(log.toPath()).strip());
  }
}
