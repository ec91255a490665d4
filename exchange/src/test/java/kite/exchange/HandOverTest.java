package kite.exchange;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import kite.core.bake.Bake;
import kite.core.bake.CameraTrack;
import kite.core.bake.PlaceTrack;
import kite.core.command.Edit;
import kite.core.command.ShotCommand;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.cut.EarlierCut;
import kite.core.document.Camera;
import kite.core.document.CameraPackage;
import kite.core.document.Channels;
import kite.core.document.CutEntry;
import kite.core.document.Header;
import kite.core.document.Marker;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.document.Sound;
import kite.core.document.SoundTrack;
import kite.core.document.Speed;
import kite.core.document.Take;
import kite.core.evaluate.Plan;
import kite.core.model.Models;
import kite.core.number.Rate;
import kite.core.optics.FilmBack;
import kite.core.optics.Fit;
import kite.core.rig.base.Base;
import kite.exchange.cut.OtioWriter;
import kite.exchange.gltf.GlbCameraWriter;
import kite.exchange.track.CameraTable;
import kite.exchange.track.CameraTracks;
import kite.exchange.usd.UsdCameraWriter;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

class HandOverTest {
  private static Sequence sequence() {
    Header h =
        new Header(
            "SW990",
            "Test",
            101,
            120,
            new Rate(24000, 1001),
            "m",
            1,
            new CameraPackage(new FilmBack(24, 18, 1), 1920, 1080, Fit.WIDTH, 0));
    Base base =
        new Base(
            "base",
            true,
            null,
            Base.Takes.POSITION,
            Channels.NONE.with("x", Channel.curve(Key.smooth(101, 0), Key.smooth(120, 4))));
    Camera c =
        new Camera(
            "cam",
            "1 Crane",
            "A",
            "#f0785a",
            false,
            true,
            Channels.NONE.with("focalLength", 50).with("shiftX", 1.2),
            List.of(base));
    return new Sequence(
        h,
        Map.of(
            "cam",
            c,
            "one",
            new CutEntry("one", "SW990_0010", "cam", 105),
            "two",
            new CutEntry("two", "SW990_0020", null, 112)));
  }

  @Test
  void theTimelineHasClipsAndGapsThatFillIt() {
    JsonNode t = JsonMapper.builder().build().readTree(OtioWriter.write(sequence()));
    JsonNode track = t.path("tracks").path("children").path(0);
    assertEquals("Track.1", track.path("OTIO_SCHEMA").asString());
    String[] schemas = {"Clip.1", "Gap.1"};
    double[] lengths = {7, 9};
    for (int i = 0; i < 2; i++) {
      JsonNode c = track.path("children").path(i);
      assertEquals(schemas[i], c.path("OTIO_SCHEMA").asString());
      assertEquals(lengths[i], c.path("source_range").path("duration").path("value").asDouble());
      assertEquals(24000 / 1001.0, c.path("source_range").path("duration").path("rate").asDouble());
    }
    assertEquals("SW990_0010", track.path("children").path(0).path("name").asString());
  }

  @Test
  void theTimelineSaysWhichActionEachShotShowsAndHowFast() {
    Sequence s = EarlierCut.asShots(sequence());
    Take slow = new Take("take1", "1", "cam", 103, 12, new Speed.Steady(1, 2));
    s =
        Edit.apply(
            s, List.of(new ShotCommand.InsertShot(Shot.of("again", "SW990_0005", slow), "one")));
    JsonNode clips =
        JsonMapper.builder()
            .build()
            .readTree(OtioWriter.write(s))
            .path("tracks")
            .path("children")
            .path(0)
            .path("children");
    JsonNode again = clips.path(0), one = clips.path(1);
    assertEquals("SW990_0005", again.path("name").asString());
    assertEquals(103, again.path("source_range").path("start_time").path("value").asDouble());
    assertEquals(12, again.path("source_range").path("duration").path("value").asDouble());
    assertEquals("LinearTimeWarp.1", again.path("effects").path(0).path("OTIO_SCHEMA").asString());
    assertEquals(0.5, again.path("effects").path(0).path("time_scalar").asDouble());
    assertEquals(105, one.path("source_range").path("start_time").path("value").asDouble());
    assertTrue(one.path("effects").isMissingNode());
  }

  @Test
  void soundsAreTracksInWhichNothingLiesOverAnythingElseAndMarkersStand() {
    double second = 24000 / 1001.0;
    Sound wind =
        new Sound("a", "Wind", "t", "ab".repeat(32), 9, 101 + second, 2, 3, -6, false, 0.5, 0);
    Sequence s =
        EarlierCut.asShots(sequence())
            .with(new SoundTrack("t", "Scratch", "i", -3, false, false))
            .with(wind)
            .with(wind.withId("b").withName("Sea").withAt(101 + 2 * second).withMuted(true))
            .with(wind.withId("c").withName("Bell").withAt(101 - second))
            .with(new Marker("m", "Now", 110, "#f0c040"));
    JsonNode stack = JsonMapper.builder().build().readTree(OtioWriter.write(s)).path("tracks");
    List<String> told = new ArrayList<>();
    for (JsonNode track : stack.path("children")) {
      told.add(track.path("kind").asString() + " " + track.path("name").asString());
      if (track.path("kind").asString().equals("Video")) continue;
      for (JsonNode c : track.path("children")) {
        JsonNode range = c.path("source_range");
        told.add(
            c.path("name").asString()
                + seconds(range.path("start_time"))
                + seconds(range.path("duration"))
                + (c.path("enabled").asBoolean(true) ? "" : " off"));
      }
    }
    assertEquals(
        List.of(
            "Video Cut",
            "Audio Scratch",
            "Bell 3.0 2.0", // a second of it comes before the programme
            "Sea 2.0 3.0 off",
            "Audio Scratch",
            " 0.0 1.0",
            "Wind 2.0 3.0"),
        told);
    JsonNode marker = stack.path("markers").path(0);
    assertEquals("Marker.2", marker.path("OTIO_SCHEMA").asString());
    assertEquals("Now", marker.path("name").asString());
    assertEquals("ORANGE", marker.path("color").asString());
    assertEquals(9, marker.path("marked_range").path("start_time").path("value").asDouble());
  }

  private static String seconds(JsonNode time) {
    return " " + Math.round(time.path("value").asDouble() * 1001 / 24000 * 1e6) / 1e6;
  }

  @Test
  void namesThatCleanUpAlikeStayApartAndWhatStaysIsSaidOnce() {
    Sequence s = sequence();
    double[] f = {101, 102}, p = {1, 2, 3, 1, 2, 3};
    String usd =
        UsdCameraWriter.write(
            s,
            Bake.of(new Plan(s, Models.NONE), (Camera) s.get("cam"), 101, 120, 1),
            List.of(
                new PlaceTrack("a", "1 Crane", f, p),
                new PlaceTrack("b", "Moon-1", f, p),
                new PlaceTrack("c", "Moon 1", f, p)));
    for (String name : List.of("_1_Crane", "_1_Crane_2", "Moon_1", "Moon_1_2"))
      assertEquals(1, usd.split("def [A-Za-z]+ \"" + name + "\"\n", -1).length - 1, name);
    assertTrue(usd.contains("    float2 clippingRange = (0.1, 1000)\n"), usd);
  }

  /** 50 mm behind a frame of 24 by 13.5 mm, shifted by 1.2 mm to the right. */
  @Test
  void theTableOfACameraIsReadAgainAndSaysItsAngles() throws Exception {
    Sequence s = sequence();
    Bake bake = Bake.of(new Plan(s, Models.NONE), (Camera) s.get("cam"), 101, 120, 1);
    String table = CameraTable.write(bake);
    CameraTrack track =
        CameraTracks.read("a.csv", table.getBytes(StandardCharsets.UTF_8), 24, Budget.usual())
            .get(0);
    assertArrayEquals(bake.frames(), track.frames());
    assertArrayEquals(bake.world(), track.world(), 1e-9);
    for (double mm : track.focalLengthMm()) assertEquals(50, mm);
    String[] first = table.split("\r\n")[1].split(",");
    double across = Math.toDegrees(Math.atan(13.2 / 50) + Math.atan(10.8 / 50));
    assertEquals(across, Double.parseDouble(first[first.length - 2]), 1e-9);
    double up = 2 * Math.toDegrees(Math.atan(6.75 / 50));
    assertEquals(up, Double.parseDouble(first[first.length - 1]), 1e-9);
  }

  @Test
  void aLensThatZoomsIsKeyedInGlbAndOneThatStaysIsNot() {
    Sequence s = sequence();
    Camera still = (Camera) s.get("cam");
    Camera zooms =
        still.withChannel("focalLength", Channel.curve(Key.smooth(101, 25), Key.smooth(120, 63)));
    for (Camera c : List.of(still, zooms)) {
      Bake bake = Bake.of(new Plan(s.with(c), Models.NONE), c, 101, 120, 1);
      byte[] glb = GlbCameraWriter.write(bake, 24, List.of());
      java.nio.ByteBuffer b = java.nio.ByteBuffer.wrap(glb).order(java.nio.ByteOrder.LITTLE_ENDIAN);
      int json = b.getInt(12);
      JsonNode root = JsonMapper.builder().build().readTree(new String(glb, 20, json));
      JsonNode channels = root.path("animations").path(0).path("channels");
      assertEquals(c == zooms ? 3 : 2, channels.size());
      assertEquals(c == zooms, root.has("extensionsUsed"));
      if (c == still) continue;
      JsonNode target = channels.path(2).path("target");
      assertEquals(
          "/cameras/0/perspective/yfov",
          target.path("extensions").path("KHR_animation_pointer").path("pointer").asString());
      JsonNode sampler = root.path("animations").path(0).path("samplers").path(2);
      JsonNode values = root.path("accessors").path(sampler.path("output").asInt());
      int at =
          20
              + json
              + 8
              + root.path("bufferViews")
                  .path(values.path("bufferView").asInt())
                  .path("byteOffset")
                  .asInt();
      assertEquals(20, values.path("count").asInt());
      assertEquals(2 * Math.atan(13.5 / 25 / 2), b.getFloat(at), 1e-6);
      assertEquals(2 * Math.atan(13.5 / 63 / 2), b.getFloat(at + 19 * 4), 1e-6);
    }
  }

  @Test
  void aShiftedLensKeepsItsScaleInGlb() {
    Sequence s = sequence();
    Camera c = (Camera) s.get("cam");
    for (double shift : new double[] {0, 8, -5}) {
      Camera shifted =
          c.withChannel("focalLength", Channel.fixed(25))
              .withChannel("shiftY", Channel.fixed(shift));
      Sequence t = s.with(shifted);
      byte[] glb =
          GlbCameraWriter.write(
              Bake.of(new Plan(t, Models.NONE), shifted, 101, 102, 1), 24, List.of());
      int length = java.nio.ByteBuffer.wrap(glb).order(java.nio.ByteOrder.LITTLE_ENDIAN).getInt(12);
      JsonNode root = JsonMapper.builder().build().readTree(new String(glb, 20, length));
      double yfov = root.path("cameras").path(0).path("perspective").path("yfov").asDouble();
      assertEquals(13.5 / 25, 2 * Math.tan(yfov / 2), 1e-9, "a frame of 13.5 mm behind 25 mm");
    }
  }

  @Test
  void theUsdCameraSaysItsLensInTenthsOfAMetreAndItsPlaceOnEveryFrame() {
    Sequence s = sequence();
    String usd =
        UsdCameraWriter.write(
            s,
            Bake.of(new Plan(s, Models.NONE), (Camera) s.get("cam"), 101, 120, 1),
            List.of(
                new PlaceTrack(
                    "a", "Moon here", new double[] {101, 102}, new double[] {1, 2, 3, 1, 2, 3})));
    assertTrue(
        usd.contains("def Xform \"Moon_here\"\n{\n    double3 xformOp:translate = (1, 2, 3)"));
    assertTrue(usd.startsWith("#usda 1.0\n"));
    assertTrue(usd.contains("metersPerUnit = 1") && usd.contains("upAxis = \"Y\""));
    assertTrue(usd.contains("def Camera \"_1_Crane\""), "a prim name may not begin with a digit");
    assertTrue(usd.contains("float focalLength = 0.5\n"), "50 mm are half a tenth of a metre");
    assertTrue(usd.contains("float horizontalAperture = 0.24"));
    assertTrue(
        usd.contains("float verticalAperture = 0.135"),
        "the delivery window's height, 24 mm × 9/16");
    assertTrue(usd.contains("float horizontalApertureOffset = 0.012"));
    assertEquals(
        21,
        usd.split("\\(\\(1, 0, 0, 0\\), ", -1).length - 1,
        "a matrix on every frame, and one for who reads no motion");
    assertTrue(usd.contains("120: ((1, 0, 0, 0), (0, 1, 0, 0), (0, 0, 1, 0), (4, 0, 0, 1))"));
    assertEquals(
        usd.chars().filter(c -> c == '{').count(), usd.chars().filter(c -> c == '}').count());
  }
}
