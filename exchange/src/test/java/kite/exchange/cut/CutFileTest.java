package kite.exchange.cut;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.EntityCommand;
import kite.core.command.ShotCommand;
import kite.core.cutting.BroughtShot;
import kite.core.cutting.CutBrought;
import kite.core.document.Camera;
import kite.core.document.CameraPackage;
import kite.core.document.Channels;
import kite.core.document.Header;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.document.Speed;
import kite.core.document.Take;
import kite.core.number.Rate;
import kite.core.optics.FilmBack;
import kite.core.optics.Fit;
import kite.exchange.BadFile;
import kite.exchange.Budget;
import org.junit.jupiter.api.Test;

class CutFileTest {
  private static final Rate FILM = new Rate(24, 1), SLOW_FILM = new Rate(24000, 1001);
  private static final Rate BROADCAST = new Rate(30000, 1001);
  private final Random r = new Random(7);

  private static Sequence empty(Rate rate) {
    Header h =
        new Header(
            "SW990",
            "Test",
            1001,
            9000,
            rate,
            "m",
            1,
            new CameraPackage(new FilmBack(24, 18, 1), 1920, 1080, Fit.WIDTH, 0));
    List<Command> all = new ArrayList<>();
    for (String letter : List.of("A", "B"))
      all.add(
          new EntityCommand.Add(
              new Camera(
                  "cam" + letter,
                  "Pier " + letter,
                  letter,
                  "#f0785a",
                  false,
                  true,
                  Channels.NONE,
                  List.of())));
    return Edit.apply(new Sequence(h, Map.of()), all);
  }

  private Sequence someReel(Rate rate) {
    List<Command> all = new ArrayList<>();
    for (int i = 0; i < 12; i++) {
      String camera = new String[] {"camA", "camB", null}[r.nextInt(3)];
      Speed speed = r.nextInt(3) == 0 ? new Speed.Steady(7, 11) : Speed.AS_IT_IS;
      Take t = new Take("t", "1", camera, 1001 + r.nextInt(5000), 2 * (1 + r.nextInt(200)), speed);
      all.add(new ShotCommand.InsertShot(Shot.of("s" + i, "SW990_" + (10 + i), t), null));
    }
    return Edit.apply(empty(rate), all);
  }

  private static CutFile read(String name, String text, Rate rate) throws BadFile {
    return CutFile.read(name, text.getBytes(StandardCharsets.UTF_8), rate, Budget.usual());
  }

  @Test
  void whatIsWrittenIsReadAsTheSameCut() throws Exception {
    for (Rate rate :
        List.of(FILM, SLOW_FILM, BROADCAST, new Rate(25, 1), new Rate(60, 1), new Rate(12, 1)))
      for (int round = 0; round < 8; round++) {
        Sequence s = someReel(rate);
        for (CutFile f :
            List.of(
                read("a.edl", EdlWriter.write(s), rate),
                read("a.otio", OtioWriter.write(s), rate))) {
          assertEquals(List.of(), f.problems());
          assertEquals("SW990", f.title());
          CutBrought.CutAnswer a = CutBrought.of(s, f.shots(), List.of(), ids(12), false);
          assertEquals(List.of(), a.commands(), rate + ": " + a.rows());
        }
      }
  }

  private static List<String> ids(int n) {
    List<String> all = new ArrayList<>();
    for (int i = 0; i < n; i++) all.add("n" + i);
    return all;
  }

  /** The layout as it is published: columns, an event's parts, the lines that follow it. */
  @Test
  void anEditDecisionListIsLaidOutAsOthersReadIt() {
    List<Command> all = new ArrayList<>();
    Take half = new Take("t", "1", "camA", 1001, 48, new Speed.Steady(1, 2));
    Take gap = new Take("t", "1", null, 0, 12, Speed.AS_IT_IS);
    all.add(new ShotCommand.InsertShot(Shot.of("a", "SW990_0010", half), null));
    all.add(new ShotCommand.InsertShot(Shot.of("b", "Möwe – 2", gap), null));
    all.add(new ShotCommand.SetNotes("a", "slower\nstill"));
    String[] lines = EdlWriter.write(Edit.apply(empty(FILM), all)).split("\r\n");
    assertEquals("TITLE: SW990", lines[0]);
    assertEquals("FCM: NON-DROP FRAME", lines[1]);
    assertEquals(
        "001  CAMA     V     C        00:00:41:17 00:00:42:17 00:00:00:00 00:00:02:00", lines[2]);
    assertEquals("M2   CAMA           012.00                00:00:41:17", lines[3]);
    assertEquals("* FROM CLIP NAME: SW990_0010", lines[4]);
    assertEquals("* COMMENT: CAMERA A Pier A, TAKE 1", lines[5]);
    assertEquals("* COMMENT: slower", lines[6]);
    assertEquals("* COMMENT: still", lines[7]);
    assertEquals(
        "002  BL       V     C        00:00:00:00 00:00:00:12 00:00:02:00 00:00:02:12", lines[8]);
    assertEquals("* FROM CLIP NAME: Mowe - 2", lines[9]);
    assertTrue(EdlWriter.write(empty(BROADCAST)).contains("FCM: DROP FRAME"));
  }

  @Test
  void aListFromElsewhereIsReadWithItsTransitionsAndSpeeds() throws Exception {
    CutFile f =
        read(
            "reel.edl",
            """
            TITLE: Reel 3
            FCM: NON-DROP FRAME

            001  CAMA     V     C        00:00:41:17 00:00:43:17 01:00:00:00 01:00:02:00
            * FROM CLIP NAME: SW990_0010
            002  CAMA     V     C        00:00:43:17 00:00:43:17 01:00:02:00 01:00:02:00
            002  CAMB     V     D    012 00:00:50:00 00:00:51:00 01:00:02:00 01:00:03:00
            * FROM CLIP NAME: SW990_0010
            * TO CLIP NAME: SW990_0020
            003  T1       A     C        00:00:00:00 00:00:03:00 01:00:00:00 01:00:03:00
            004  XYZ      V     C        00:00:10:00 00:00:10:12 01:00:04:00 01:00:05:00
            M2   XYZ            012.0                00:00:10:00
            * FROM CLIP NAME: Stock
            """,
            FILM);
    assertEquals("Reel 3", f.title());
    assertEquals(
        List.of(
            new BroughtShot("SW990_0010", "A", false, 1001.0, 48, 1, 1, 4),
            new BroughtShot("SW990_0020", "B", false, 1200.0, 24, 1, 1, 7),
            new BroughtShot("", "", true, null, 24, 1, 1, 11),
            new BroughtShot("Stock", "", false, 240.0, 24, 1, 2, 11)),
        f.shots());
    assertEquals(2, f.problems().size(), f.problems().toString());
    assertEquals(7, f.problems().get(0).line());
    assertTrue(f.problems().get(1).text().contains("1 event of sound"));
  }

  @Test
  void whatIsWrongIsSaidWithItsLineAndTheRestIsRead() throws Exception {
    CutFile f =
        read(
            "bad.edl",
            """
            FCM: DROP FRAME
            001  CAMA     V     C        00:00:41:17 00:00:43:17 01:00:00:00 01:00:02:00
            002  CAMA     V     C        00:00:41:30 00:00:43:17 01:00:02:00 01:00:04:00
            003  CAMA     V     C        00:00:41:17 00:00:43:17 01:00:01:00 01:00:03:00
            004  CAMA     V     C        nonsense
            005  CAMA     V     C        00:00:41:17 00:00:43:17 01:00:09:00 01:00:08:00
            006  CAMA     V     C        00:00:41:17 00:00:42:17 01:00:02:00 01:00:04:00
            007  CAMA     V     C        00:00:41:17 00:00:43:17 01:00:04:00 01:00:06:00
            M2   CAMA           -24.0                00:00:41:17
            M2   CAMA           fast                 00:00:41:17
            """,
            FILM);
    assertEquals(3, f.shots().size(), f.shots().toString());
    Map<Integer, String> said =
        Map.of(
            1, "drop frame",
            3, "A second has 24 frames",
            4, "before the one before it has ended",
            5, "cannot be read",
            6, "ends before it begins",
            7, "no speed told",
            8, "runs backwards",
            10, "cannot be read");
    said.forEach(
        (line, words) ->
            assertTrue(
                f.problems().stream().anyMatch(p -> p.line() == line && p.text().contains(words)),
                line + " " + words + " in " + f.problems()));
    assertEquals(said.size(), f.problems().size(), f.problems().toString());
  }

  @Test
  void aTimelineWithWhatWeDoNotKnowKeepsItsLengths() throws Exception {
    String nested =
        """
        {"OTIO_SCHEMA": "Timeline.1", "name": "x", "tracks": {"OTIO_SCHEMA": "Stack.1", "children": [
          {"OTIO_SCHEMA": "Track.1", "kind": "Audio", "children": []},
          {"OTIO_SCHEMA": "Track.1", "kind": "Video", "children": [
            {"OTIO_SCHEMA": "Clip.2", "name": "SW990_0010",
             "media_references": {"DEFAULT_MEDIA": {"OTIO_SCHEMA": "ExternalReference.1",
               "available_range": %1$s}}, "active_media_reference_key": "DEFAULT_MEDIA"},
            {"OTIO_SCHEMA": "Stack.1", "name": "versions", "source_range": %1$s},
            {"OTIO_SCHEMA": "Transition.1", "name": "soft"},
            {"OTIO_SCHEMA": "Whatever.9", "source_range": %1$s},
            {"OTIO_SCHEMA": "Clip.1", "name": "still", "source_range": %1$s,
             "effects": [{"OTIO_SCHEMA": "FreezeFrame.1", "time_scalar": 0}]},
            {"OTIO_SCHEMA": "Clip.1", "name": "endless"}]},
          {"OTIO_SCHEMA": "Track.1", "kind": "Video", "children": []}]}}
        """
            .formatted(
                "{\"OTIO_SCHEMA\": \"TimeRange.1\", \"start_time\": {\"OTIO_SCHEMA\":"
                    + " \"RationalTime.1\", \"rate\": 48, \"value\": 96}, \"duration\":"
                    + " {\"OTIO_SCHEMA\": \"RationalTime.1\", \"rate\": 48, \"value\": 20}}");
    CutFile f = read("x.otio", nested, FILM);
    assertEquals(new BroughtShot("SW990_0010", "", false, 48.0, 10, 1, 1, 0), f.shots().get(0));
    assertEquals(4, f.shots().size());
    assertTrue(f.shots().get(1).isGap() && f.shots().get(2).isGap());
    assertEquals(10, f.shots().get(2).frames());
    assertEquals(6, f.problems().size(), f.problems().toString());
  }

  @Test
  void whatIsNoCutIsASentence() {
    String deep = "[".repeat(100) + "]".repeat(100);
    for (List<String> bad :
        List.of(
            List.of("a.otio", "{", "damaged"),
            List.of("a.otio", deep, "60 deep"),
            List.of(
                "a.otio", "{\"OTIO_SCHEMA\": \"SerializableCollection.1\"}", "no OpenTimelineIO"),
            List.of(
                "a.otio",
                "{\"OTIO_SCHEMA\": \"Timeline.1\", \"tracks\": {\"children\": []}}",
                "no picture track"),
            List.of("a.edl", "hello", "no picture event"),
            List.of("a.mov", "x", "read from .otio and .edl"),
            List.of("a.edl", "1".repeat(5000), "longer than"))) {
      String said =
          assertThrows(BadFile.class, () -> read(bad.get(0), bad.get(1), FILM)).getMessage();
      assertTrue(said.contains(bad.get(2)), said);
    }
  }
}
