package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.File;
import java.io.InputStream;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import javax.imageio.ImageIO;
import kite.core.command.ChannelCommand.SetValue;
import kite.core.command.EntityCommand;
import kite.core.document.AssetsUsed;
import kite.core.document.Channels;
import kite.core.document.Plate;
import kite.core.document.Sequence;
import kite.core.form.SequenceJson;
import kite.demo.SaltWind;
import kite.exchange.archive.SequenceFileWriter;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/**
 * Sequences carried out of one copy and into another as files, and from production to production.
 */
class CarryTest {
  private static Person pim;
  private String sw010;

  @BeforeEach
  void start() throws Exception {
    Application application = Application.get();
    sw010 = application.reset(new SaltWind().sw010());
    pim = Person.signedIn(application.address(), "pim", "hold-on-tight");
  }

  private static String production(Person who, String start) throws Exception {
    String code = "C" + UUID.randomUUID().toString().substring(0, 8);
    HttpResponse<String> r =
        who.post(
            "api/productions", Map.of("name", "Carried " + code, "code", code, "start", start));
    assertEquals(200, r.statusCode(), r.body());
    return Person.json(r).get("id").asString();
  }

  private static Sequence opened(Person who, String id) throws Exception {
    return SequenceJson.read(
        Person.json(who.get("api/sequences/" + id)).get("document").toString());
  }

  private byte[] file() throws Exception {
    for (int i = 0; i < 2; i++) {
      pim.edit(sw010, UUID.randomUUID(), i, new SetValue("oda", "x", 1001, i + 1 / 3.0, false));
      HttpResponse<String> kept =
          pim.post(
              "api/sequences/" + sw010 + "/versions",
              Map.of("revision", i + 1, "name", "Number " + i, "note", "Für später"));
      assertEquals(200, kept.statusCode(), kept.body());
    }
    pim.edit(sw010, UUID.randomUUID(), 2, new SetValue("oda", "x", 1001, Math.PI, false));
    HttpResponse<byte[]> r = pim.getBytes("api/sequences/" + sw010 + "/file");
    assertEquals(200, r.statusCode());
    assertTrue(r.headers().firstValue("Content-Disposition").orElse("").contains("SW010.kite.zip"));
    return r.body();
  }

  /** A picture that nothing packs. */
  private static byte[] noise(int side) throws Exception {
    BufferedImage image = new BufferedImage(side, side, BufferedImage.TYPE_INT_RGB);
    Random random = new Random(side);
    for (int y = 0; y < side; y++)
      for (int x = 0; x < side; x++) image.setRGB(x, y, random.nextInt());
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(image, "png", out);
    return out.toByteArray();
  }

  /** Half a minute is what the server's connector gives an answer by itself. */
  @Test
  void aFileThatTakesLongerThanHalfAMinuteComesWhole() throws Exception {
    List<String> frames = new ArrayList<>();
    for (int side : new int[] {2400, 2401}) {
      var brought =
          pim.postBytes("api/assets/images?name=noise.png&sequence=" + sw010, noise(side));
      assertEquals(200, brought.statusCode(), brought.body());
      frames.add(Person.json(brought).get("asset").asString());
    }
    Plate plate =
        new Plate(
            "noise",
            "Noise",
            null,
            frames,
            Plate.PlateFit.WIDTH,
            false,
            true,
            1001,
            Plate.After.HOLD,
            Channels.NONE);
    assertEquals(
        200, pim.edit(sw010, UUID.randomUUID(), 0, new EntityCommand.Add(plate)).statusCode());
    ByteArrayOutputStream file = new ByteArrayOutputStream();
    try (InputStream in = pim.stream("api/sequences/" + sw010 + "/file")) {
      for (byte[] some = in.readNBytes(1 << 20); some.length > 0; some = in.readNBytes(1 << 20)) {
        file.write(some);
        Thread.sleep(1000); // over a slow line
      }
    }
    HttpResponse<String> there = bring(pim, production(pim, "hd-25"), file.toByteArray());
    assertEquals(200, there.statusCode(), there.body());
    assertEquals(
        frames,
        ((Plate) opened(pim, Person.json(there).get("id").asString()).get("noise")).frames());
  }

  private static HttpResponse<String> bring(Person who, String production, byte[] file)
      throws Exception {
    return who.postBytes("api/productions/" + production + "/sequences/file", file);
  }

  @Test
  void aFileMadeHereIsTheSameSequenceOnAnotherServer() throws Exception {
    byte[] file = file();
    String database = Application.DATABASE + "_carried";
    Application.make(database);
    ServerProcess other =
        new ServerProcess(
            Application.url(database),
            Application.role(),
            Application.password(),
            Files.createTempDirectory("kite-output"),
            new File("target/carried.log"),
            Map.of("KITE_DEMO", "false", "KITE_SETUP_CODE", "ABCD-2345"));
    other.start();
    try {
      Person stranger = Person.stranger(other.address());
      assertEquals(
          204,
          stranger
              .post(
                  "api/set-up",
                  Map.of("code", "ABCD-2345", "name", "Nell", "password", "long enough for it"))
              .statusCode());
      Person nell = Person.signedIn(other.address(), "Nell", "long enough for it");
      String film = production(nell, "hd-25");
      HttpResponse<String> r = bring(nell, film, file);
      assertEquals(200, r.statusCode(), r.body());
      JsonNode in = Person.json(r);
      assertEquals("SW010", in.get("code").asString());
      assertTrue(in.get("differs").size() > 0, "24 frames a second came into 25: " + in);
      String id = in.get("id").asString();
      Sequence here = opened(pim, sw010), there = opened(nell, id);
      assertEquals(SequenceJson.write(here), SequenceJson.write(there));
      JsonNode versions = Person.json(nell.get("api/sequences/" + id + "/versions"));
      assertEquals(2, versions.size());
      assertEquals("Für später", versions.get(0).get("note").asString());
      for (int v = 1; v <= 2; v++) {
        String path = "/versions/" + v;
        assertEquals(
            SequenceJson.read(pim.get("api/sequences/" + sw010 + path).body()),
            SequenceJson.read(nell.get("api/sequences/" + id + path).body()));
      }
      assertTrue(AssetsUsed.of(here).size() > 5);
      for (String sha : AssetsUsed.of(here)) {
        assertArrayEquals(
            pim.getBytes("api/assets/" + sha).body(), nell.getBytes("api/assets/" + sha).body());
        assertEquals(
            pim.get("api/assets/" + sha + "/rig").body(),
            nell.get("api/assets/" + sha + "/rig").body());
      }
      // once more it takes the next code, and a code that is asked for where that is free
      assertEquals("SW020", Person.json(bring(nell, film, file)).get("code").asString());
      HttpResponse<String> taken =
          nell.postBytes("api/productions/" + film + "/sequences/file?code=sw010", file);
      assertEquals(422, taken.statusCode(), taken.body());
    } finally {
      other.kill();
    }
  }

  @Test
  void whatIsNotWholeIsSaidPartByPartAndNothingIsTaken() throws Exception {
    byte[] file = file();
    String film = production(pim, "hd-25");
    HttpResponse<String> cut = bring(pim, film, Arrays.copyOf(file, file.length / 2));
    assertEquals(422, cut.statusCode(), cut.body());
    assertTrue(cut.body().contains("did not arrive whole"), cut.body());
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    String lost = null;
    try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(file));
        ZipOutputStream zip = new ZipOutputStream(out)) {
      for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
        if (lost == null && e.getName().endsWith(".glb")) {
          lost = e.getName();
          continue;
        }
        zip.putNextEntry(new ZipEntry(e.getName()));
        in.transferTo(zip);
        zip.closeEntry();
      }
    }
    HttpResponse<String> lacking = bring(pim, film, out.toByteArray());
    assertEquals(422, lacking.statusCode());
    assertTrue(lacking.body().contains("the model “"), lacking.body());
    assertTrue(lacking.body().contains("is missing"), lacking.body());
    assertEquals(422, bring(pim, film, new byte[0]).statusCode());
    assertEquals(0, Person.json(pim.get("api/sequences?production=" + film)).size());
  }

  @Test
  void aSequenceMovesWithWhatItShowsAndFollowsOtherStandards() throws Exception {
    String from = production(pim, "hd-25"), to = production(pim, "uhd-23976");
    byte[] file = file();
    String id = Person.json(bring(pim, from, file)).get("id").asString();
    String path = "api/sequences/" + id + "/production";
    JsonNode effects = Person.json(pim.post(path + "/effects", Map.of("production", to)));
    assertTrue(effects.size() > 0, effects.toString());
    assertEquals(204, pim.post(path, Map.of("production", to)).statusCode());
    assertEquals(0, Person.json(pim.get("api/sequences?production=" + from)).size());
    assertEquals(1, Person.json(pim.get("api/sequences?production=" + to)).size());
    assertEquals(24000 / 1001.0, opened(pim, id).header().rate().perSecond(), 1e-12);
    assertEquals(
        0,
        Person.json(pim.post(path + "/effects", Map.of("production", to))).size(),
        "it follows them now");
    // its code is taken where another has it
    String another = Person.json(bring(pim, from, file)).get("id").asString();
    HttpResponse<String> taken =
        pim.post("api/sequences/" + another + "/production", Map.of("production", to));
    assertEquals(422, taken.statusCode(), taken.body());
    assertTrue(taken.body().contains("is taken already"), taken.body());
  }

  @Test
  void whatIsWholeButOddIsASentence() throws Exception {
    String film = production(pim, "hd-25");
    Sequence s = new SaltWind().sw020();
    String odd = SequenceJson.write(s.with(s.header().withCode("../x").withTitle("")));
    HttpResponse<String> code = bring(pim, film, made(odd));
    assertEquals(422, code.statusCode(), code.body());
    assertTrue(code.body().contains("A code has plain letters"), code.body());
    String zero = SequenceJson.write(s).replaceFirst("The whale balloon", "The \\\\u0000 balloon");
    HttpResponse<String> kept = bring(pim, film, made(zero));
    assertEquals(422, kept.statusCode(), kept.body());
    assertTrue(kept.body().contains("cannot be kept"), kept.body());
    assertEquals(0, Person.json(pim.get("api/sequences?production=" + film)).size());
  }

  private static byte[] made(String document) throws Exception {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (SequenceFileWriter w = new SequenceFileWriter(out)) {
      w.document(document);
      w.manifest("X", "", "", "", "2026-11-26T10:00:00Z");
    }
    return out.toByteArray();
  }
}
