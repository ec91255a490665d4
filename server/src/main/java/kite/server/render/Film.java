package kite.server.render;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import java.util.function.UnaryOperator;
import javax.imageio.ImageIO;
import kite.core.document.Sequence;
import kite.core.form.SequenceJson;
import kite.core.number.Rate;
import kite.core.number.Timecode;
import kite.server.output.OutputStore;
import kite.server.output.Scratch;
import kite.server.sound.SoundMix;
import org.springframework.core.io.Resource;
import org.springframework.stereotype.Component;

/**
 * Makes one H.264 film, with the timecode of its first frame and what is heard in it, of a folder's
 * pictures or of pieces that a page encoded; by ffmpeg. Colours are BT.709 with the sRGB curve, and
 * the file says so.
 */
@Component
class Film {
  static final String NAME = "film.mp4";
  private static final int MOST_MINUTES = 20;

  /** The film as a moving picture, for where films are not shown. */
  private static final String MOVING = "film.webp";

  /** How wide a moving picture is at the most, pixels. */
  private static final int MOVING_PX = 640;

  private static final String SLATE = "slate.png";

  /** An even number of pixels each way, in the colours of a film. */
  private static final String FITTING =
      "pad=ceil(iw/2)*2:ceil(ih/2)*2,scale=out_color_matrix=bt709:out_range=tv";

  /** A slate, and pictures behind it. */
  private static final String BEHIND =
      "[0:v]F[a];[1:v]F[b];[a][b]concat=n=2:v=1[film]"
          .replace("F", FITTING + ",format=yuv420p,setsar=1");

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

  private final OutputStore output;
  private final SoundMix mix;

  Film(OutputStore output, SoundMix mix) {
    this.output = output;
    this.mix = mix;
  }

  /**
   * What a film has beside its pictures.
   *
   * @param first frame that the timecode counts from
   * @param every of so many frames one is in it; then it is as long as all of them, and has no
   *     timecode
   * @param sound what is heard in it
   * @param slate a picture of its size that goes in front; null for none
   */
  record About(
      Sequence document, int first, int every, List<SoundMix.Stretch> sound, BufferedImage slate) {
    static About of(RenderJob job) {
      Sequence s = SequenceJson.read(job.document);
      List<Shot> shots = Shot.read(job.shots);
      int first = shots.get(0).first() - s.header().firstFrame();
      int every = shots.stream().mapToInt(Shot::every).max().orElse(1);
      boolean even = shots.stream().allMatch(x -> x.every() > 0);
      // unevenly apart, each is seen for a second
      return new About(
          s, first, even ? every : s.header().rate().nominal(), Shot.heard(shots), null);
    }

    /** The same with a picture in front: everything begins one picture later. */
    About behind(BufferedImage slate) {
      List<SoundMix.Stretch> later = new ArrayList<>(sound);
      later.add(0, new SoundMix.Stretch(Double.NaN, every));
      return new About(document, first - 1, every, later, slate);
    }

    Rate rate() {
      return document.header().rate();
    }

    /** Pictures a second. */
    Rate pictures() {
      return new Rate(rate().numerator(), rate().denominator() * every);
    }
  }

  /**
   * @param pictures names of the job's pictures, all of one type, numbered from 00001
   * @param front what goes in front, made of a picture of the film; null for nothing
   * @throws IOException with ffmpeg's last words when it fails, or when frames are missing
   */
  void ofPictures(UUID job, List<String> pictures, About about, UnaryOperator<BufferedImage> front)
      throws IOException, InterruptedException {
    String name = pictures.get(0), type = name.substring(name.lastIndexOf('.'));
    try (Scratch from = output.bring(job, pictures);
        Scratch to = output.scratch()) {
      String all = from.folder().toAbsolutePath() + "/%05d" + type;
      String middle = pictures.get(pictures.size() / 2);
      About behind =
          front == null
              ? about
              : about.behind(front.apply(ImageIO.read(from.file(middle).toFile())));
      encode(job, to, List.of("-i", all), pictures.size(), behind);
    }
  }

  /** Encodes what a folder has, behind a slate where there is one. */
  private void encode(UUID job, Scratch to, List<String> of, int frames, About about)
      throws IOException, InterruptedException {
    List<String> command = begun(about.pictures());
    if (about.slate() != null) {
      ImageIO.write(about.slate(), "png", to.file(SLATE).toFile());
      command.addAll(List.of("-i", SLATE, "-framerate", asText(about.pictures())));
    }
    command.addAll(of);
    boolean heard = addSound(command, to, about);
    if (about.slate() == null) {
      command.addAll(List.of("-vf", FITTING));
    } else {
      command.addAll(List.of("-filter_complex", BEHIND, "-map", "[film]"));
      if (heard) command.addAll(List.of("-map", "2:a"));
    }
    command.addAll(List.of("-c:v", "libx264", "-pix_fmt", "yuv420p", "-crf", "18"));
    command.addAll(COLOURS);
    finish(job, to, command, about.slate() == null ? frames : frames + 1, about);
  }

  /**
   * @param pieces names of the job's files, in order: H.264 as a stream of its own (Annex B), each
   *     beginning with a key frame
   * @param front as above; with it the pictures are encoded once more
   */
  void ofPieces(
      UUID job, List<String> pieces, int frames, About about, UnaryOperator<BufferedImage> front)
      throws IOException, InterruptedException {
    try (Scratch from = output.bring(job, pieces);
        Scratch to = output.scratch()) {
      Path whole = to.file("film.h264");
      try (OutputStream out = Files.newOutputStream(whole)) {
        for (String piece : pieces) Files.copy(from.file(piece), out);
      }
      List<String> pictures = List.of("-f", "h264", "-i", "film.h264");
      if (front != null) {
        About behind = about.behind(front.apply(picture(to, pictures, frames / 2)));
        encode(job, to, pictures, frames, behind);
        return;
      }
      List<String> command = begun(about.pictures());
      command.addAll(pictures); // how its colours are to be understood stands in it
      addSound(command, to, about);
      command.addAll(List.of("-c:v", "copy"));
      finish(job, to, command, frames, about);
    }
  }

  private static BufferedImage picture(Scratch of, List<String> pictures, int number)
      throws IOException, InterruptedException {
    List<String> command = new ArrayList<>(List.of("ffmpeg", "-y", "-loglevel", "error"));
    command.addAll(pictures);
    String only = "select=eq(n\\," + number + ")";
    command.addAll(List.of("-vf", only, "-frames:v", "1", "middle.png"));
    run(of.folder(), command);
    return ImageIO.read(of.file("middle.png").toFile());
  }

  /** The moving picture of a film that is there; made when it is first asked for. */
  synchronized Resource moving(UUID job) throws IOException, InterruptedException {
    Resource there = output.get(job, MOVING);
    if (there != null) return there;
    try (Scratch from = output.bring(job, List.of(NAME));
        Scratch to = output.scratch()) {
      run(
          to.folder(),
          List.of(
              "ffmpeg",
              "-y",
              "-loglevel",
              "error",
              "-i",
              from.file(NAME).toAbsolutePath().toString(),
              "-vf",
              "scale='min(" + MOVING_PX + ",iw)':-2",
              "-c:v",
              "libwebp_anim",
              "-loop",
              "0",
              "-q:v",
              "75",
              MOVING));
      output.put(job, MOVING, to.file(MOVING));
    }
    return output.get(job, MOVING);
  }

  private static List<String> begun(Rate rate) {
    return new ArrayList<>(
        List.of("ffmpeg", "-y", "-loglevel", "error", "-framerate", asText(rate)));
  }

  private static String asText(Rate rate) {
    return rate.numerator() + "/" + rate.denominator();
  }

  /** What is heard, as another thing that goes in; nothing where the programme is silent there. */
  private boolean addSound(List<String> command, Scratch to, About about) throws IOException {
    if (!SoundMix.isHeard(about.document(), about.sound())) return false;
    Path mixed = to.file("sound.pcm");
    mix.write(about.document(), about.sound(), mixed);
    command.addAll(
        List.of(
            "-f",
            "s16le",
            "-ar",
            Integer.toString(SoundMix.RATE),
            "-ac",
            Integer.toString(SoundMix.CHANNELS),
            "-i",
            "sound.pcm",
            "-c:a",
            "aac",
            "-b:a",
            "192k"));
    return true;
  }

  private void finish(UUID job, Scratch to, List<String> command, int frames, About about)
      throws IOException, InterruptedException {
    Path folder = to.folder();
    if (about.every() == 1) command.addAll(List.of("-timecode", timecode(about)));
    command.addAll(List.of("-movflags", "+faststart", NAME));
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
                NAME));
    if (!counted.equals("" + frames))
      throw new IOException("the film has " + counted + " frames instead of " + frames);
    output.put(job, NAME, folder.resolve(NAME));
  }

  /** What comes before the first frame of all has the last timecodes of a day. */
  private static String timecode(About about) {
    Rate rate = about.rate();
    long day = Timecode.frame(23, 59, 59, rate.nominal() - 1, rate) + 1;
    return Timecode.of((int) Math.floorMod(about.first(), day), rate);
  }

  /** Why there is no film, as a sentence. */
  static String why(Exception e) {
    String says = e.getMessage() == null ? e.getClass().getSimpleName() : e.getMessage();
    return says.endsWith(".") ? says : says + ".";
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
