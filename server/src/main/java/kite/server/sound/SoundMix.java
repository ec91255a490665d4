package kite.server.sound;

import java.io.BufferedInputStream;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import kite.core.cut.Heard;
import kite.core.cut.Programme;
import kite.core.document.Sequence;
import org.springframework.stereotype.Component;

/**
 * Mixes what is heard in stretches of the programme, one after the other. Samples are added; what
 * is louder than 16 bits hold is cut off there.
 */
@Component
public class SoundMix {
  public static final int RATE = Decoder.RATE, CHANNELS = Decoder.CHANNELS;

  /** What is mixed at a time, seconds. */
  private static final int PIECE_S = 5;

  /**
   * Frames of the programme.
   *
   * @param first NaN for frames that are silent
   */
  public record Stretch(double first, int frames) {}

  private final Recordings recordings;

  SoundMix(Recordings recordings) {
    this.recordings = recordings;
  }

  /** Whether anything is heard in some stretches. */
  public static boolean isHeard(Sequence s, List<Stretch> stretches) {
    for (Stretch t : stretches) if (!heard(s, t).isEmpty()) return true;
    return false;
  }

  /** The whole programme; nothing where nothing is heard in it. */
  public static List<Stretch> ofProgramme(Sequence s) {
    Programme p = Programme.of(s);
    List<Stretch> all = List.of(new Stretch(p.firstFrame(), p.lastFrame() - p.firstFrame() + 1));
    return p.isEmpty() || !isHeard(s, all) ? List.of() : all;
  }

  private static List<Heard> heard(Sequence s, Stretch t) {
    return Double.isNaN(t.first())
        ? List.of()
        : Heard.between(s, t.first(), t.first() + t.frames());
  }

  /**
   * Writes samples, {@value #RATE} a second, two channels, 16 bits each with the low byte first: as
   * many as the stretches last.
   */
  public void write(Sequence s, List<Stretch> stretches, Path to) throws IOException {
    double fps = s.header().rate().perSecond();
    long written = 0, frames = 0;
    try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(to))) {
      for (Stretch t : stretches) {
        frames += t.frames();
        // counted from the beginning: no stretch's rounding adds to another's
        long end = Math.round(frames / fps * RATE);
        write(heard(s, t), end - written, out);
        written = end;
      }
    }
  }

  /** The same as a WAV file. */
  public void wav(Sequence s, List<Stretch> stretches, OutputStream to) throws IOException {
    Path samples = Files.createTempFile("kite-mix", ".pcm");
    try {
      write(s, stretches, samples);
      try (InputStream in = new BufferedInputStream(Files.newInputStream(samples));
          AudioInputStream sound =
              new AudioInputStream(
                  in,
                  new AudioFormat(RATE, Short.SIZE, CHANNELS, true, false),
                  Files.size(samples) / Decoder.SAMPLE_BYTES)) {
        AudioSystem.write(sound, AudioFileFormat.Type.WAVE, to);
      }
    } finally {
      Files.deleteIfExists(samples);
    }
  }

  private void write(List<Heard> heard, long samples, OutputStream out) throws IOException {
    int piece = PIECE_S * RATE;
    for (long from = 0; from < samples; from += piece) {
      int count = (int) Math.min(piece, samples - from);
      float[] sum = new float[count * CHANNELS];
      for (Heard h : heard) add(h, from, count, sum);
      out.write(rounded(sum));
    }
  }

  /** Adds what of a sound falls into a piece. */
  private void add(Heard h, long from, int count, float[] sum) throws IOException {
    long begins = Math.round(h.afterS() * RATE), lasts = Math.round(h.lastsS() * RATE);
    long first = Math.max(from, begins), end = Math.min(from + count, begins + lasts);
    if (end <= first) return;
    long source = Math.round(h.fromS() * RATE) + first - begins;
    ByteBuffer its =
        ByteBuffer.wrap(recordings.read(h.recording(), source, (int) (end - first)))
            .order(ByteOrder.LITTLE_ENDIAN);
    List<Heard.Loudness> levels = new ArrayList<>(h.levels());
    for (int i = 0; its.remaining() >= Decoder.SAMPLE_BYTES; i++) {
      double at = (first - begins + i) / (double) RATE;
      while (levels.size() > 2 && levels.get(1).atS() <= at) levels.remove(0);
      float gain = (float) level(levels.get(0), levels.get(1), at);
      int o = (int) (first - from + i) * CHANNELS;
      for (int c = 0; c < CHANNELS; c++) sum[o + c] += gain * its.getShort();
    }
  }

  private static double level(Heard.Loudness a, Heard.Loudness b, double at) {
    double share = Math.max(0, Math.min(1, (at - a.atS()) / (b.atS() - a.atS())));
    return a.factor() + (b.factor() - a.factor()) * share;
  }

  private static byte[] rounded(float[] sum) {
    ByteBuffer b = ByteBuffer.allocate(sum.length * 2).order(ByteOrder.LITTLE_ENDIAN);
    for (float x : sum)
      b.putShort((short) Math.max(Short.MIN_VALUE, Math.min(Short.MAX_VALUE, Math.round(x))));
    return b.array();
  }
}
