package kite.exchange.usd;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.curve.KeyShape;
import kite.core.document.CameraPackage;
import kite.core.document.Channels;
import kite.core.document.Entity;
import kite.core.document.Header;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.document.StandInKind;
import kite.core.evaluate.Plan;
import kite.core.math.AxisOrder;
import kite.core.math.Matrix;
import kite.core.model.ModelPose;
import kite.core.model.Models;
import kite.core.number.Rate;
import kite.core.optics.FilmBack;
import kite.core.optics.Fit;
import kite.exchange.BadFile;
import kite.exchange.Budget;
import kite.exchange.gltf.GlbReader;
import kite.exchange.gltf.GlbSetWriter;
import kite.exchange.gltf.ModelFile;
import kite.exchange.track.CameraTracks;
import kite.render.ModelGeometry;
import kite.render.SceneBuilder;
import kite.render.SetOverTime;
import org.junit.jupiter.api.Test;

class UsdSetTest {
  private static Piece box(String id, String name, Channel x) {
    return new Piece(
        id,
        name,
        null,
        new Shape.StandIn(StandInKind.BOX, 2, 1, 3),
        "#ff8000",
        true,
        false,
        AxisOrder.PAN_TILT_ROLL,
        Channels.NONE.with("x", x).with("pan", 30.0).with("y", 0.5));
  }

  /** Two boxes alike, one of which moves, and a figure. */
  private static Sequence sequence() {
    Map<String, Entity> all = new LinkedHashMap<>();
    Channel moves =
        Channel.curve(Key.of(1, 0, KeyShape.STRAIGHT), Key.of(11, 5, KeyShape.STRAIGHT));
    for (Piece p :
        List.of(
            box("a", "Crate", Channel.fixed(4)),
            box("b", "Crate", moves),
            new Piece(
                "c",
                "Ann \"A\"",
                null,
                new Shape.StandIn(StandInKind.ADULT, 0.5, 1.8, 0.3),
                "#203040",
                true,
                false,
                AxisOrder.PAN_TILT_ROLL,
                Channels.NONE.with("z", -2.0)))) all.put(p.id(), p);
    return new Sequence(HEADER, all);
  }

  private static final Header HEADER =
      new Header(
          "HB010",
          "Set",
          1,
          11,
          new Rate(24, 1),
          "m",
          1,
          new CameraPackage(new FilmBack(24, 18, 1), 1920, 1080, Fit.WIDTH, 0));

  private static Map<String, UsdSetWriter.Content> layers(Sequence s) {
    SetOverTime set =
        SetOverTime.of(
            s,
            new Plan(s, Models.NONE),
            new SceneBuilder(a -> null),
            new double[] {1, 6, 11},
            true);
    return new UsdSetWriter(s, set).layers("HB_set", Map.of());
  }

  private static byte[] bytes(UsdSetWriter.Content c) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    c.write(out);
    return out.toByteArray();
  }

  private static Map<String, byte[]> files() throws IOException {
    Map<String, byte[]> all = new LinkedHashMap<>();
    for (Map.Entry<String, UsdSetWriter.Content> l : layers(sequence()).entrySet())
      all.put(l.getKey(), bytes(l.getValue()));
    return all;
  }

  private static byte[] packed() throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    UsdzWriter.write(layers(sequence()), out);
    return out.toByteArray();
  }

  /** Places of all corners, in the world. */
  private static List<double[]> corners(byte[] glb) throws BadFile {
    ModelFile m = GlbReader.read(glb);
    ModelPose pose = new ModelPose(m.geometry().rig());
    pose.pose(-1, 0, false);
    List<double[]> all = new ArrayList<>();
    for (ModelGeometry.Part p : m.geometry().parts())
      for (int i = 0; i < p.positions().length; i += 3) {
        double[] v = new double[3];
        Matrix.point(
            pose.world(),
            p.node() * Matrix.SIZE,
            p.positions()[i],
            p.positions()[i + 1],
            p.positions()[i + 2],
            v,
            0);
        all.add(v);
      }
    return all;
  }

  private static double[] bounds(List<double[]> points) {
    double[] b = new double[6];
    for (int a = 0; a < 3; a++) {
      int at = a;
      b[a] = points.stream().mapToDouble(p -> p[at]).min().orElseThrow();
      b[a + 3] = points.stream().mapToDouble(p -> p[at]).max().orElseThrow();
    }
    return b;
  }

  @Test
  void whatIsAlikeIsWrittenOnceAndReadBackWhereItStood() throws Exception {
    Map<String, byte[]> files = files();
    assertEquals(List.of("HB_set.usda", "shapes/Crate.usda"), List.copyOf(files.keySet()));
    String set = new String(files.get("HB_set.usda"), StandardCharsets.UTF_8);
    assertEquals(2, set.split("instanceable = true", -1).length - 1);
    assertTrue(set.contains("displayName = \"Ann \\\"A\\\"\""));
    assertTrue(set.contains("def Xform \"Crate_2\""));
    UsdModel m = UsdModel.read("HB_set.usda", files, Budget.usual());
    List<double[]> there = corners(m.glb());
    // crates stand at 4 and at 0, turned by 30°: 2 wide and 3 deep
    double reach = Math.cos(Math.toRadians(30)) + 1.5 * Math.sin(Math.toRadians(30));
    double[] b = bounds(there);
    assertEquals(4 + reach, b[3], 1e-5);
    assertEquals(-reach, b[0], 1e-5);
    assertEquals(1.8, b[4], 0.1, "a figure's height");
    assertEquals(List.of("What moves in it stands as it does at first."), m.warnings());
    assertEquals(new UsdModel.Holds(0, 3), UsdModel.holds("x.usdz", packed(), Budget.usual()));
    assertArrayEquals(
        m.glb(), UsdModel.read("x.usdz", Map.of("x.usdz", packed()), Budget.usual()).glb());
  }

  @Test
  void asGltfItStandsAndMovesAlike() throws Exception {
    Sequence s = sequence();
    SetOverTime set =
        SetOverTime.of(
            s,
            new Plan(s, Models.NONE),
            new SceneBuilder(a -> null),
            new double[] {1, 6, 11},
            true);
    ModelFile m = GlbReader.read(GlbSetWriter.write(s, set));
    assertEquals(List.of("Scene"), m.clips());
    ModelPose pose = new ModelPose(m.geometry().rig());
    for (double frame : new double[] {1, 3.5, 11}) {
      pose.pose(0, (frame - 1) / 24, false);
      List<double[]> crates = new ArrayList<>();
      for (ModelGeometry.Part p : m.geometry().parts()) {
        double[] v = new double[3];
        Matrix.point(pose.world(), p.node() * Matrix.SIZE, 0, 0, 0, v, 0);
        crates.add(v);
      }
      double moved = (frame - 1) / 10 * 5;
      assertTrue(
          crates.stream().anyMatch(v -> Math.abs(v[0] - moved) < 1e-5 && v[1] > 0.4),
          "a crate at " + moved);
    }
  }

  @Test
  void filesOfAPackageBeginAtMultiplesOf64() throws Exception {
    byte[] zip = packed();
    int found = 0;
    for (int i = 0; i + 30 < zip.length; i++)
      if (zip[i] == 'P' && zip[i + 1] == 'K' && zip[i + 2] == 3 && zip[i + 3] == 4) {
        int name = zip[i + 26] & 255 | (zip[i + 27] & 255) << 8;
        int extra = zip[i + 28] & 255 | (zip[i + 29] & 255) << 8;
        assertEquals(0, zip[i + 8] | zip[i + 9], "stored");
        assertEquals(0, (i + 30 + name + extra) % 64);
        found++;
      }
    assertEquals(2, found);
  }

  private static UsdModel read(String text) throws BadFile {
    return UsdModel.read(
        "a.usda",
        Map.of("a.usda", ("#usda 1.0\n" + text).getBytes(StandardCharsets.UTF_8)),
        Budget.usual());
  }

  private static final String SQUARE =
      "int[] faceVertexCounts = [4]\nint[] faceVertexIndices = [0, 1, 2, 3]\n"
          + "point3f[] points = [(0, 0, 0), (10, 0, 0), (10, 0, 10), (0, 0, 10)]\n";

  @Test
  void unitsAxesAndWhatIsHiddenAreMinded() throws Exception {
    // centimetres, Z up: a wall 10 cm wide and high that stands on the ground
    UsdModel m =
        read(
            "(\n upAxis = \"Z\"\n metersPerUnit = 0.01\n)\ndef Xform \"w\" {\n"
                + "double3 xformOp:translate = (100, 0, 0)\nuniform token[] xformOpOrder = [\"xformOp:translate\"]\n"
                + "def Mesh \"m\" {\n"
                + SQUARE
                + "}\n"
                + "def Mesh \"hidden\" { token visibility = \"invisible\"\n"
                + SQUARE
                + "}\n"
                + "def Mesh \"guide\" { uniform token purpose = \"guide\"\n"
                + SQUARE
                + "}\n}\n"
                + "class Mesh \"c\" {\n"
                + SQUARE
                + "}\ndef Sphere \"s\" {\n double radius = 2\n}\n");
    assertArrayEquals(new double[] {1, 0, 0, 1.1, 0.1, 0}, bounds(corners(m.glb())), 1e-6);
    assertEquals(List.of("Shapes that are no meshes (Sphere) are left out."), m.warnings());
    assertEquals(2, GlbReader.read(m.glb()).geometry().triangles());
  }

  @Test
  void whatStandsInTheWorldKeepsTheFilesUnitsAndAxes() throws Exception {
    UsdModel m =
        read(
            "(\n upAxis = \"Z\"\n metersPerUnit = 0.01\n)\ndef Xform \"w\" {\n"
                + "double3 xformOp:translate = (900, 0, 0)\n"
                + "uniform token[] xformOpOrder = [\"xformOp:translate\"]\n"
                + "def Mesh \"m\" {\ndouble3 xformOp:translate = (100, 0, 0)\n"
                + "uniform token[] xformOpOrder = [\"!resetXformStack!\", \"xformOp:translate\"]\n"
                + SQUARE
                + "}\n}\n");
    assertArrayEquals(new double[] {1, 0, 0, 1.1, 0.1, 0}, bounds(corners(m.glb())), 1e-6);
  }

  @Test
  void referencesInsideReferencesGoOnlySoDeep() {
    StringBuilder b =
        new StringBuilder("def Xform \"p0\" {\ndef Mesh \"m\" {\n" + SQUARE + "}\n}\n");
    for (int i = 1; i < 5000; i++)
      b.append(
          "def Xform \"p"
              + i
              + "\" {\ndef Xform \"c\" (references = </p"
              + (i - 1)
              + ">) {\n}\n}\n");
    BadFile e = assertThrows(BadFile.class, () -> read(b.toString()));
    assertTrue(e.getMessage().contains("deep"), e.getMessage());
    byte[] bytes = ("#usda 1.0\n" + b).getBytes(StandardCharsets.UTF_8);
    assertThrows(BadFile.class, () -> UsdModel.holds("a.usda", bytes, Budget.usual()));
    assertThrows(BadFile.class, () -> CameraTracks.read("a.usda", bytes, 24, Budget.usual()));
  }

  @Test
  void whatLeadsOutOrBackIsLeftOutWithASentence() throws Exception {
    String mesh = "def Mesh \"m\" {\n" + SQUARE + "}\n";
    UsdModel out =
        read(
            mesh
                + "def \"x\" (references = @../../etc/passwd@) {\n}\n"
                + "def \"y\" (references = [@/else.usda@</A>, </gone>]) {\n}\n");
    assertEquals(3, out.warnings().size(), "" + out.warnings());
    assertTrue(out.warnings().get(0).contains("not in it"), out.warnings().get(0));
    UsdModel round =
        read(
            mesh
                + "def Xform \"a\" (references = </b>) {\n}\ndef Xform \"b\" (references = </a>) {\n}\n");
    assertEquals(1, round.warnings().size(), "" + round.warnings());
    ByteArrayOutputStream zip = new ByteArrayOutputStream();
    try (ZipOutputStream z = new ZipOutputStream(zip)) {
      z.putNextEntry(new ZipEntry("../a.usda"));
      z.write("#usda 1.0\n".getBytes(StandardCharsets.UTF_8));
    }
    BadFile bad =
        assertThrows(
            BadFile.class,
            () -> UsdModel.read("a.usdz", Map.of("a.usdz", zip.toByteArray()), Budget.usual()));
    assertTrue(bad.getMessage().contains("leads out of it"), bad.getMessage());
  }

  @Test
  void whatOneInstanceSaysChangesNoOther() throws Exception {
    // both refer to the same; one moves the mesh inside
    UsdModel m =
        read(
            "class Xform \"shape\" {\ndef Mesh \"m\" {\n"
                + SQUARE
                + "}\n}\n"
                + "def Xform \"a\" (references = </shape>) {\nover \"m\" {\n"
                + "double3 xformOp:translate = (0, 0, 1000)\n"
                + "uniform token[] xformOpOrder = [\"xformOp:translate\"]\n}\n}\n"
                + "def Xform \"b\" (references = </shape>) {\n}\n");
    List<double[]> points = corners(m.glb());
    assertEquals(8, points.size());
    // centimetres, as a file without a unit has them
    assertEquals(0, points.stream().mapToDouble(p -> p[2]).min().orElseThrow(), 1e-6);
    assertEquals(10.1, points.stream().mapToDouble(p -> p[2]).max().orElseThrow(), 1e-5);
    assertEquals(4, points.stream().filter(p -> p[2] < 1).count());
  }

  @Test
  void referencesThatMultiplyWithoutEndAreStopped() {
    StringBuilder b =
        new StringBuilder("def Xform \"p0\" {\ndef Mesh \"m\" {\n" + SQUARE + "}\n}\n");
    for (int i = 1; i < 40; i++) {
      b.append("def Xform \"p").append(i).append("\" {\n");
      for (int k = 0; k < 4; k++)
        b.append("def Xform \"c")
            .append(k)
            .append("\" (references = </p")
            .append(i - 1)
            .append(">) {\n}\n");
      b.append("}\n");
    }
    assertThrows(BadFile.class, () -> read(b.toString()));
  }

  @Test
  void damagedMeshesAreRefusedInWords() {
    for (String bad :
        List.of(
            SQUARE.replace("[4]", "[5]"),
            SQUARE.replace("0, 1, 2, 3]", "0, 1, 2, 9]"),
            SQUARE.replace("0, 1, 2, 3]", "0, 1, 2.5, 3]"),
            SQUARE.replace("(0, 0, 0)", "(0, 0)"),
            SQUARE.replace("(0, 0, 0)", "(0, nan, 0)"),
            "")) {
      BadFile e = assertThrows(BadFile.class, () -> read("def Mesh \"m\" {\n" + bad + "}\n"));
      assertTrue(e.getMessage().contains("mesh"), e.getMessage());
    }
  }
}
