package kite.exchange.track;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Random;
import kite.core.bake.Bake;
import kite.core.bake.CameraTrack;
import kite.core.command.Edit;
import kite.core.command.EntityCommand.Add;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.document.Camera;
import kite.core.document.CameraPackage;
import kite.core.document.Channels;
import kite.core.document.Header;
import kite.core.document.Sequence;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.model.Models;
import kite.core.number.Rate;
import kite.core.optics.FilmBack;
import kite.core.optics.Fit;
import kite.core.rig.base.Base;
import kite.exchange.BadFile;
import kite.exchange.Budget;
import kite.exchange.gltf.GlbCameraWriter;
import kite.exchange.usd.UsdCameraWriter;
import org.joml.Matrix4d;
import org.junit.jupiter.api.Test;

class CameraTracksTest {
  private static final Sequence S = sequence();
  private static final Bake BAKE =
      Bake.of(new Plan(S, Models.NONE), (Camera) S.get("cam"), 101, 130, 1);

  private static Sequence sequence() {
    CameraPackage pack = new CameraPackage(new FilmBack(24, 18, 1), 1920, 1080, Fit.WIDTH, 0);
    Header h = new Header("SW990", "Tracks", 101, 130, new Rate(24, 1), "m", 1, pack);
    Channels base =
        Channels.NONE
            .with("x", Channel.curve(Key.smooth(101, 0), Key.smooth(130, 6)))
            .with("y", 1.7)
            .with("pan", Channel.curve(Key.smooth(101, 150), Key.smooth(130, 230)))
            .with("tilt", Channel.curve(Key.smooth(101, -10), Key.smooth(130, 20)))
            .with("roll", 3);
    Channels lens =
        Channels.NONE.with("focalLength", Channel.curve(Key.smooth(101, 35), Key.smooth(130, 70)));
    Camera c =
        new Camera(
            "cam",
            "Crane",
            "A",
            "#f0785a",
            false,
            false,
            lens,
            List.of(new Base("base", true, null, Base.Takes.POSITION, base)));
    return Edit.apply(new Sequence(h, Map.of()), List.of(new Add(c)));
  }

  /**
   * The track as a camera of its own: evaluated, it must stand and look as the one it came from.
   */
  private static void same(CameraTrack t, double tolerance) {
    Camera c = t.camera(S, new CameraTrack.Taken(t.zUp(), t.unitM(), 101), "again");
    Sequence s = Edit.apply(S, List.of(new Add(c)));
    assertEquals("B", c.letter());
    Plan plan = new Plan(s, Models.NONE);
    for (int f = 101; f <= 130; f++) {
      plan.evaluate(f);
      int a = plan.slot("cam") * 16, b = plan.slot("again") * 16;
      for (int i = 0; i < 16; i++)
        assertEquals(plan.world()[a + i], plan.world()[b + i], tolerance, "frame " + f);
      assertEquals(
          plan.lens()[plan.slot("cam") * LensRow.SIZE + LensRow.FOCAL],
          plan.lens()[plan.slot("again") * LensRow.SIZE + LensRow.FOCAL],
          1e-4);
    }
  }

  @Test
  void whatWeHandOverComesBack() throws Exception {
    String usd = UsdCameraWriter.write(S, BAKE, List.of());
    same(
        CameraTracks.read("a.usda", usd.getBytes(StandardCharsets.UTF_8), 24, Budget.usual())
            .get(0),
        1e-9);
    same(
        CameraTracks.read("a.glb", GlbCameraWriter.write(BAKE, 24, List.of()), 24, Budget.usual())
            .get(0),
        1e-5);
  }

  @Test
  void everyLengthComesBackFromOurGlbWithItsZoomAndItsLastFrame() throws Exception {
    Camera c = (Camera) S.get("cam");
    Plan plan = new Plan(S, Models.NONE);
    for (double fps : new double[] {24, 24000 / 1001.0, 25, 30000 / 1001.0, 60})
      for (int n = 2; n <= 500; n += fps == 24 ? 1 : 7) {
        double[] frames = new double[n],
            world = new double[n * 16],
            lens = new double[n * LensRow.SIZE];
        for (int r = 0; r < n; r++) {
          frames[r] = 101 + r;
          System.arraycopy(BAKE.world(), r % 30 * 16, world, r * 16, 16);
          System.arraycopy(
              BAKE.lens(), r % 30 * LensRow.SIZE, lens, r * LensRow.SIZE, LensRow.SIZE);
        }
        Bake b = new Bake(c, frames, world, new double[n * 3], lens);
        CameraTrack t =
            CameraTracks.read(
                    "a.glb", GlbCameraWriter.write(b, fps, List.of()), fps, Budget.usual())
                .get(0);
        assertEquals(n, t.frames().length, n + " frames at " + fps);
        assertEquals(n, t.focalLengthMm().length);
        assertEquals(world[(n - 1) * 16 + 12], t.world()[(n - 1) * 16 + 12], 1e-5);
      }
  }

  @Test
  void aFileSaysItsFilmBackItsRateAndMayTakeTransformsBack() throws Exception {
    String usd =
        """
        #usda 1.0
        ( metersPerUnit = 0.01 timeCodesPerSecond = 48 upAxis = "Y" )
        def Xform "rig"
        {
            double3 xformOp:translate = (500, 0, 0)
            uniform token[] xformOpOrder = ["xformOp:translate"]
            def Camera "cam"
            {
                float focalLength = 50
                float horizontalAperture = 36
                float verticalAperture = 20.25
                double3 xformOp:translate:pivot = (100, 0, 0)
                double3 xformOp:translate.timeSamples = { 0: (0, 0, 0), 96: (0, 0, 200) }
                float xformOp:rotateY = 90
                uniform token[] xformOpOrder = ["!resetXformStack!", "xformOp:translate", "xformOp:translate:pivot", "xformOp:rotateY", "!invert!xformOp:translate:pivot"]
            }
        }
        """;
    CameraTrack t =
        CameraTracks.read("a.usda", usd.getBytes(StandardCharsets.UTF_8), 24, Budget.usual())
            .get(0);
    assertArrayEquals(
        new double[] {0, 48}, t.frames(), 1e-12, "96 codes of 48 a second are 48 frames");
    double[] m = t.metres(new CameraTrack.Taken(false, 0.01, 101));
    // turned about a pivot a metre to its right, and not carried by the rig
    assertArrayEquals(new double[] {1, 0, 1}, new double[] {m[12], m[13], m[14]}, 1e-12);
    Camera c = t.camera(S, new CameraTrack.Taken(false, 0.01, 101), "again");
    Sequence s = Edit.apply(S, List.of(new Add(c)));
    Plan plan = new Plan(s, Models.NONE);
    plan.evaluate(101);
    int o = plan.slot("again") * LensRow.SIZE;
    double across =
        Math.toDegrees(
            Math.atan(plan.lens()[o + LensRow.RIGHT]) - Math.atan(plan.lens()[o + LensRow.LEFT]));
    assertEquals(39.6, across, 0.01, "36 mm behind 50 mm");
  }

  @Test
  void aTableOfNumbersIsRead() throws Exception {
    StringBuilder b = new StringBuilder("Frame;TX;TY;TZ;Pan;Tilt;Roll;Focal Length\n");
    for (int r = 0; r < 30; r++) {
      b.append(BAKE.frames()[r]);
      for (int i = 0; i < 3; i++) b.append(';').append(BAKE.world()[r * 16 + 12 + i]);
      for (int i = 0; i < 3; i++) b.append(';').append(BAKE.angles()[r * 3 + i]);
      b.append(';').append(BAKE.lens()[r * LensRow.SIZE + LensRow.FOCAL]).append('\n');
    }
    same(
        CameraTracks.read(
                "a.csv", b.toString().getBytes(StandardCharsets.UTF_8), 24, Budget.usual())
            .get(0),
        1e-9);
  }

  @Test
  void cellsOfATableMayBeQuoted() throws Exception {
    String table = "\"x\",\"y\",\"z\",\"pan\",\"tilt\",\"roll\"\n\"1.5\", \"2\" ,3,\"0\",0,0\n";
    CameraTrack t =
        CameraTracks.read("a.csv", table.getBytes(StandardCharsets.UTF_8), 24, Budget.usual())
            .get(0);
    assertArrayEquals(
        new double[] {1.5, 2, 3}, t.places(new CameraTrack.Taken(false, 1, 1001)), 1e-12);
  }

  @Test
  void nestedPrimsZUpCentimetresAndRotationsInOrder() throws Exception {
    String usd =
        """
        #usda 1.0
        ( upAxis = "Z"  metersPerUnit = 0.01 )
        def Xform "rig" (kind = "group")
        {
            double3 xformOp:translate = (100, 0, 50)
            uniform token[] xformOpOrder = ["xformOp:translate"]
            def Scope "inner" {
                def Camera "cam"
                {
                    float focalLength.timeSamples = { 1: 35, 2: 70, }
                    float3 xformOp:rotateXYZ.timeSamples = { 1: (90, 0, 0), 2: (80, 10, 20) }
                    uniform token[] xformOpOrder = ["xformOp:rotateXYZ"]
                    custom string note = "it says { ( [ here"
                    rel proxyPrim = </rig/other>
                }
            }
        }
        """;
    CameraTrack t =
        CameraTracks.read("other.usda", usd.getBytes(StandardCharsets.UTF_8), 24, Budget.usual())
            .get(0);
    assertTrue(t.zUp());
    assertEquals(0.01, t.unitM());
    assertArrayEquals(
        new double[] {3.5, 7},
        new double[] {t.focalLengthMm()[0] / 10, t.focalLengthMm()[1] / 10},
        0.001 * 10);
    double[] m = t.metres(new CameraTrack.Taken(true, 0.01, 1));
    // the file's (100, 0, 50) with Z up is 1 m right, half a metre high
    assertArrayEquals(new double[] {1, 0.5, 0}, new double[] {m[12], m[13], m[14]}, 1e-12);
    // turned 90° about X in a Z-up world, a camera looks level: our −Z
    assertArrayEquals(new double[] {0, 0, 1}, new double[] {m[8], m[9], m[10]}, 1e-12);
    double[] second =
        new Matrix4d()
            .rotateX(-Math.PI / 2)
            .rotateZ(Math.toRadians(20))
            .rotateY(Math.toRadians(10))
            .rotateX(Math.toRadians(80))
            .get(new double[16]);
    for (int i = 0; i < 12; i++) assertEquals(second[i], m[16 + i], 1e-12);
  }

  private static String refused(String name, String text) {
    return assertThrows(
            BadFile.class,
            () ->
                CameraTracks.read(name, text.getBytes(StandardCharsets.UTF_8), 24, Budget.usual()))
        .getMessage();
  }

  /** Other programs have no extras of ours: the angle of view is keyed, and that is the lens. */
  @Test
  void aKeyedAngleOfViewIsAZoom() throws Exception {
    byte[] ours = GlbCameraWriter.write(BAKE, 24, List.of());
    // the same file with our own numbers under a name that nobody knows, as long as it was
    String text = new String(ours, StandardCharsets.ISO_8859_1);
    assertTrue(text.contains("focalLengthMm") && text.contains("KHR_animation_pointer"));
    byte[] foreign =
        text.replace("focalLengthMm", "somethingElse").getBytes(StandardCharsets.ISO_8859_1);
    CameraTrack t = CameraTracks.read("a.glb", foreign, 24, Budget.usual()).get(0);
    assertEquals(BAKE.frames().length, t.focalLengthMm().length);
    double[] l = BAKE.lens();
    for (int i = 0; i < t.focalLengthMm().length; i++) {
      int o = i * LensRow.SIZE;
      double slope = (l[o + LensRow.TOP] - l[o + LensRow.BOTTOM]) / 2;
      assertEquals(slope, t.filmBackMm()[1] / 2 / t.focalLengthMm()[i], 1e-6, "frame " + i);
    }
  }

  @Test
  void badFilesGetOneSentence() {
    assertTrue(refused("a.mov", "x").contains("are read from .usda"));
    assertTrue(refused("a.usda", "PXR-USDC").contains("binary form"));
    assertTrue(refused("a.usda", "USDA").contains("does not begin with #usda"));
    assertTrue(refused("a.usda", "#usda 1.0\ndef Camera \"c\" {").contains("never closed"));
    assertTrue(refused("a.usda", "#usda 1.0\ndef Xform \"c\" {\n}").contains("no camera"));
    assertTrue(refused("a.csv", "a,b\n1,2").contains("must name the columns"));
    assertTrue(refused("a.csv", "x,y,z,pan,tilt,roll\n1,2,3,4,5,oops").contains("line 2"));
    assertTrue(refused("a.csv", "x,y,z,pan,tilt,roll\n1,2,NaN,4,5,6").contains("not finite"));
    assertTrue(refused("a.csv", "x,y,z,pan,tilt,roll\n\"1,2,3,4,5,6").contains("quotation mark"));
    assertTrue(
        refused("a.csv", "frame,x,y,z,pan,tilt,roll\n2,1,2,3,4,5,6\n1,1,2,3,4,5,6")
            .contains("do not rise"));
    assertTrue(
        refused("a.usda", "#usda 1.0\n" + "def Xform \"a\" {".repeat(200)).contains("nested"));
    String good = UsdCameraWriter.write(S, BAKE, List.of());
    Random r = new Random(8);
    for (int n = 0; n < 300; n++) { // whatever is broken, it is a sentence and nothing else
      char[] c = good.toCharArray();
      for (int k = 0; k < 4; k++)
        c[r.nextInt(c.length)] = "{}()[]\"=.:,1-x\n".charAt(r.nextInt(15));
      try {
        CameraTracks.read(
            "a.usda", new String(c).getBytes(StandardCharsets.UTF_8), 24, Budget.usual());
      } catch (BadFile expected) {
        assertTrue(expected.getMessage().length() > 10);
      }
    }
  }
}
