package kite.exchange.picture;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.FloatBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.TimeUnit;
import javax.imageio.ImageIO;
import kite.render.Layer;
import kite.render.Matte;
import kite.render.Picture;
import kite.render.Rendered;
import kite.render.ViewTransform;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Pictures as files, read back by readers that are not ours. */
class PictureFilesTest {
  private static final int W = 37, H = 21;
  @TempDir Path folder;

  private static float[] ramp(double from, double step) {
    float[] v = new float[W * H];
    for (int i = 0; i < v.length; i++) v[i] = (float) (from + step * i);
    return v;
  }

  private static Rendered rendered() {
    int[] which = new int[W * H * Matte.RANKS];
    float[] covers = new float[which.length];
    Arrays.fill(which, -1);
    for (int p = 0; p < W * H; p++) {
      which[p * Matte.RANKS] = p % 2;
      covers[p * Matte.RANKS] = 0.75f;
      which[p * Matte.RANKS + 1] = 1 - p % 2;
      covers[p * Matte.RANKS + 1] = 0.25f;
    }
    return new Rendered(
        new Picture(W, H, new int[W * H]),
        List.of(
            new Layer(
                "",
                List.of("R", "G", "B", "A"),
                new float[][] {ramp(0, 0.01), ramp(1, -0.001), ramp(0.5, 0), ramp(1, 0)}),
            new Layer("depth", List.of("Z"), new float[][] {ramp(1, 0.37)}),
            new Layer(
                "light.Lamp é.diffuse",
                List.of("R", "G", "B"),
                new float[][] {ramp(0, 1), ramp(0, 2), ramp(0, 3)})),
        List.of(new Matte("pieces", List.of("Oda", "Pim"), which, covers)),
        List.of());
  }

  private static ExrFacts facts() {
    double[] m = new double[16];
    for (int i = 0; i < 16; i++) m[i] = i;
    return new ExrFacts(
        "SW010",
        "0020",
        "B Along the stalls",
        "v3",
        1090,
        "01:02:03;04",
        new int[] {30000, 1001},
        35,
        2.8,
        4.25,
        180,
        m,
        m);
  }

  private static String ran(List<String> command) throws Exception {
    Process p = new ProcessBuilder(command).redirectErrorStream(true).start();
    byte[] said = p.getInputStream().readAllBytes();
    assertTrue(p.waitFor(1, TimeUnit.MINUTES));
    assertEquals(0, p.exitValue(), new String(said));
    return new String(said);
  }

  /**
   * Red, green or blue as ffmpeg reads it, in the form that it has: another would be clipped.
   *
   * @param layer "" for the picture itself
   */
  private FloatBuffer plane(Path file, String layer, int rgb) throws Exception {
    Path raw = folder.resolve("raw");
    ran(
        List.of(
            "ffmpeg",
            "-y",
            "-loglevel",
            "error",
            "-layer",
            layer,
            "-i",
            file.toString(),
            "-f",
            "rawvideo",
            raw.toString()));
    ByteBuffer b = ByteBuffer.wrap(Files.readAllBytes(raw)).order(ByteOrder.LITTLE_ENDIAN);
    int plane = rgb == 0 ? 2 : rgb - 1; // green, blue, red
    return b.asFloatBuffer().slice(plane * W * H, W * H);
  }

  @Test
  void otherReadersFindEveryLayerWithItsNumbers() throws Exception {
    Path file = folder.resolve("a.exr");
    ExrWriter.write(file, rendered(), false, facts());
    FloatBuffer red = plane(file, "", 0), green = plane(file, "", 1);
    for (int i = 0; i < W * H; i++) {
      assertEquals((float) (0.01 * i), red.get(i), 1e-6f * Math.max(1, i / 100f));
      assertEquals((float) (1 - 0.001 * i), green.get(i), 1e-6f);
    }
    assertEquals(2 * 100, plane(file, "light.Lamp é.diffuse", 1).get(100));
    assertEquals(0.75f, plane(file, "pieces00", 1).get(5));
    assertEquals(0, plane(file, "pieces01", 1).get(5));
  }

  @Test
  void aPassAFileHasTheSameNumbersForOtherReaders() throws Exception {
    Path file = folder.resolve("a.exr");
    ExrWriter.write(file, rendered(), true, facts());
    byte[] whole = Files.readAllBytes(file);
    Map<String, byte[]> parts =
        ExrParts.of(whole, layer -> layer.startsWith("pieces") ? "pieces" : layer);
    assertEquals(Set.of("", "depth", "light.Lamp é.diffuse", "pieces"), parts.keySet());
    Set<String> channels = new TreeSet<>();
    for (Map.Entry<String, byte[]> part : parts.entrySet()) {
      Path own = folder.resolve("part.exr");
      Files.write(own, part.getValue());
      String layer = part.getKey().equals("pieces") ? "pieces00" : part.getKey();
      if (!layer.equals("depth"))
        assertEquals(plane(file, layer, 1), plane(own, layer, 1), "as ffmpeg reads " + layer);
      for (String c : ExrReader.channels(part.getValue())) {
        assertTrue(channels.add(c), c + " is in one file only");
        float[] of = ExrReader.read(part.getValue(), c::equals).channels().get(c);
        assertArrayEquals(ExrReader.read(whole, c::equals).channels().get(c), of, c);
      }
      String said = ran(List.of("exrheader", own.toString()));
      assertTrue(said.contains("timeCode") && said.contains("worldToCamera"), said);
      assertEquals(layer.startsWith("pieces"), said.contains("cryptomatte"), said);
      if (layer.isEmpty()) assertTrue(said.contains("R, 16-bit floating-point"), said);
      if (layer.equals("depth")) assertTrue(said.contains("depth.Z, 32-bit"), said);
    }
    assertEquals(new TreeSet<>(ExrReader.channels(whole)), channels, "all of it is somewhere");
    assertThrows(IOException.class, () -> ExrParts.of(new byte[] {1, 2, 3, 4}, l -> l));
  }

  @Test
  void whatIsWrittenIsReadAgainWithItsNames() throws Exception {
    Path file = folder.resolve("a.exr");
    ExrWriter.write(file, rendered(), true, facts());
    byte[] bytes = Files.readAllBytes(file);
    List<String> channels = ExrReader.channels(bytes);
    assertTrue(channels.containsAll(List.of("A", "R", "depth.Z", "light.Lamp é.diffuse.G")));
    ExrReader.Exr exr =
        ExrReader.read(bytes, c -> c.equals("R") || c.equals("depth.Z") || c.equals("pieces00.R"));
    assertEquals(3, exr.channels().size());
    assertEquals(W, exr.width());
    assertEquals(H, exr.height());
    float[] red = exr.channels().get("R"), depth = exr.channels().get("depth.Z");
    for (int i = 0; i < W * H; i++) {
      assertEquals(0.01 * i, red[i], 0.001 * Math.max(0.01, 0.01 * i), "half floats have 11 bits");
      assertEquals((float) (1 + 0.37 * i), depth[i]);
    }
    assertEquals("Pim", exr.names().get(exr.channels().get("pieces00.R")[1]));
    assertEquals("Oda", exr.names().get(exr.channels().get("pieces00.R")[2]));
    byte[] cut = java.util.Arrays.copyOf(bytes, bytes.length / 2);
    assertThrows(IOException.class, () -> ExrReader.read(cut, c -> true));
    assertThrows(IOException.class, () -> ExrReader.channels(new byte[] {1, 2, 3}));
  }

  /** ffmpeg 5 reads no file with an attribute so long; the standard's own tools do. */
  @Test
  void aLongListOfNamesIsWhole() throws Exception {
    List<String> names = new ArrayList<>();
    for (int i = 0; i < 60; i++) names.add("Somebody \"" + i + "\"");
    Matte few = rendered().mattes().get(0);
    Matte many = new Matte("pieces", names, few.which(), few.covers());
    Rendered r = new Rendered(rendered().picture(), rendered().layers(), List.of(many), List.of());
    Path file = folder.resolve("many.exr"), tiled = folder.resolve("tiled.exr");
    ExrWriter.write(file, r, false, facts());
    ran(List.of("exrmaketiled", file.toString(), tiled.toString())); // reads every pixel
    String said = ran(List.of("exrheader", tiled.toString()));
    assertTrue(said.contains("Somebody \\\"0\\\"") && said.contains("Somebody \\\"59\\\""), said);
  }

  @Test
  void halfPrecisionIsForLightAlone() throws Exception {
    Path file = folder.resolve("half.exr");
    ExrWriter.write(file, rendered(), true, facts());
    String said = ran(List.of("exrheader", file.toString()));
    assertTrue(said.contains("R, 16-bit floating-point"), said);
    assertTrue(said.contains("light.Lamp é.diffuse.B, 16-bit"), said);
    assertTrue(said.contains("depth.Z, 32-bit floating-point"), said);
    assertTrue(said.contains("pieces00.R, 32-bit"), said);
    assertEquals(2.0, plane(file, "", 0).get(200), 2.0 / 2048);
  }

  @Test
  void theHeaderSaysWhatThePictureIsOf() throws Exception {
    Path file = folder.resolve("h.exr");
    ExrWriter.write(file, rendered(), false, facts());
    String said = ran(List.of("exrheader", file.toString()));
    for (String line :
        List.of(
            "compression (type compression): zip, multi-scanline blocks",
            "dataWindow (type box2i): (0 0) - (36 20)",
            "displayWindow (type box2i): (0 0) - (36 20)",
            "cameraLabel (type string): \"B Along the stalls\"",
            "reelName (type string): \"0020\"",
            "version (type string): \"v3\"",
            "imageCounter (type int): 1090",
            "framesPerSecond (type rational): 30000/1001",
            "nominalFocalLength (type float): 35",
            "aperture (type float): 2.8",
            "focus (type float): 4.25",
            "shutterAngle (type float): 180"))
      assertTrue(said.contains(line), line + " is not in\n" + said);
    String time = said.substring(said.indexOf("timeCode"));
    assertTrue(
        time.startsWith("timeCode (type timecode):\n    time 01:02:03:04\n    drop frame 1"), time);
    assertTrue(said.contains("/manifest (type string): \"{"), said);
  }

  /** Known answers of the hash and of how it becomes a number. */
  @Test
  void namesBecomeNumbersAsTheSpecificationSays() {
    assertEquals(0, IdMattes.hash(""));
    assertEquals(0x248bfa47, IdMattes.hash("hello"));
    assertEquals(0x149bbb7f, IdMattes.hash("hello, world"));
    assertEquals(Float.intBitsToFloat(0x248bfa47), IdMattes.asNumber(0x248bfa47));
    // neither a denormal nor infinite
    assertEquals(Float.intBitsToFloat(0x00800001), IdMattes.asNumber(1));
    assertEquals(Float.intBitsToFloat(0x7f000001), IdMattes.asNumber(0x7f800001));
  }

  @Test
  void aTimecodePacksAsTheStandardSays() {
    assertEquals(0x01020344, ExrAttributes.packed("01:02:03;04"));
    assertEquals(0x23595923, ExrAttributes.packed("23:59:59:23"));
  }

  @Test
  void aFinePngHasSixteenBits() throws Exception {
    Path file = folder.resolve("fine.png");
    FinePng.write(file, W, H, rendered().layers().get(0));
    BufferedImage b = ImageIO.read(file.toFile());
    assertEquals(16, b.getColorModel().getComponentSize(0));
    for (int x = 0; x < W; x++)
      assertEquals(
          ViewTransform.of(0.01 * x) * 65535, b.getRaster().getSample(x, 0, 0), 0.51, "at " + x);
    assertEquals(65535, b.getRaster().getSample(5, 20, 0), "brighter than white is white");
    String said =
        ran(List.of("ffprobe", "-v", "error", "-show_entries", "stream=pix_fmt", file.toString()));
    assertTrue(said.contains("rgb48"), said);
  }

  @Test
  void aPlaceThatCannotBeWrittenIsSaid() {
    Exception e =
        org.junit.jupiter.api.Assertions.assertThrows(
            java.io.IOException.class,
            () -> ExrWriter.write(folder.resolve("no/such.exr"), rendered(), false, facts()));
    assertTrue(e.getMessage().startsWith("the EXR file could not be written"), e.getMessage());
  }
}
