package kite.server.sound;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.ShortBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import kite.core.document.Header;
import kite.core.document.Sequence;
import kite.core.document.Sound;
import kite.core.document.SoundTrack;
import kite.core.number.Rate;
import kite.demo.SaltWind;
import kite.server.asset.AssetKind;
import kite.server.asset.AssetStore;
import kite.server.sound.SoundMix.Stretch;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class SoundMixTest {
  private static final String RAMP = "ab".repeat(32);
  private static final int FRAME = 2000; // samples in one of 24 a second

  @TempDir Path folder;
  private Recordings recordings;
  private SoundMix mix;

  /** A recording of four seconds in which each sample says where it is: its number over eight. */
  @BeforeEach
  void recording() throws Exception {
    Path wav =
        TestSounds.wav(
            folder.resolve("ramp.wav"),
            4,
            2,
            48000,
            t -> Math.rint(t * 48000 / 8) / Short.MAX_VALUE);
    AssetStore assets = mock(AssetStore.class);
    when(assets.stored(RAMP))
        .thenReturn(new AssetStore.Stored(AssetKind.SOUND, "ramp", Files.readAllBytes(wav)));
    recordings = new Recordings(assets, new Decoder());
    mix = new SoundMix(recordings);
  }

  @AfterEach
  void end() throws Exception {
    recordings.destroy();
  }

  private static Sound sound(double at, double from, double lasts) {
    return new Sound("s", "s", "t", RAMP, 4, at, from, lasts, 0, false, 0, 0);
  }

  private static Sequence with(Sound... sounds) {
    Sequence s = new Sequence(new SaltWind().sw010().header(), Map.of());
    s = s.with(new SoundTrack("t", "t", "i", 0, false, false));
    for (Sound x : sounds) s = s.with(x);
    return s;
  }

  private static Sequence atNtsc(Sequence s) {
    Header h = s.header();
    return s.with(
        new Header(
            h.code(),
            h.title(),
            h.firstFrame(),
            h.lastFrame(),
            new Rate(24000, 1001),
            h.displayUnit(),
            h.gridM(),
            h.cameraPackage()));
  }

  /** The left side, sample by sample. */
  private short[] mixed(Sequence s, Stretch... stretches) throws Exception {
    Path to = folder.resolve("mix");
    mix.write(s, List.of(stretches), to);
    ShortBuffer b =
        ByteBuffer.wrap(Files.readAllBytes(to)).order(ByteOrder.LITTLE_ENDIAN).asShortBuffer();
    short[] left = new short[b.capacity() / 2];
    for (int i = 0; i < left.length; i++) {
      left[i] = b.get(2 * i);
      assertEquals(left[i], b.get(2 * i + 1));
    }
    return left;
  }

  @Test
  void eachSampleIsTheOneOfItsMoment() throws Exception {
    short[] heard = mixed(with(sound(1003, 0.5, 2)), new Stretch(1001, 72));
    assertEquals(72 * FRAME, heard.length);
    assertEquals(0, heard[2 * FRAME - 1]);
    for (int i = 0; i < 2 * 48000; i++)
      assertEquals(Math.rint((24000 + i) / 8.0), heard[2 * FRAME + i], 1);
    assertEquals(0, heard[2 * FRAME + 2 * 48000]);
  }

  /** What is rendered in shots sounds as the cut does there, at rates that are no whole number. */
  @Test
  void stretchesFollowEachOtherWithoutASampleTooManyOrTooFew() throws Exception {
    Sequence s = with(sound(1001, 0, 4));
    Sequence odd = atNtsc(s);
    short[] whole = mixed(odd, new Stretch(1001, 90));
    short[] parts = mixed(odd, new Stretch(1001, 17), new Stretch(1018, 31), new Stretch(1049, 42));
    assertEquals(whole.length, parts.length);
    for (int i = 0; i < whole.length; i++) assertEquals(whole[i], parts[i], 1);
    short[] gap = mixed(odd, new Stretch(Double.NaN, 5), new Stretch(1001, 10));
    int five = 10010; // samples in five frames: 5 × 2002
    for (int i = 0; i < five; i++) assertEquals(0, gap[i]);
    for (int i = 0; i < 2 * five; i++) assertEquals(whole[i], gap[five + i], 1);
  }

  @Test
  void soundsAreAddedAndWhatIsTooLoudIsCutOff() throws Exception {
    Sound x = sound(1001, 2, 1).withGainDb(6);
    short[] heard = mixed(with(x, x.withId("s2").withAt(1002)), new Stretch(1001, 24));
    double six = Math.pow(10, 6 / 20.0);
    assertEquals(12000 * six, heard[0], 2);
    assertEquals(Short.MAX_VALUE, heard[FRAME + 10]); // 12,250 and 12,000, each twice as loud
  }

  @Test
  void aFadeGoesStraight() throws Exception {
    Sound x = sound(1001, 2, 2).withFadeInS(1).withFadeOutS(0.5);
    short[] heard = mixed(with(x), new Stretch(1001, 48));
    assertEquals(0, heard[0]);
    assertEquals(0.25 * (96000 + 12000) / 8, heard[12000], 2);
    assertEquals((96000 + 60000) / 8.0, heard[60000], 1);
    assertEquals(0.5 * (96000 + 84000) / 8, heard[84000], 2);
  }

  @Test
  void whatIsHandedOverIsAWavFileOfTheSame() throws Exception {
    Sequence s = with(sound(1001, 0, 4));
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    mix.wav(s, List.of(new Stretch(1001, 24)), out);
    try (AudioInputStream in =
        AudioSystem.getAudioInputStream(new ByteArrayInputStream(out.toByteArray()))) {
      assertEquals(48000, in.getFrameLength());
      assertEquals(48000, in.getFormat().getSampleRate());
      Path to = folder.resolve("mix");
      mix.write(s, List.of(new Stretch(1001, 24)), to);
      assertArrayEquals(Files.readAllBytes(to), in.readAllBytes());
    }
  }

  @Test
  void nothingIsHeardWhereNothingIs() {
    Sequence s = with(sound(1050, 0, 1));
    assertFalse(SoundMix.isHeard(s, List.of(new Stretch(1001, 49))));
    assertTrue(SoundMix.isHeard(s, List.of(new Stretch(1001, 50))));
    assertFalse(SoundMix.isHeard(s, List.of(new Stretch(Double.NaN, 500))));
  }
}
