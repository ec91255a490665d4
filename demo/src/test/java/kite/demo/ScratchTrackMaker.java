package kite.demo;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;

/**
 * Makes the scratch track of SW010 and SW030, wind and sea with a plucked tune: run it after
 * changing it. It writes a WAV file; ffmpeg makes the small one that is kept.
 */
final class ScratchTrackMaker {
  private static final int RATE = 48_000, SECONDS = 16;
  private static final double TWO_PI = 2 * Math.PI;

  private ScratchTrackMaker() {}

  public static void main(String[] args) throws Exception {
    float[][] sound = new float[2][RATE * SECONDS];
    for (int side = 0; side < 2; side++) {
      wind(sound[side], new Random(31 + side));
      sea(sound[side], new Random(7 + side), side * 0.7);
    }
    double[] tune = {293.66, 349.23, 392, 440, 523.25, 440, 392, 349.23, 293.66, 392, 440, 587.33};
    Random r = new Random(11);
    for (int i = 0; i < tune.length; i++)
      pluck(sound, tune[i], 0.5 + i * 1.2, i % 2 == 0 ? 0.35 : 0.6, r);
    bell(sound, 10.9);
    Path wav = Files.createTempFile("scratch", ".wav");
    write(sound, wav);
    Path to = Path.of("src/main/resources/sounds/salt_wind_scratch.ogg");
    Files.createDirectories(to.getParent());
    int ended =
        new ProcessBuilder(
                "ffmpeg",
                "-y",
                "-loglevel",
                "error",
                "-i",
                wav.toString(),
                "-map_metadata",
                "-1",
                "-c:a",
                "libvorbis",
                "-q:a",
                "3",
                to.toString())
            .inheritIO()
            .start()
            .waitFor();
    Files.delete(wav);
    if (ended != 0) throw new IOException("ffmpeg ended with " + ended);
  }

  /** Noise through a low pass, that comes and goes. */
  private static void wind(float[] to, Random r) {
    double low = 0, lower = 0;
    for (int i = 0; i < to.length; i++) {
      double t = i / (double) RATE;
      double gust = 0.55 + 0.3 * Math.sin(TWO_PI * t / 5.3) + 0.15 * Math.sin(TWO_PI * t / 2.1 + 1);
      double open = 0.01 + 0.03 * gust * gust;
      low += open * (r.nextGaussian() - low);
      lower += open * (low - lower);
      to[i] += (float) (0.9 * gust * lower);
    }
  }

  /** Waves that run up under the pier, each with its hiss. */
  private static void sea(float[] to, Random r, double late) {
    double low = 0;
    for (int i = 0; i < to.length; i++) {
      double t = i / (double) RATE + late, phase = t / 3.9 - Math.floor(t / 3.9);
      double swell = Math.exp(-6 * phase) * Math.min(1, phase * 20);
      low += 0.25 * (r.nextGaussian() - low);
      to[i] += (float) (0.12 * swell * low);
    }
  }

  /** A string that was plucked: noise that runs round in a delay and is smoothed each time. */
  private static void pluck(float[][] to, double hertz, double at, double right, Random r) {
    int length = (int) Math.round(RATE / hertz), begin = (int) (at * RATE);
    float[] string = new float[length];
    for (int i = 0; i < length; i++) string[i] = (float) (r.nextDouble() * 2 - 1);
    for (int i = 0; i < RATE * 3 && begin + i < to[0].length; i++) {
      int k = i % length, next = (k + 1) % length;
      float now = string[k];
      string[k] = 0.4985f * (now + string[next]);
      to[0][begin + i] += (float) (0.16 * (1 - right) * now);
      to[1][begin + i] += (float) (0.16 * right * now);
    }
  }

  /** The bell of the lighthouse, far away. */
  private static void bell(float[][] to, double at) {
    double[] parts = {1, 2.0, 2.4, 3.0, 4.5};
    for (int i = (int) (at * RATE); i < to[0].length; i++) {
      double t = i / (double) RATE - at, sum = 0;
      for (int k = 0; k < parts.length; k++)
        sum += Math.sin(TWO_PI * 311 * parts[k] * t) * Math.exp(-t * (0.7 + k * 0.5)) / (1 + k);
      for (float[] side : to) side[i] += (float) (0.07 * sum);
    }
  }

  private static void write(float[][] sound, Path to) throws IOException {
    float most = 0;
    for (float[] side : sound) for (float x : side) most = Math.max(most, Math.abs(x));
    ByteBuffer b = ByteBuffer.allocate(sound[0].length * 4).order(ByteOrder.LITTLE_ENDIAN);
    for (int i = 0; i < sound[0].length; i++)
      for (float[] side : sound)
        b.putShort((short) Math.round(side[i] / most * 0.7 * Short.MAX_VALUE));
    AudioInputStream all =
        new AudioInputStream(
            new ByteArrayInputStream(b.array()),
            new AudioFormat(RATE, 16, 2, true, false),
            sound[0].length);
    AudioSystem.write(all, AudioFileFormat.Type.WAVE, to.toFile());
  }
}
