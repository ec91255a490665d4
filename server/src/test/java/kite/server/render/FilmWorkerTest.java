package kite.server.render;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.awt.Color;
import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import javax.imageio.ImageIO;
import kite.core.document.Sequence;
import kite.core.form.SequenceJson;
import kite.demo.SaltWind;
import kite.server.output.FoldersForTests;
import kite.server.output.OutputStore;
import kite.server.sound.SoundMix;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class FilmWorkerTest {
  private static final int FRAMES = 3, WIDTH = 640, HEIGHT = 360;
  @TempDir Path folder;

  /** A job of three green pictures from the sequence's second frame on. */
  private RenderJob job(OutputStore output, Boolean slate) throws Exception {
    Sequence s = new SaltWind().sw010();
    RenderJob job = new RenderJob();
    job.id = UUID.randomUUID();
    job.label = "SW010_0010";
    job.document = SequenceJson.write(s);
    int first = s.header().firstFrame() + 1;
    job.shots =
        Shot.write(List.of(new Shot("camA", first, first + FRAMES - 1, "SW010_0010", null)));
    job.askedAt = Instant.parse("2026-01-02T03:04:05Z");
    job.askedBy = "pim";
    job.numbered = 2;
    job.width = WIDTH;
    job.height = HEIGHT;
    job.framesTotal = FRAMES;
    job.state = RenderJob.State.WORKING;
    job.burnIn = new BurnIn(Map.of(), slate).write();
    BufferedImage green = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
    for (int y = 0; y < HEIGHT; y++)
      for (int x = 0; x < WIDTH; x++) green.setRGB(x, y, Color.GREEN.getRGB());
    for (int i = 1; i <= FRAMES; i++) {
      Path picture = folder.resolve("green.png");
      ImageIO.write(green, "png", picture.toFile());
      output.put(job.id, FrameFiles.picture(i), picture);
    }
    return job;
  }

  private Path film(Boolean slate) throws Exception {
    Path root = Files.createDirectory(folder.resolve("out-" + slate));
    OutputStore output = FoldersForTests.store(root);
    RenderJob job = job(output, slate);
    RenderJobs jobs = mock(RenderJobs.class);
    when(jobs.findById(job.id)).thenReturn(Optional.of(job));
    Ending ending = mock(Ending.class);
    Film film = new Film(output, mock(SoundMix.class));
    new FilmWorker(jobs, output, film, ending).make(job.id);
    verify(ending).done(job.id);
    assertEquals(FRAMES + 1, output.names(job.id).size(), "the pictures and the film, no more");
    return output.get(job.id, Film.NAME).getFile().toPath();
  }

  private static String run(String... command) throws Exception {
    Process p = new ProcessBuilder(command).redirectErrorStream(true).start();
    String said = new String(p.getInputStream().readAllBytes()).strip();
    assertEquals(0, p.waitFor(), said);
    return said;
  }

  private static String timecode(Path film) throws Exception {
    return run(
        "ffprobe",
        "-v",
        "error",
        "-show_entries",
        "stream_tags=timecode",
        "-of",
        "csv=p=0",
        "-select_streams",
        "v",
        film.toString());
  }

  private BufferedImage frame(Path film, int index) throws Exception {
    Path png = folder.resolve("frame" + index + ".png");
    run(
        "ffmpeg",
        "-y",
        "-loglevel",
        "error",
        "-i",
        film.toString(),
        "-vf",
        "select=eq(n\\," + index + ")",
        "-frames:v",
        "1",
        png.toString());
    return ImageIO.read(png.toFile());
  }

  private static boolean isGreen(BufferedImage i, int x, int y) {
    Color c = new Color(i.getRGB(x, y));
    return c.getGreen() > 200 && c.getRed() < 60 && c.getBlue() < 60;
  }

  @Test
  void aSlateGoesInFrontAndTakesOneFrameOfTheTimecode() throws Exception {
    Path film = film(true);
    assertEquals("00:00:00:00", timecode(film));
    BufferedImage slate = frame(film, 0);
    assertTrue(!isGreen(slate, 2, 2), "its ground");
    assertTrue(isGreen(slate, WIDTH / 4, HEIGHT / 2), "the middle picture in it");
    for (int i = 1; i <= FRAMES; i++) assertTrue(isGreen(frame(film, i), 2, 2), "frame " + i);
  }

  @Test
  void withoutOneTheFilmBeginsWithItsFirstPicture() throws Exception {
    Path film = film(null);
    assertEquals("00:00:00:01", timecode(film));
    assertTrue(isGreen(frame(film, 0), 2, 2));
  }
}
