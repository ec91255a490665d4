package kite.exchange.usd;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.CRC32;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import kite.core.bake.CameraTrack;
import kite.core.math.Matrix;
import kite.exchange.BadFile;
import kite.exchange.Budget;
import kite.exchange.track.CameraTracks;
import kite.exchange.usd.UsdText.Prim;
import org.junit.jupiter.api.Test;

class UsdStageTest {
  private static UsdStage open(String text, Map<String, String> beside) throws BadFile {
    Map<String, byte[]> files = new HashMap<>();
    beside.forEach((name, t) -> files.put(name, bytes(t)));
    return UsdStage.open("main.usda", bytes(text), files, Budget.usual());
  }

  private static byte[] bytes(String text) {
    return ("#usda 1.0\n" + text).getBytes(StandardCharsets.UTF_8);
  }

  private static Prim at(UsdStage stage, String path) {
    Prim p = stage.root();
    for (String name : path.split("/"))
      p = p.children.stream().filter(c -> c.name.equals(name)).findFirst().orElseThrow();
    return p;
  }

  private static final String LAMP =
      """
      def Xform "lamp" (
        variants = { string size = "small" string shade = "red" }
        prepend variantSets = ["size", "shade"]
      ) {
        double own = 1
        variantSet "size" = {
          "small" { double own = 9
            double height = 2
            def Xform "bulb" { double watts = 5 }
          }
          "tall" ( prepend references = </pole> ) { double height = 8 }
        }
        variantSet "shade" = {
          "red" { color3f colour = (1, 0, 0) }
        }
      }
      class Xform "pole" { double rings = 3 }
      """;

  @Test
  void theVariantsThatAreChosenAreTaken() throws Exception {
    UsdStage s = open(LAMP, Map.of());
    Prim lamp = at(s, "lamp");
    assertEquals(1.0, lamp.values.get("own"), "what the prim says itself goes first");
    assertEquals(2.0, lamp.values.get("height"));
    assertEquals(5.0, at(s, "lamp/bulb").values.get("watts"));
    assertEquals(List.of(1.0, 0.0, 0.0), lamp.values.get("colour"));
  }

  @Test
  void whoRefersToSomethingChoosesItsVariant() throws Exception {
    UsdStage s =
        open(
            """
            def Xform "a" ( references = @lamp.usda@</lamp>
              variants = { string size = "tall" } ) {}
            def Xform "b" ( references = @lamp.usda@</lamp> ) {}
            """,
            Map.of("lamp.usda", LAMP));
    assertEquals(8.0, at(s, "a").values.get("height"));
    assertEquals(3.0, at(s, "a").values.get("rings"), "a variant refers to something in its layer");
    assertEquals(0, at(s, "a").children.size());
    assertEquals(2.0, at(s, "b").values.get("height"), "the other is as it was");
    assertEquals(List.of(1.0, 0.0, 0.0), at(s, "a").values.get("colour"));
  }

  @Test
  void classesAreInherited() throws Exception {
    UsdStage s =
        open(
            """
            class "kind" { double size = 4
              double heavy = 2 }
            def Xform "x" ( inherits = </kind> ) { double heavy = 7 }
            """,
            Map.of());
    assertEquals(4.0, at(s, "x").values.get("size"));
    assertEquals(7.0, at(s, "x").values.get("heavy"));
    assertTrue(at(s, "x").there);
  }

  private static final String CLIP =
      "def \"move\" {\n double x.timeSamples = { 0: 0, 10: 100 }\n"
          + "def \"in\" { double y.timeSamples = { 0: 1, 10: 2 }\n}\n}";

  /** Two turns of one clip: from 100 at its own speed, from 110 twice as fast, backwards. */
  private static final String CLIPPED =
      """
      def "p" (
        clips = { dictionary default = {
          asset[] assetPaths = [@./clips/a.usda@]
          double2[] active = [(100, 0), (110, 0)]
          double2[] times = [(100, 0), (110, 10), (110, 10), (115, 0)]
          string primPath = "/move"
        } }
      ) { def "in" {} }
      """;

  @Test
  void clipsTakeTurnsAndMayBeStretched() throws Exception {
    UsdStage s = open(CLIPPED, Map.of("clips/a.usda", CLIP));
    Prim p = at(s, "p");
    for (double[] known :
        new double[][] {{90, 0}, {100, 0}, {104, 40}, {110, 100}, {112.5, 50}, {115, 0}, {130, 0}})
      assertEquals(known[1], (Double) numbers(UsdPlaces.at(p, "x", known[0])), 1e-9, known[0] + "");
    assertEquals(1.4, numbers(UsdPlaces.at(at(s, "p/in"), "y", 104)), 1e-9);
  }

  private static double numbers(Object o) throws BadFile {
    return UsdPlaces.numbers(o).get(0);
  }

  @Test
  void clipsMayBeCountedThroughAndJumpBetween() throws Exception {
    String named =
        """
        def "p" ( clips = { dictionary default = {
          string templateAssetPath = "a.###.usda"
          double templateStartTime = 8
          double templateEndTime = 9
          string primPath = "/q" } } ) {}
        """;
    UsdStage s =
        open(
            named,
            Map.of(
                "a.008.usda", "def \"q\" { double x.timeSamples = { 8: 1 }\n}",
                "a.009.usda", "def \"q\" { double x.timeSamples = { 9: 5 }\n}"));
    Prim p = at(s, "p");
    assertEquals(1, numbers(UsdPlaces.at(p, "x", 8)));
    assertEquals(1, numbers(UsdPlaces.at(p, "x", 8.99)), "until the next has its turn");
    assertEquals(5, numbers(UsdPlaces.at(p, "x", 9)));
    UsdStage without = open(named, Map.of("a.008.usda", "def \"q\" {}"));
    assertEquals(1, without.leftOut().size(), "" + without.leftOut());
    assertThrows(BadFile.class, () -> open(named.replace("= 9", "= 9e9"), Map.of()));
    assertThrows(BadFile.class, () -> open(named.replace("###", ""), Map.of()));
    assertThrows(
        BadFile.class, () -> open(CLIPPED.replace("(110, 0)]", "(110, 3)]"), Map.of("a", "")));
  }

  @Test
  void aCameraMovesByTheClipsOfItsPackage() throws Exception {
    String camera =
        """
        ( metersPerUnit = 1
          timeCodesPerSecond = 24 )
        def Camera "cam" ( clips = { dictionary default = {
            asset[] assetPaths = [@./move.usda@]
            double2[] active = [(1, 0)]
            string primPath = "/cam" } } ) {
          float focalLength = 35
          double3 xformOp:translate = (0, 0, 0)
          uniform token[] xformOpOrder = ["xformOp:translate"]
        }
        """;
    String move =
        "def Camera \"cam\" { double3 xformOp:translate.timeSamples = { 1: (0, 1, 0), 5: (8, 1, 0) }\n}";
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (ZipOutputStream z = new ZipOutputStream(out)) {
      for (String[] f : new String[][] {{"main.usda", camera}, {"move.usda", move}}) {
        ZipEntry e = new ZipEntry(f[0]);
        byte[] b = bytes(f[1]);
        CRC32 crc = new CRC32();
        crc.update(b);
        e.setMethod(ZipEntry.STORED);
        e.setSize(b.length);
        e.setCrc(crc.getValue());
        z.putNextEntry(e);
        z.write(b);
      }
    }
    CameraTrack t = CameraTracks.read("shot.usdz", out.toByteArray(), 24, Budget.usual()).get(0);
    assertArrayEquals(new double[] {1, 5}, t.frames(), 1e-9);
    assertEquals(8, t.world()[Matrix.SIZE + Matrix.OX], 1e-9);
    assertEquals(1, t.world()[Matrix.SIZE + Matrix.OY], 1e-9);
  }
}
