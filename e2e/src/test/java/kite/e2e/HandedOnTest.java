package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.FileChooser;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.WaitForSelectorState;
import com.networknt.schema.InputFormat;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import com.networknt.schema.ValidationMessage;
import java.io.IOException;
import java.io.InputStream;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.util.ArrayList;
import java.util.Base64;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import kite.core.command.ShotCommand;
import kite.core.curve.Channel;
import kite.core.cut.Programme;
import kite.core.document.Camera;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.evaluate.Plan;
import kite.core.frame.Eye;
import kite.core.math.Matrix;
import kite.core.math.Rotation;
import kite.core.math.Vec3;
import kite.core.model.ModelRig;
import kite.core.model.Models;
import kite.core.optics.DeliveryWindow;
import kite.demo.SaltWind;
import kite.exchange.gltf.GlbReader;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What leaves together, and a cut that comes back. */
class HandedOnTest extends Desk {
  private static final JsonMapper JSON = JsonMapper.builder().build();

  @TempDir Path folder;

  private void packages() {
    desk("Hand over");
    page.getByLabel("What is made").getByText("Package").click();
    page.getByText("Hand over the sequence").waitFor();
  }

  private void tick(String name) {
    page.getByLabel(name, new com.microsoft.playwright.Page.GetByLabelOptions().setExact(true))
        .check();
  }

  /** The files of a package by their paths below its folder. */
  private Map<String, byte[]> handOver() throws Exception {
    Download d = page.waitForDownload(() -> button("Hand over the sequence").click());
    Map<String, byte[]> all = new TreeMap<>();
    String root = d.suggestedFilename().replace(".zip", "/");
    try (ZipInputStream zip = new ZipInputStream(Files.newInputStream(d.path()))) {
      for (ZipEntry e = zip.getNextEntry(); e != null; e = zip.getNextEntry()) {
        assertTrue(e.getName().startsWith(root), e.getName());
        all.put(e.getName().substring(root.length()), zip.readAllBytes());
      }
    }
    return all;
  }

  private static String text(byte[] b) {
    return new String(b, StandardCharsets.UTF_8);
  }

  private static void fits(String schema, byte[] json) throws IOException {
    try (InputStream in = Files.newInputStream(Path.of("../docs/schema/" + schema))) {
      Set<ValidationMessage> wrong =
          JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
              .getSchema(in)
              .validate(text(json), InputFormat.JSON);
      assertEquals(Set.of(), wrong, schema);
    }
  }

  private static List<CSVRecord> table(byte[] csv) throws IOException {
    return CSVFormat.RFC4180
        .builder()
        .setHeader()
        .setSkipHeaderRecord(true)
        .get()
        .parse(new StringReader(text(csv)))
        .getRecords();
  }

  private static double at(CSVRecord r, String column) {
    return Double.parseDouble(r.get(column));
  }

  @Test
  void aPackageHoldsWhatItSaysAndALaterOneTellsWhatHasChanged() throws Exception {
    packages();
    tick("Guides and marks");
    page.locator(".line", new com.microsoft.playwright.Page.LocatorOptions().setHasText("Marks"))
        .getByText("None")
        .click();
    for (Locator box : page.locator(".chosen-shots input").all()) box.check();
    page.keyboard().press("Escape");
    menuGone();
    Map<String, byte[]> all = handOver();
    JsonNode manifest = JSON.readTree(all.get("manifest.json"));
    fits("package.json", all.get("manifest.json"));
    assertEquals("pim", manifest.path("by").asString());
    Map<String, String> sums = new HashMap<>();
    for (String line : text(all.get("SHA256SUMS")).split("\n"))
      sums.put(line.substring(66), line.substring(0, 64));
    MessageDigest sha = MessageDigest.getInstance("SHA-256");
    for (JsonNode f : manifest.path("files")) {
      byte[] bytes = all.get(f.path("path").asString());
      String sum = HexFormat.of().formatHex(sha.digest(bytes));
      assertEquals(sum, f.path("sha256").asString());
      assertEquals(sum, sums.get(f.path("path").asString()));
      assertEquals(bytes.length, f.path("bytes").asInt());
    }
    assertEquals(all.size() - 2, manifest.path("files").size(), all.keySet().toString());
    assertEquals(all.size() - 2, sums.size());
    Sequence s = application.stored();
    for (Programme.Placed p : Programme.of(s).placed()) cameraOf(p, s, all);
    // what has changed since: a note on a shot is told in the cut, and the cameras stay
    Programme.Placed second = Programme.of(s).placed().get(1);
    Person pim = Person.signedIn(application.address(), "pim", "hold-on-tight");
    var made =
        pim.edit(
            sequence,
            UUID.randomUUID(),
            0,
            new ShotCommand.SetNotes(second.id(), "a little later"));
    assertEquals(200, made.statusCode(), made.body());
    page.getByLabel("Changes since").selectOption("Package v1");
    tick("Only files that are new or have changed");
    Map<String, byte[]> later = handOver();
    fits("package.json", later.get("manifest.json"));
    assertEquals(
        Set.of(
            "cut/SW010.otio",
            "cut/SW010.edl",
            "cut/SW010_shots.csv",
            "cut/SW010_shots.pdf",
            "SHA256SUMS",
            "manifest.json"),
        later.keySet());
    assertTrue(text(later.get("cut/SW010.edl")).contains("* COMMENT: a little later"));
    JsonNode since = JSON.readTree(later.get("manifest.json")).path("since");
    assertEquals(1, since.path("number").asInt());
    assertEquals(4, since.path("changed").size());
    assertEquals(all.size() - 6, since.path("same").size());
    page.getByText("Since v1: 4 changed, " + (all.size() - 6) + " the same, left out").waitFor();
    // one of a shot's cameras alone is compared with that shot's alone
    String asked =
        Person.json(
                pim.post(
                    "api/sequences/" + sequence + "/packages",
                    Map.of(
                        "shots",
                        List.of(second.id()),
                        "parts",
                        List.of("CAMERAS"),
                        "handles",
                        true,
                        "since",
                        2)))
            .path("number")
            .asString();
    byte[] zip = fetch("api/sequences/" + sequence + "/packages/" + asked + "/file.zip");
    JsonNode third =
        JSON.readTree(pim.get("api/sequences/" + sequence + "/packages").body()).get(0);
    since = third.path("manifest").path("since");
    assertEquals(3, since.path("same").size(), since.toString());
    assertEquals(0, since.path("removed").size() + since.path("changed").size());
    // fetched again it says the same, whatever has become of the sequence
    pim.edit(sequence, UUID.randomUUID(), 1, new ShotCommand.SetNotes(second.id(), "no"));
    assertArrayEquals(
        sums(zip), sums(fetch("api/sequences/" + sequence + "/packages/" + asked + "/file.zip")));
  }

  /** The checksums that a package holds. */
  private static byte[] sums(byte[] zip) throws IOException {
    try (ZipInputStream in = new ZipInputStream(new java.io.ByteArrayInputStream(zip))) {
      for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry())
        if (e.getName().endsWith("SHA256SUMS")) return in.readAllBytes();
    }
    throw new AssertionError("no checksums");
  }

  /** How a piece is called in OpenUSD. */
  private static String usd(Piece p) {
    return p.name().replaceAll("[^A-Za-z0-9_]", "_");
  }

  /** A rig's bounds as the core has them: the boxes around a piece's parts on a frame. */
  private static double[] bounds(Plan plan, String piece) {
    double inf = Double.POSITIVE_INFINITY;
    double[] b = {inf, inf, inf, -inf, -inf, -inf};
    plan.corners(
        piece,
        (x, y, z) -> {
          double[] p = {x, y, z};
          for (int a = 0; a < 3; a++) {
            b[a] = Math.min(b[a], p[a]);
            b[a + 3] = Math.max(b[a + 3], p[a]);
          }
        });
    return b;
  }

  /** Read by another library; and what that set is comes in again, as a model. */
  @Test
  void theSetIsHandedOverWithItsMotionAndComesBack(@TempDir Path folder) throws Exception {
    Sequence s = document();
    packages();
    tick("Set");
    tick("Notes");
    Map<String, byte[]> all = handOver();
    fits("package.json", all.get("manifest.json"));
    String code = s.header().code();
    fits("notes.json", all.get("cut/" + code + "_notes.json"));
    Programme programme = Programme.of(s);
    for (Programme.Placed p : programme.placed())
      assertTrue(all.containsKey("shots/" + p.shot() + "/thumbnail.png"), p.shot());
    Path file = Files.write(folder.resolve(code + ".usdz"), all.get("set/" + code + ".usdz"));
    Path glb = Files.write(folder.resolve("set.glb"), all.get("set/" + code + "_set.glb"));
    String valid = node("validate-gltf.mjs", glb.toString());
    assertTrue(valid.contains("\"errors\":0,\"warnings\":0"), valid);
    int frame = s.header().firstFrame() + 60;
    JsonNode read = JSON.readTree(node("read-usd.mjs", file.toString(), "" + frame));
    Map<String, ModelRig> rigs = new HashMap<>();
    for (SaltWind.Asset x : new SaltWind().assets())
      rigs.put(x.sha256(), GlbReader.read(x.bytes()).geometry().rig());
    Plan plan = new Plan(s, rigs::get);
    plan.evaluate(s.header().firstFrame() - 8); // where the handles of the first shot begin
    int looked = 0, moved = 0;
    for (Piece p : s.all(Piece.class)) {
      JsonNode there = read.path("pieces").path(usd(p));
      if (there.isMissingNode()) continue;
      double[] box = bounds(plan, p.id()); // around the boxes of its parts
      for (int a = 0; a < 3; a++) {
        assertTrue(there.path(a).asDouble() > box[a] - 0.05, p.name() + there);
        assertTrue(there.path(a + 3).asDouble() < box[a + 3] + 0.05, p.name() + there);
      }
      looked++;
    }
    plan.evaluate(frame);
    for (Piece p : s.all(Piece.class)) {
      JsonNode at = read.path("moves").path("/Set/" + usd(p) + "/" + usd(p) + "_part1");
      if (at.isMissingNode()) continue;
      double[] box = bounds(plan, p.id());
      for (int a = 0; a < 3; a++) {
        assertTrue(at.path(a).asDouble() > box[a] - 0.5, p.name() + at);
        assertTrue(at.path(a).asDouble() < box[a + 3] + 0.5, p.name() + at);
      }
      moved++;
    }
    assertTrue(looked > 10 && moved > 1, looked + " and " + moved);
    int cameras = 0;
    for (Programme.Placed p : programme.placed()) {
      if (!(s.get(p.camera()) instanceof Camera c)) continue;
      plan.inTake(p.inTake()).evaluate(p.sceneFirst() - 8);
      int o = plan.slot(c.id()) * Matrix.SIZE;
      JsonNode there = null;
      for (JsonNode x : read.path("cameras"))
        if (x.path("name").asString().equals(p.shot())) there = x;
      for (int a = 0; a < 3; a++)
        assertEquals(plan.world()[o + Matrix.OX + a], there.path("at").path(a).asDouble(), 1e-6);
      cameras++;
    }
    assertTrue(cameras > 2, "" + cameras);
    // and back: it is asked which of the two is wanted
    int pieces = s.all(Piece.class).size();
    desk("Set");
    String data = Base64.getEncoder().encodeToString(Files.readAllBytes(file));
    page.evaluate(
        """
        data => {
          const t = new DataTransfer();
          t.items.add(new File([Uint8Array.from(atob(data), c => c.charCodeAt(0))], 'set.usdz'));
          for (const type of ['dragover', 'drop']) document.querySelector('.app').dispatchEvent(new DragEvent(type, { bubbles: true, dataTransfer: t }));
        }""",
        data);
    page.getByText("The set: ").click();
    button("Bring it in").click();
    page.getByText("set is in:").waitFor();
    saved();
    assertEquals(pieces + 1, application.stored().all(Piece.class).size());
  }

  @Test
  void whatIsPointedOutIsOneClickAway() {
    packages();
    Locator move = page.locator("[data-card=checks] .check:has(.mono:text('scene'))").first();
    double frame =
        Double.parseDouble(move.locator(".mono").innerText().replace("scene ", "").strip());
    String code = move.locator("xpath=ancestor::section").getAttribute("aria-label");
    move.locator(".check-says").click();
    drawn();
    assertEquals(frame, number("() => jollyKite.state().frame"));
    String camera = (String) page.evaluate("() => jollyKite.state().camera");
    for (Programme.Placed p : Programme.of(document()).placed())
      if (p.shot().equals(code)) assertEquals(p.camera(), camera);
  }

  @Test
  void whatIsPointedOutIsMendedOrLeftWithAWord() throws Exception {
    Sequence s = document();
    Programme.Placed first = Programme.of(s).placed().get(0);
    Camera c = (Camera) s.get(first.camera());
    reopened(s.with(c.withChannel("farClip", Channel.fixed(12))));
    packages();
    Locator clipped =
        page.locator("[data-card=checks] [data-severity=wrong]")
            .filter(new Locator.FilterOptions().setHasText("cut off by a clip"));
    clipped.getByText("Nothing cut off").click();
    saved();
    clipped.waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.DETACHED));
    double far = ((Camera) application.stored().get(c.id())).channel("farClip").at(0);
    assertTrue(far > 12, "farther: " + far);
    Locator edge =
        page.locator("[data-card=checks] .check")
            .filter(new Locator.FilterOptions().setHasText("moves where the shot begins"))
            .first();
    String says = edge.locator(".check-says").innerText();
    edge.getByText("Leave it").click();
    page.getByLabel("Why it stays").fill("it opens on the move");
    page.keyboard().press("Enter");
    saved();
    page.getByText("1 accepted with a word").click();
    page.locator(".check")
        .filter(new Locator.FilterOptions().setHasText("Stays: it opens on the move"))
        .waitFor();
    assertTrue(says.contains("Camera"), says);
    assertEquals(
        List.of("it opens on the move"),
        application.stored().all(Shot.class).stream()
            .flatMap(x -> x.accepted().stream())
            .map(a -> a.word())
            .toList());
  }

  /** What is written of a shot's camera is what the core says of it. */
  private void cameraOf(Programme.Placed p, Sequence s, Map<String, byte[]> all) throws Exception {
    String letter = ((Camera) s.get(p.camera())).letter();
    String name = "shots/" + p.shot() + "/" + p.shot();
    List<CSVRecord> table = table(all.get(name + "_cam" + letter + ".csv"));
    assertEquals(p.sceneFirst() - 8, at(table.get(0), "frame"), "with handles");
    assertEquals(p.frames() + 16, table.size());
    Plan plan = new Plan(s, Models.NONE).inTake(p.inTake());
    for (int i : new int[] {0, table.size() / 2, table.size() - 1}) {
      plan.evaluate(at(table.get(i), "frame"));
      int o = plan.slot(p.camera()) * Matrix.SIZE;
      assertEquals(plan.world()[o + Matrix.OX], at(table.get(i), "x"), 1e-9);
      assertEquals(plan.world()[o + Matrix.OY], at(table.get(i), "y"), 1e-9);
      assertEquals(plan.world()[o + Matrix.OZ], at(table.get(i), "z"), 1e-9);
    }
    assertTrue(text(all.get(name + "_cam" + letter + ".usda")).startsWith("#usda 1.0"));
    fits("lens.json", all.get(name + "_lens.json"));
    fits("places.json", all.get(name + "_places.json"));
    JsonNode lens = JSON.readTree(all.get(name + "_lens.json"));
    placesOf(table, lens, table(all.get(name + "_places.csv")));
  }

  /** A place's pixels are where a reader finds it who has the camera and its lens alone. */
  private static void placesOf(List<CSVRecord> camera, JsonNode lens, List<CSVRecord> places) {
    assertFalse(places.isEmpty());
    for (int i = 0; i < places.size(); i++) {
      CSVRecord r = places.get(i), c = camera.get(i % camera.size());
      assertEquals(at(c, "frame"), at(r, "frame"));
      double[] world = Matrix.newIdentity();
      Rotation.panTiltRoll(radians(c, "pan"), radians(c, "tilt"), radians(c, "roll"), world, 0);
      world[Matrix.OX] = at(c, "x");
      world[Matrix.OY] = at(c, "y");
      world[Matrix.OZ] = at(c, "z");
      JsonNode w = lens.path("frames").get(i % camera.size()).path("window");
      double left = w.path("left").asDouble(), top = w.path("top").asDouble();
      Eye eye = new Eye(world, new DeliveryWindow(left, -left, -top, top));
      Vec3 seen = eye.seen(new Vec3(at(r, "x"), at(r, "y"), at(r, "z")));
      assertEquals(-seen.z(), at(r, "depth_m"), 1e-6);
      assertEquals(seen.z() < 0, !r.get("pixel_x").isEmpty());
      if (seen.z() >= 0) continue;
      double across = (seen.x() / -seen.z() - left) / (w.path("right").asDouble() - left);
      double down = (top - seen.y() / -seen.z()) / (top - w.path("bottom").asDouble());
      assertEquals(across * 1920, at(r, "pixel_x"), 1e-3);
      assertEquals(down * 1080, at(r, "pixel_y"), 1e-3);
      boolean in = across >= 0 && across <= 1 && down >= 0 && down <= 1;
      assertEquals(in ? "1" : "0", r.get("in_frame"));
    }
  }

  private static double radians(CSVRecord r, String column) {
    return Math.toRadians(at(r, column));
  }

  private void choose(Path file) {
    FileChooser chooser = page.waitForFileChooser(() -> button("Read one …").click());
    chooser.setFiles(file);
    page.getByText("A cut that comes back").waitFor();
  }

  private List<String> cut() throws Exception {
    saved();
    List<String> all = new ArrayList<>();
    for (Programme.Placed p : Programme.of(application.stored()).placed())
      all.add(p.shot() + " " + p.frames());
    return all;
  }

  @Test
  void aCutThatSomebodyMovedIsSeenBesideOursAndTakenInOneEdit() throws Exception {
    desk("Hand over");
    List<String> before = cut();
    ObjectNode timeline =
        (ObjectNode) JSON.readTree(fetch("api/sequences/" + sequence + "/hand-over/cut.otio"));
    ArrayNode clips = (ArrayNode) timeline.path("tracks").path("children").get(0).path("children");
    JsonNode first = clips.remove(0);
    clips.insert(1, first);
    ObjectNode lasts = (ObjectNode) first.path("source_range").path("duration");
    lasts.put("value", lasts.path("value").asInt() + 6);
    Path file = folder.resolve("moved.otio");
    Files.writeString(file, JSON.writeValueAsString(timeline));
    choose(file);
    page.getByText("place 1 → 2, 6 f longer").waitFor();
    page.getByText("place 2 → 1").waitFor();
    button("Make our cut like it").click();
    page.getByText("The cut is now as in moved.otio.").waitFor();
    List<String> now = new ArrayList<>(before);
    String[] words = now.remove(0).split(" ");
    now.add(1, words[0] + " " + (Integer.parseInt(words[1]) + 6));
    assertEquals(now, cut());
    page.keyboard().press("Control+z");
    assertEquals(before, cut());
    choose(file);
    page.getByText("place 2 → 1").waitFor();
    page.keyboard().press("Escape");
    assertEquals(before, cut(), "nothing is taken before somebody says so");
  }

  @Test
  void whatIsWrongInAListIsAgreedToFirst() throws Exception {
    desk("Hand over");
    String list = text(fetch("api/sequences/" + sequence + "/hand-over/cut.edl"));
    Path file = folder.resolve("odd.edl");
    Files.writeString(
        file,
        list.replace("* FROM CLIP NAME: SW010_0020", "* FROM CLIP NAME: Unknown")
            + "999  CAMA     V     C        00:00:41:99 00:00:42:00 00:00:50:00 00:00:50:01\r\n");
    choose(file);
    page.getByText("A second has 24 frames").waitFor();
    // known by its camera and action all the same
    assertEquals(
        "SW010_0020", page.locator("[data-brought='1'] select option:checked").innerText());
    assertFalse(button("Make our cut like it").isEnabled());
    page.getByLabel("Which shot 2 is").selectOption("A new shot");
    page.locator("[data-missing]").getByText("is taken away").waitFor();
    tick("Keep shots that are not in it, behind all others");
    page.locator("[data-missing]").getByText("stays, behind all others").waitFor();
    tick("Take the rest all the same");
    button("Make our cut like it").click();
    saved();
    List<String> codes =
        Programme.of(application.stored()).placed().stream().map(Programme.Placed::shot).toList();
    assertEquals(List.of("SW010_0010", "Unknown", "SW010_0030", "SW010_0040", "SW010_0020"), codes);
    Path wrong = folder.resolve("picture.edl");
    Files.write(wrong, new byte[] {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10, 0});
    choose(wrong);
    page.getByText("There is no picture event in the list").waitFor();
  }
}
