package kite.server.sound;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.RandomAccessFile;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import kite.exchange.BadFile;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class DecoderTest {
  @TempDir Path folder;
  private final Decoder decoder = new Decoder();

  private Decoder.Decoded decoded(Path file) throws Exception {
    return decoder.decode("a", file, decoder.look("a", file), folder.resolve("samples"));
  }

  private String refused(Path file) {
    BadFile e = assertThrows(BadFile.class, () -> decoded(file));
    return e.getMessage();
  }

  private Path tone(double seconds, int channels, int rate) throws Exception {
    return TestSounds.wav(
        folder.resolve("tone"), seconds, channels, rate, TestSounds.sine(440, 0.5));
  }

  @ParameterizedTest
  @ValueSource(strings = {".wav", ".flac", ".mp3", ".ogg"})
  void everyFormIsDecodedAsLoudAndAsLongAsItIs(String form) throws Exception {
    Path file = TestSounds.as(tone(2, 2, 44100), form);
    Decoder.Said said = decoder.look("tone", file);
    assertEquals(2, said.channels());
    assertEquals(44100, said.rate());
    Decoder.Decoded d = decoded(file);
    assertEquals(2, d.seconds(), form.equals(".mp3") ? 0.06 : 0.001); // MP3 comes in whole blocks
    assertNull(Decoder.cutShort(said, d));
    assertEquals(0.5 * 255, d.peaks()[100] & 0xFF, form.equals(".wav") ? 1 : 8);
    assertEquals(Math.ceil(d.seconds() * 100), d.peaks().length, 1);
  }

  @Test
  void oneChannelIsHeardOnBothSidesAsLoudAsItIs() throws Exception {
    Path samples = folder.resolve("samples");
    decoded(tone(1, 1, 48000));
    ByteBuffer b = ByteBuffer.wrap(Files.readAllBytes(samples)).order(ByteOrder.LITTLE_ENDIAN);
    assertEquals(48000 * Decoder.SAMPLE_BYTES, b.capacity());
    for (int i = 0; i < 48000; i++) {
      double wanted = 0.5 * Short.MAX_VALUE * Math.sin(2 * Math.PI * 440 * i / 48000.0);
      assertEquals(wanted, b.getShort(), 1.5);
      assertEquals(wanted, b.getShort(), 1.5);
    }
  }

  @ParameterizedTest
  @ValueSource(strings = {".wav", ".flac"})
  void whatIsCutShortIsTakenAndSaid(String form) throws Exception {
    Path whole =
        TestSounds.as(
            TestSounds.wav(
                folder.resolve("noise"),
                10,
                2,
                48000,
                t -> new Random((long) (t * 48000)).nextDouble() - 0.5),
            form);
    Path file = TestSounds.cut(whole, Files.size(whole) / 3);
    Decoder.Said said = decoder.look("noise", file);
    Decoder.Decoded d = decoded(file);
    assertEquals(10 / 3.0, d.seconds(), 0.2);
    String says = Decoder.cutShort(said, d);
    assertNotNull(says);
    assertTrue(says.startsWith("It says that it lasts 10 s, and ends after 3."), says);
  }

  @Test
  void whatIsNoSoundIsSaidToBeNone() throws Exception {
    Path picture =
        Files.write(folder.resolve("a.wav"), new byte[] {(byte) 0x89, 'P', 'N', 'G', 13, 10});
    assertTrue(refused(picture).contains("is no sound that is read here"), refused(picture));
    Path photo = Files.write(folder.resolve("b.mp3"), new byte[] {(byte) 0xFF, (byte) 0xD8, 1, 2});
    assertTrue(refused(photo).contains("is no sound that is read here"));
    Path empty = Files.write(folder.resolve("c.wav"), new byte[0]);
    assertTrue(refused(empty).contains("is no sound"));
    Path head = Files.write(folder.resolve("d.flac"), "fLaC and nothing else".getBytes());
    assertTrue(refused(head).contains("has no sound in it that can be read"), refused(head));
    byte[] noise = new byte[5000];
    new Random(3).nextBytes(noise);
    System.arraycopy("OggS".getBytes(), 0, noise, 0, 4);
    assertTrue(refused(Files.write(folder.resolve("e.ogg"), noise)).contains("has no sound in it"));
  }

  @Test
  void sixtyFourChannelsAreRefusedWithWhatIsRead() throws Exception {
    String says = refused(tone(0.1, 64, 8000));
    assertEquals("“a” has 64 channels; up to 8 are read. Mix it down first.", says);
    assertEquals(0.1, decoded(tone(0.1, 8, 8000)).seconds(), 0.001);
  }

  @Test
  void tenHoursAreRefusedBeforeAnythingIsDecoded() throws Exception {
    // MP3 of 8 kbit/s: ten hours of one block over and over
    Path block =
        TestSounds.as(
            tone(3, 1, 8000), ".mp3", "-b:a", "8k", "-write_xing", "0", "-id3v2_version", "0");
    byte[] one = Files.readAllBytes(block);
    Path file = folder.resolve("long.mp3");
    try (RandomAccessFile to = new RandomAccessFile(file.toFile(), "rw")) {
      while (to.length() < 36_000_000) {
        to.seek(to.length());
        to.write(one);
      }
    }
    String says = refused(file);
    assertTrue(
        says.matches("“a” lasts \\d+ minutes; up to 120 are read\\. Cut out what is needed\\."),
        says);
  }

  /** A list of other files is no sound: what it names is not opened. */
  @Test
  void nothingButTheFileIsOpened() throws Exception {
    Path secret = tone(1, 1, 8000);
    Path list =
        Files.writeString(
            folder.resolve("list.ogg"), "ffconcat version 1.0\nfile '" + secret + "'\n");
    assertTrue(refused(list).contains("is no sound that is read here"));
    Path dressed =
        Files.writeString(
            folder.resolve("list.wav"),
            "RIFF0000WAVEffconcat version 1.0\nfile '" + secret + "'\n");
    assertTrue(refused(dressed).contains("has no sound in it"), refused(dressed));
  }
}
