package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import javax.imageio.ImageIO;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.curve.KeyShape;
import kite.core.document.Camera;
import kite.core.document.CameraPackage;
import kite.core.document.Sequence;
import kite.demo.SaltWind;
import kite.exchange.picture.ExrReader;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Rendering on the server, and handing over. */
class HandOverDeskTest extends Desk {
  /** The demonstration with a last shot of six frames, so that it renders quickly. */
  @Override
  Sequence document() {
    Sequence s = new SaltWind().sw010();
    return delivered(s, s.header().cameraPackage());
  }

  /** A share that is no whole number of rows is rounded in one way: what is said is what comes. */
  @Test
  void theSizeThatIsSaidIsTheSizeThatComes() throws Exception {
    Sequence s = new SaltWind().sw010();
    CameraPackage p = s.header().cameraPackage();
    reopened(
        delivered(s, new CameraPackage(p.filmBack(), 2048, 858, p.fit(), p.circleOfConfusionMm())));
    rendering();
    String said =
        page.getByLabel("Size", new Page.GetByLabelOptions().setExact(true))
            .locator("option[value='25']")
            .textContent();
    assertTrue(said.contains("512 × 214"), said);
    page.getByLabel("Size", new Page.GetByLabelOptions().setExact(true)).selectOption("25");
    page.getByLabel("Quality", new Page.GetByLabelOptions().setExact(true)).selectOption("4");
    button("This frame").click();
    page.locator("[data-job=DONE]").waitFor();
    double[] picture =
        numbers(
            "async () => { const i = document.querySelector('.job img'); await i.decode();"
                + " return [i.naturalWidth, i.naturalHeight]; }");
    assertEquals(512, picture[0]);
    assertEquals(214, picture[1]);
  }

  /** To the Hand over desk, where renders are asked for. */
  private void rendering() {
    button("Hand over").click();
    page.getByLabel("What is made").getByText("Render").click();
  }

  private void render(String what) {
    rendering();
    page.getByLabel("Size", new Page.GetByLabelOptions().setExact(true)).selectOption("10");
    page.getByLabel("Quality", new Page.GetByLabelOptions().setExact(true)).selectOption("4");
    button(what).click();
  }

  private Locator motionBlur() {
    return page.getByRole(
        AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName("Motion blur").setExact(true));
  }

  /** How steep a picture's light is from one pixel to the next across, on the average. */
  private static double steepness(BufferedImage b) {
    double sum = 0;
    for (int y = 0; y < b.getHeight(); y++)
      for (int x = 1; x < b.getWidth(); x++)
        sum += Math.abs((b.getRGB(x, y) >> 8 & 255) - (b.getRGB(x - 1, y) >> 8 & 255));
    return sum / b.getWidth() / b.getHeight();
  }

  private BufferedImage renderedNow(int which) throws Exception {
    page.waitForFunction("n => document.querySelectorAll('[data-job=DONE]').length === n", which);
    String src = page.locator(".job img").first().getAttribute("src");
    return ImageIO.read(new ByteArrayInputStream(fetch(src)));
  }

  @Test
  void aCameraThatPansQuicklyIsBlurredUnlessThatIsTakenOff() throws Exception {
    Camera c = (Camera) new SaltWind().sw010().get("camC");
    Channel pan =
        Channel.curve(Key.of(1170, -20, KeyShape.STRAIGHT), Key.of(1180, 20, KeyShape.STRAIGHT));
    Sequence s = new SaltWind().sw010();
    reopened(s.with(c.withChannel("head/pan", pan).withDepthOfField(false).withMotionBlur(true)));
    choose("Lantern to Pim");
    goTo(1175);
    rendering();
    page.getByLabel("Size", new Page.GetByLabelOptions().setExact(true)).selectOption("10");
    // fine: the noise of a sketch is steeper than what is seen through it
    page.getByLabel("Quality", new Page.GetByLabelOptions().setExact(true)).selectOption("256");
    button("This frame").click();
    double blurred = steepness(renderedNow(1));
    motionBlur().uncheck();
    button("This frame").click();
    double sharp = steepness(renderedNow(2));
    assertTrue(blurred < 0.75 * sharp, blurred + " against " + sharp);
  }

  /** What would take all the memory is refused, and says what to do. */
  @Test
  void aPictureLargerThanTheMemoryIsRefused() throws Exception {
    Sequence s = new SaltWind().sw010();
    CameraPackage p = s.header().cameraPackage();
    reopened(
        delivered(
            s, new CameraPackage(p.filmBack(), 16384, 16384, p.fit(), p.circleOfConfusionMm())));
    Person pim = Person.signedIn(application.address(), "pim", "hold-on-tight");
    var asked =
        pim.post(
            "api/sequences/" + sequence + "/renders",
            Map.of("what", "frame", "camera", "camC", "frame", 1175, "percent", 100, "samples", 1));
    assertEquals(422, asked.statusCode(), asked.body());
    assertTrue(asked.body().contains("16384 × 16384 pixels are more than is rendered here"));
    assertTrue(asked.body().contains("Choose a smaller size."));
  }

  private HttpResponse<String> askedFor(Person who, int samples) throws Exception {
    return who.post(
        "api/sequences/" + sequence + "/renders",
        Map.of(
            "what", "frame", "camera", "camC", "frame", 1175, "percent", 10, "samples", samples));
  }

  /** Nothing is under way, so the page asks for nothing: it is told over the live line. */
  @Test
  void whatSomebodyElseHasRenderedAppearsByItself() throws Exception {
    button("Hand over").click();
    page.getByText("Nothing made yet").waitFor();
    Person oda = Person.signedIn(application.address(), "oda", "keep-the-light");
    var asked = askedFor(oda, 1);
    assertEquals(200, asked.statusCode(), asked.body());
    page.locator("[data-job=DONE]").waitFor();
    // a fine one is for artists
    var fine = askedFor(oda, 1024);
    assertEquals(422, fine.statusCode(), fine.body());
  }

  @Test
  void aShotIsRenderedWithProgressIntoOneFilm() throws Exception {
    goTo(1236);
    render("This shot");
    page.getByRole(com.microsoft.playwright.options.AriaRole.PROGRESSBAR).waitFor();
    page.locator("[data-job=DONE]").waitFor();
    page.getByText("Done · 6 of 6").waitFor();
    page.waitForFunction("() => document.querySelector('.job video').readyState >= 1");
    double[] film =
        numbers(
            "() => { const v = document.querySelector('.job video'); return [v.videoWidth, v.videoHeight, v.duration]; }");
    assertEquals(192, film[0]);
    assertEquals(108, film[1]);
    assertEquals(6 / 24.0, film[2], 0.03);
    var download =
        page.waitForDownload(() -> page.getByText("6 frames as PNG, in one archive").click());
    try (java.util.zip.ZipFile zip = new java.util.zip.ZipFile(download.path().toFile())) {
      assertEquals(6, zip.size());
      // by the production's usual way: the shot's folder, its version, from 1001
      for (int i = 1; i <= 6; i++) {
        int frame = 1000 + i;
        var file =
            zip.stream()
                .filter(e -> e.getName().matches("(SW010_\\d+)/\\1_v001\\." + frame + "\\.png"))
                .findFirst()
                .orElseThrow(() -> new AssertionError(zip.stream().toList().toString()));
        assertEquals(108, ImageIO.read(zip.getInputStream(file)).getHeight());
      }
    }
  }

  /** What is tried is what is rendered: a bar with words below, and none above. */
  @Test
  void whatIsWrittenInThePictureIsTriedAndRendered() throws Exception {
    goTo(1175);
    choose("Lantern to Pim");
    rendering();
    page.getByLabel("Size", new Page.GetByLabelOptions().setExact(true)).selectOption("25");
    page.getByLabel("Quality", new Page.GetByLabelOptions().setExact(true)).selectOption("4");
    button("This frame").click();
    BufferedImage clean = renderedNow(1);
    page.getByText("Written in the picture · nothing").click();
    page.getByLabel("Shot", new Page.GetByLabelOptions().setExact(true))
        .selectOption("BOTTOM_LEFT");
    page.getByLabel("Lens", new Page.GetByLabelOptions().setExact(true)).selectOption("BOTTOM");
    Locator tried = page.locator("img.burn-in-try");
    page.waitForFunction("() => document.querySelector('img.burn-in-try').naturalWidth === 640");
    BufferedImage grey =
        ImageIO.read(
            new ByteArrayInputStream(context.request().get(tried.getAttribute("src")).body()));
    assertTrue(letters(grey) > 0.02, "words in the bar: " + letters(grey));
    button("This frame").click();
    BufferedImage written = renderedNow(2);
    assertTrue(letters(written) > 0.02, "words in the bar: " + letters(written));
    int bar = (int) (written.getHeight() * 0.046) + 1;
    for (int y = 0; y < written.getHeight() - bar; y++)
      for (int x = 0; x < written.getWidth(); x++)
        assertEquals(clean.getRGB(x, y), written.getRGB(x, y), x + ", " + y);
  }

  /** How much of the lowest 4 % of a picture is as light as letters, beside what is dark. */
  private static double letters(BufferedImage b) {
    int light = 0, dark = 0, from = b.getHeight() - (int) (b.getHeight() * 0.04);
    for (int y = from; y < b.getHeight(); y++)
      for (int x = 0; x < b.getWidth(); x++) {
        int green = b.getRGB(x, y) >> 8 & 255;
        if (green > 150) light++;
        if (green < 90) dark++;
      }
    return dark == 0 ? 0 : light / (double) (light + dark);
  }

  /** Nothing is queued that would be written over, or lead out of its folder. */
  @Test
  void namesThatCollideOrLeadOutAreRefusedWithTheReason() throws Exception {
    Person pim = Person.signedIn(application.address(), "pim", "hold-on-tight");
    for (String[] bad :
        new String[][] {
          {"{version}.####", "would both be called"},
          {"../{version}.####", "leads out"},
          {"{shot}.####", "Without {version}"}
        }) {
      var asked =
          pim.post(
              "api/sequences/" + sequence + "/renders",
              Map.of(
                  "what",
                  "cut",
                  "frame",
                  0,
                  "percent",
                  10,
                  "samples",
                  1,
                  "names",
                  Map.of("name", "mine", "pattern", bad[0], "counts", "shot")));
      assertEquals(422, asked.statusCode(), asked.body());
      assertTrue(asked.body().contains(bad[1]), asked.body());
    }
    assertEquals("0", Application.asked("select count(*) from render_job"));
  }

  /** Whoever's programs want a pass a file has it; how they are called is told before. */
  @Test
  void passesAreHandedOnInFilesOfTheirOwn() throws Exception {
    Person pim = Person.signedIn(application.address(), "pim", "hold-on-tight");
    String renders = "api/sequences/" + sequence + "/renders";
    Map<String, Object> asked = new HashMap<>(Map.of("what", "frame", "camera", "camB"));
    asked.putAll(Map.of("frame", 1100, "percent", 5, "samples", 1));
    String pattern = "{sequence}/{pass}/{sequence}_{pass}_{version}.####";
    asked.put("names", Map.of("name", "apart", "pattern", pattern, "counts", "scene"));
    Map<String, Object> kept = new HashMap<>(Map.of("form", "EXR_HALF", "lights", List.of()));
    kept.putAll(
        Map.of("passes", List.of("depth", "pieces"), "surroundings", true, "bounce", false));
    asked.put("kept", kept);
    List<String> coming = new ArrayList<>();
    Person.json(pim.post(renders + "/names", asked))
        .get("first")
        .forEach(f -> coming.add(f.asString()));
    assertEquals(
        List.of(
            "SW010/beauty/SW010_beauty_v001.1100.exr",
            "SW010/depth/SW010_depth_v001.1100.exr",
            "SW010/pieces/SW010_pieces_v001.1100.exr"),
        coming);
    assertEquals("0", Application.asked("select count(*) from render_job"), "nothing was begun");
    JsonNode job = Person.json(pim.post(renders, asked));
    String path = "api/renders/" + job.get("id").asString();
    while (!job.get("state").asString().equals("DONE")) job = Person.json(pim.get(path));
    Map<String, List<String>> files = new TreeMap<>();
    for (String from : List.of("/files.zip", "/files/1")) {
      files.clear();
      try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(fetch(path + from)))) {
        for (ZipEntry e = zip.getNextEntry(); e != null; e = zip.getNextEntry())
          files.put(e.getName(), ExrReader.channels(zip.readAllBytes()));
      }
      assertEquals(new TreeSet<>(coming), files.keySet(), from);
    }
    assertEquals(List.of("A", "B", "G", "R"), files.get(coming.get(0)));
    assertEquals(List.of("depth.Z"), files.get(coming.get(1)));
    assertTrue(files.get(coming.get(2)).contains("pieces00.R"), files.toString());
    String next = Person.json(pim.post(renders + "/names", asked)).get("first").get(0).asString();
    assertEquals("SW010/beauty/SW010_beauty_v002.1100.exr", next);
  }

  @Test
  void aShotIsRenderedWithTheHandlesOfTheProduction() throws Exception {
    goTo(1236);
    rendering();
    page.getByLabel("Shots with their handles: 8 frames more at each end").check();
    render("This shot");
    page.locator("[data-job=DONE]").waitFor();
    page.getByText("Done · 22 of 22").waitFor();
    String longer = frames();
    page.getByLabel("Shots with their handles: 8 frames more at each end").uncheck();
    button("This shot").click();
    page.getByText("Done · 6 of 6").waitFor();
    BufferedImage first = ImageIO.read(new ByteArrayInputStream(fetch(frames() + "1.png")));
    BufferedImage ninth = ImageIO.read(new ByteArrayInputStream(fetch(longer + "9.png")));
    assertTrue(Pictures.edgeCorrelation(first, ninth) > 0.9, "the ninth is the shot's first");
  }

  /** Where the frames of the newest render are. */
  private String frames() {
    String film = page.locator(".job a[href$='/film.mp4']").first().getAttribute("href");
    return film.replace("film.mp4", "frames/");
  }

  @Test
  void aRenderIsStoppedAndKeepsWhatIsFinished() {
    render("Render the cut");
    page.locator(".job img").waitFor();
    page.getByText(Pattern.compile("Rendering · \\d+ of 240 · about .* left")).waitFor();
    page.locator(".job").getByText("Stop", new Locator.GetByTextOptions().setExact(true)).click();
    page.locator("[data-job=STOPPED]").waitFor();
    page.getByText("The frames that were finished are kept.").waitFor();
    assertTrue(page.locator(".job img").isVisible());
  }

  @Test
  void theRenderedFrameIsTheLensView() throws Exception {
    choose("Crane down");
    goTo(1050);
    button("Blur").click();
    BufferedImage seen = lens();
    rendering();
    motionBlur().uncheck();
    render("This frame");
    page.locator("[data-job=DONE]").waitFor();
    String src = page.locator(".job img").getAttribute("src");
    BufferedImage rendered = ImageIO.read(new ByteArrayInputStream(fetch(src)));
    assertEquals(192, rendered.getWidth());
    // shading differs a little; the same things are in the same places: edges correlate strongly
    double same = Pictures.edgeCorrelation(Pictures.scaled(seen, 192, 108), rendered);
    double shifted =
        Pictures.edgeCorrelation(Pictures.scaled(seen, 192, 108), Pictures.shifted(rendered, 6, 4));
    assertTrue(same > 0.5 && same > shifted + 0.2, same + " against " + shifted + " when shifted");
  }

  /** One file with a layer for each pass, which other readers open. */
  @Test
  void passesComeInAnExrThatOthersRead() throws Exception {
    goTo(1050);
    rendering();
    page.getByLabel("Files", new Page.GetByLabelOptions().setExact(true)).selectOption("EXR");
    page.getByText("Passes · none yet").click();
    Locator passes = page.getByLabel("Passes", new Page.GetByLabelOptions().setExact(true));
    for (String pass : List.of("Diffuse", "Depth, smooth"))
      passes.getByLabel(Pattern.compile("^" + pass)).check();
    page.getByText("Passes · 2 kept").waitFor();
    render("This frame");
    page.locator("[data-job=DONE]").waitFor();
    var download = page.waitForDownload(() -> page.getByText("Frame as EXR").click());
    assertEquals("SW010_0010_v001.1050.exr", download.suggestedFilename());
    String header = said("exrheader", download.path().toString());
    for (String line :
        List.of(
            "depthSmooth.Z, 32-bit floating-point",
            "diffuse.R, 32-bit",
            "imageCounter (type int): 1050",
            "cameraLabel (type string): \"A Crane down\"",
            "time 00:00:02:01")) assertTrue(header.contains(line), line + " is not in " + header);
    // what is looked at is the same picture through the view transform
    Path raw = folder.resolve("raw");
    said(
        "ffmpeg",
        "-y",
        "-loglevel",
        "error",
        "-i",
        download.path().toString(),
        "-f",
        "rawvideo",
        raw.toString());
    java.nio.FloatBuffer light =
        java.nio.ByteBuffer.wrap(Files.readAllBytes(raw))
            .order(java.nio.ByteOrder.LITTLE_ENDIAN)
            .asFloatBuffer();
    BufferedImage shown =
        ImageIO.read(new ByteArrayInputStream(fetch(page.locator(".job img").getAttribute("src"))));
    for (int y = 0; y < 108; y += 9)
      for (int x = 0; x < 192; x += 7)
        assertEquals(
            kite.render.ViewTransform.of(light.get(y * 192 + x)) * 255, // green comes first
            shown.getRGB(x, y) >> 8 & 255,
            1);
  }

  @org.junit.jupiter.api.io.TempDir Path folder;

  private static String said(String... command) throws Exception {
    Process p = new ProcessBuilder(command).redirectErrorStream(true).start();
    String text = new String(p.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    assertEquals(0, p.waitFor(), text);
    return text;
  }

  @Test
  void aPngOfSixteenBitsIsHandedOn() throws Exception {
    goTo(1050);
    rendering();
    page.getByLabel("Files", new Page.GetByLabelOptions().setExact(true)).selectOption("FINE_PNG");
    render("This frame");
    page.locator("[data-job=DONE]").waitFor();
    var download = page.waitForDownload(() -> page.getByText("Frame as PNG of 16 bits").click());
    BufferedImage fine = ImageIO.read(download.path().toFile());
    assertEquals(16, fine.getColorModel().getComponentSize(0));
    BufferedImage shown =
        ImageIO.read(new ByteArrayInputStream(fetch(page.locator(".job img").getAttribute("src"))));
    for (int x = 0; x < 192; x += 5)
      assertEquals(
          fine.getRaster().getSample(x, 50, 0) / 257.0, shown.getRGB(x, 50) >> 16 & 255, 1);
  }

  /** What cannot be kept is refused, and says what to do. */
  @Test
  void passesWithoutAPlaceAreRefused() throws Exception {
    Person pim = Person.signedIn(application.address(), "pim", "hold-on-tight");
    for (String[] asked :
        new String[][] {
          {"PNG", "depth", "Passes are kept in OpenEXR files."},
          {"EXR", "gloom", "There is no pass “gloom”."},
          {"EXR", "light", "Choose the lights that are to be kept apart."}
        }) {
      Map<String, Object> kept =
          Map.of(
              "form",
              asked[0],
              "passes",
              List.of(asked[1]),
              "lights",
              List.of(),
              "surroundings",
              true,
              "bounce",
              false);
      HttpResponse<String> r =
          pim.post(
              "api/sequences/" + sequence + "/renders",
              Map.of(
                  "what", "frame", "camera", "camC", "frame", 1175, "percent", 10, "samples", 1,
                  "kept", kept));
      assertEquals(422, r.statusCode(), r.body());
      assertTrue(r.body().contains(asked[2]), r.body());
    }
  }

  @Test
  void theCutIsHandedOverAsOpenTimelineIo() throws Exception {
    button("Hand over").click();
    var download = page.waitForDownload(() -> page.getByText("SW010.otio").click());
    JsonNode t = new JsonMapper().readTree(Files.readString(download.path()));
    assertEquals("Timeline.1", t.path("OTIO_SCHEMA").asString());
    JsonNode clips = t.path("tracks").path("children").path(0).path("children");
    assertEquals(4, clips.size());
    double total = 0;
    for (JsonNode c : clips)
      total += c.path("source_range").path("duration").path("value").asDouble();
    assertEquals(240, total);
    assertEquals("SW010_0020", clips.path(1).path("name").asString());
    assertEquals(
        1061, clips.path(1).path("source_range").path("start_time").path("value").asDouble());
    assertEquals(24, clips.path(1).path("source_range").path("start_time").path("rate").asDouble());
  }

  @Test
  void bakedCamerasAreThePagesOwnCameras() throws Exception {
    String usd =
        new String(
            fetch("api/sequences/" + sequence + "/hand-over/cameras/camB.usda"),
            StandardCharsets.UTF_8);
    assertTrue(usd.startsWith("#usda 1.0"));
    byte[] glb = fetch("api/sequences/" + sequence + "/hand-over/cameras/camB.glb");
    Path file = Files.createTempFile("camera", ".glb");
    Files.write(file, glb);
    assertTrue(
        node("validate-gltf.mjs", file.toString()).contains("\"errors\":0"),
        "the glTF validator finds no error");
    for (int frame : new int[] {1070, 1095, 1130}) {
      goTo(frame);
      double[] page16 = numbers("() => jollyKite.camera('camB').world");
      Matcher m =
          Pattern.compile("\\b" + frame + ": \\(\\((.*?)\\)\\),")
              .matcher(usd.substring(usd.indexOf("xformOp:transform.timeSamples")));
      assertTrue(m.find());
      String[] parts = m.group(1).replaceAll("[()]", "").split(",");
      double[] usd16 = new double[16];
      for (int i = 0; i < 16; i++) usd16[i] = Double.parseDouble(parts[i].trim());
      assertArrayEquals(page16, usd16, 1e-9);
    }
    // and another reader of glTF finds the camera where the page has it
    double[] read =
        numbers(
            "async () => { const m = await (await fetch('/api/sequences/"
                + sequence
                + "/hand-over/cameras/camB.glb')).arrayBuffer(); const v = new DataView(m); const n = v.getUint32(12, true); const j = JSON.parse(new TextDecoder().decode(new Uint8Array(m, 20, n))); const s = j.animations[0].samplers[0]; const a = j.accessors[s.output]; const b = j.bufferViews[a.bufferView]; const at = 20 + n + 8 + b.byteOffset + 12 * (1130 - 1001); return [0, 4, 8].map(o => v.getFloat32(at + o, true)); }");
    double[] page16 = numbers("() => jollyKite.camera('camB').world");
    for (int i = 0; i < 3; i++) assertEquals(page16[12 + i], read[i], 1e-5);
  }
}
