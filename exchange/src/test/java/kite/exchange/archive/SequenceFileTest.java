package kite.exchange.archive;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import kite.exchange.BadFile;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class SequenceFileTest {
  private static final byte[] MODEL = "glTF of a windmill".getBytes(StandardCharsets.UTF_8);
  private static final byte[] IMAGE = "\u0089PNG of a sky".getBytes(StandardCharsets.ISO_8859_1);
  @TempDir private Path folder;

  private static byte[] written() throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (SequenceFileWriter w = new SequenceFileWriter(out)) {
      w.document("{\"a\":1}");
      w.version(new Manifest.Kept(2, "Second", "", "pim", "2026-11-26T10:00:00Z", 7), "{\"a\":0}");
      w.asset(Manifest.Kind.MODEL, sha(MODEL), ".glb", "windmill.glb", MODEL);
      w.asset(Manifest.Kind.IMAGE, sha(IMAGE), ".png", "sky.png", IMAGE);
      w.manifest("SW010", "The kite gets away", "Salt Wind", "pim", "2026-11-26T10:00:00Z");
    }
    return out.toByteArray();
  }

  private static String sha(byte[] bytes) {
    return java.util.HexFormat.of().formatHex(SummedZip.sha256().digest(bytes));
  }

  private SequenceFileReader open(byte[] bytes) throws BadFile, IOException {
    return SequenceFileReader.open(Files.write(folder.resolve("a.kite.zip"), bytes));
  }

  private String refused(byte[] bytes) {
    return assertThrows(BadFile.class, () -> open(bytes).close()).getMessage();
  }

  private static Map<String, byte[]> entries(byte[] zip) throws IOException {
    Map<String, byte[]> all = new LinkedHashMap<>();
    try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
      for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry())
        all.put(e.getName(), in.readAllBytes());
    }
    return all;
  }

  private static byte[] zip(Map<String, byte[]> all) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(out)) {
      for (Map.Entry<String, byte[]> e : all.entrySet()) {
        zip.putNextEntry(new ZipEntry(e.getKey()));
        zip.write(e.getValue());
        zip.closeEntry();
      }
    }
    return out.toByteArray();
  }

  @Test
  void isReadAsItWasWritten() throws Exception {
    try (SequenceFileReader r = open(written())) {
      assertEquals("SW010", r.manifest().code());
      assertEquals("{\"a\":1}", r.text(r.document()));
      List<Manifest.Part> parts = r.manifest().parts();
      assertEquals(4, parts.size());
      assertEquals("Second", parts.get(1).kept().name());
      assertArrayEquals(MODEL, r.bytes(parts.get(2)));
      assertEquals("sky.png", parts.get(3).name());
    }
    // another zip reader reads it too, and people can read the manifest
    String manifest = new String(entries(written()).get("manifest.json"), StandardCharsets.UTF_8);
    assertTrue(manifest.contains("\"title\" : \"The kite gets away\""), manifest);
  }

  @Test
  void whatIsMissingOrDamagedIsNamedPartByPart() throws Exception {
    Map<String, byte[]> all = entries(written());
    all.remove("assets/" + sha(MODEL) + ".glb");
    all.put("versions/2.json", "{\"a\":9}".getBytes(StandardCharsets.UTF_8));
    all.put("assets/" + sha(IMAGE) + ".png", Arrays.copyOf(IMAGE, 4));
    String said = refused(zip(all));
    assertTrue(said.contains("the model “windmill.glb” is missing"), said);
    assertTrue(said.contains("version 2 is damaged"), said);
    assertTrue(said.contains("the image “sky.png” is cut off"), said);
    all.put("document.json", new byte[100_000]);
    assertTrue(refused(zip(all)).contains("the document is longer than the manifest says"));
  }

  @Test
  void anythingElseIsRefusedInASentence() throws Exception {
    byte[] whole = written();
    for (int length : new int[] {0, 3, 40, whole.length / 2, whole.length - 10})
      assertTrue(refused(Arrays.copyOf(whole, length)).contains("whole"), "cut at " + length);
    assertTrue(refused(zip(Map.of("a.txt", MODEL))).contains("no sequence of Jolly Kite"));
    assertTrue(
        refused(manifest(m -> m.replace("\"version\" : 1", "\"version\" : 9"))).contains("newer"));
    assertTrue(
        refused(manifest(m -> m.replace("\"bytes\" : 7", "\"bytes\" : 99999999999")))
            .contains("larger"));
    assertTrue(
        refused(manifest(m -> m.replace("\"number\" : 2", "\"number\" : 0"))).contains("none"));
    // a path out of the folder is a name like any other: nothing is ever written under it
    assertTrue(
        refused(manifest(m -> m.replace("\"document.json\"", "\"../../etc/passwd\"")))
            .contains("the document is missing"));
  }

  private interface Change {
    String of(String manifest);
  }

  private static byte[] manifest(Change change) throws IOException {
    Map<String, byte[]> all = entries(written());
    String text = new String(all.get("manifest.json"), StandardCharsets.UTF_8);
    String changed = change.of(text);
    assertTrue(!changed.equals(text), "it is changed");
    all.put("manifest.json", changed.getBytes(StandardCharsets.UTF_8));
    return zip(all);
  }

  /** A few bytes changed anywhere: read, or refused with a sentence, and nothing else. */
  @Test
  void damageIsNeverMoreThanASentence() throws Exception {
    byte[] whole = written();
    Random random = new Random(5);
    int refused = 0;
    for (int i = 0; i < 1500; i++) {
      byte[] bad = whole.clone();
      for (int k = random.nextInt(4); k >= 0; k--)
        bad[random.nextInt(bad.length)] = (byte) random.nextInt(256);
      try {
        open(bad).close();
      } catch (BadFile e) {
        assertTrue(e.getMessage().endsWith("."), e.getMessage());
        refused++;
      }
    }
    assertTrue(refused > 500, "damage is seen: " + refused);
  }
}
