package kite.exchange.hostile;

import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import javax.imageio.ImageIO;
import kite.core.bake.CameraTrack;
import kite.core.codec.ModelJson;
import kite.core.codec.TrackJson;
import kite.core.model.ModelPose;
import kite.core.number.Rate;
import kite.exchange.BadFile;
import kite.exchange.Budget;
import kite.exchange.cut.CutFile;
import kite.exchange.gltf.GlbReader;
import kite.exchange.gltf.GltfTogether;
import kite.exchange.gltf.ModelFile;
import kite.exchange.obj.ObjModel;
import kite.exchange.track.CameraTracks;
import org.junit.jupiter.api.Test;

/** Whatever is damaged in a file, it is read or refused with a sentence, and nothing else. */
class MutatedFilesTest {
  /** Damaged files per reader; ./kite campaign takes ten thousand. */
  private static final int FILES = Integer.getInteger("mutated.files", 400);

  /** Reads a file's bytes to the end, as whoever brings it does. */
  private interface Reader {
    void read(byte[] bytes) throws BadFile;
  }

  /** Makes another of a good file. */
  private interface Damage {
    byte[] to(byte[] good);
  }

  private static void campaign(String what, byte[] good, Reader reader, int seed, Damages d)
      throws BadFile {
    reader.read(good);
    Random r = new Random(seed);
    List<Damage> damages = d.of(new Mutations(r));
    Map<String, Integer> faults = new TreeMap<>();
    int refused = 0;
    for (int n = 0; n < FILES; n++) {
      byte[] bad = damages.get(n % damages.size()).to(good);
      try {
        reader.read(bad);
      } catch (BadFile e) {
        refused++;
        String said = e.getMessage();
        assertTrue(said.endsWith(".") || said.endsWith(".)"), said);
        assertFalse(said.contains("Exception") || said.contains("java."), said);
        assertTrue(said.chars().noneMatch(Character::isISOControl), said);
      } catch (RuntimeException | StackOverflowError e) {
        StackTraceElement at =
            Arrays.stream(e.getStackTrace())
                .filter(s -> s.getClassName().startsWith("kite."))
                .findFirst()
                .orElse(e.getStackTrace()[0]);
        faults.merge(e + " at " + at, 1, Integer::sum);
      }
    }
    assertTrue(faults.isEmpty(), what + ": " + faults);
    assertTrue(refused > FILES / 50 && refused < FILES, what + " refused: " + refused);
  }

  /** The damages that fit a kind of file. */
  private interface Damages {
    List<Damage> of(Mutations m);
  }

  @Test
  void glb() throws Exception {
    campaign(
        "glb",
        model(),
        b -> opened(GlbReader.read(b, Budget.usual())),
        1,
        m -> List.of(m::bytes, b -> describedAnew(b, m)));
  }

  @Test
  void gltf() throws Exception {
    byte[] json = description(model());
    byte[] data = Arrays.copyOfRange(model(), 20 + json.length + 8, model().length);
    byte[] apart =
        new String(json, StandardCharsets.UTF_8)
            .replaceFirst("\"buffers\":\\[\\{", "\"buffers\":[{\"uri\":\"data.bin\",")
            .getBytes(StandardCharsets.UTF_8);
    campaign(
        "gltf with its data",
        apart,
        b ->
            opened(
                GlbReader.read(
                    GltfTogether.read(Map.of("a.gltf", b, "data.bin", data), Budget.usual()))),
        2,
        m -> List.of(m::bytes, m::json, m::words));
  }

  @Test
  void gltfCameras() throws Exception {
    campaign(
        "cameras of a glb",
        cameras(),
        b -> tracks("a.glb", b),
        3,
        m -> List.of(m::bytes, b -> describedAnew(b, m)));
  }

  /** A cut with a speed, a gap and notes; what is said of parts of it is a refusal here, too. */
  private static Reader cut(String name) {
    return b -> {
      CutFile f = CutFile.read(name, b, new Rate(24, 1), Budget.usual());
      for (CutFile.Trouble t : f.problems()) throw new BadFile(t.text());
    };
  }

  private static final String EVENTS =
      """
      TITLE: SW010
      FCM: NON-DROP FRAME
      001  CAMA     V     C        00:00:41:17 00:00:44:05 00:00:00:00 00:00:02:12
      * FROM CLIP NAME: SW010_0010
      002  BL       V     C        00:00:00:00 00:00:01:00 00:00:02:12 00:00:03:12
      003  CAMB     V     C        00:00:44:05 00:00:45:05 00:00:04:12 00:00:06:12
      M2   CAMB           012.00                00:00:44:05
      * COMMENT: slower
      """;

  @Test
  void editDecisionLists() throws Exception {
    byte[] list = EVENTS.getBytes(StandardCharsets.UTF_8);
    campaign("edl", list, cut("a.edl"), 11, m -> List.of(m::bytes, m::words));
  }

  @Test
  void timelines() throws Exception {
    String range =
        "{\"OTIO_SCHEMA\":\"TimeRange.1\",\"start_time\":{\"rate\":24,\"value\":1001},"
            + "\"duration\":{\"rate\":24,\"value\":60}}";
    String timeline =
        "{\"OTIO_SCHEMA\":\"Timeline.1\",\"name\":\"SW010\",\"tracks\":{\"children\":[{\"OTIO_SCHEMA\":"
            + "\"Track.1\",\"kind\":\"Video\",\"children\":[{\"OTIO_SCHEMA\":\"Clip.1\",\"name\":\"one\","
            + "\"source_range\":"
            + range
            + ",\"effects\":[{\"OTIO_SCHEMA\":\"LinearTimeWarp.1\",\"time_scalar\":0.5}]},"
            + "{\"OTIO_SCHEMA\":\"Gap.1\",\"source_range\":"
            + range
            + "}]}]}}";
    byte[] text = timeline.getBytes(StandardCharsets.UTF_8);
    campaign("otio", text, cut("a.otio"), 12, m -> List.of(m::bytes, m::json, m::words));
  }

  @Test
  void obj() throws Exception {
    byte[] picture = picture();
    String mtl =
        "newmtl wall\nKd 0.5 0.5 0.5\nNs 20\nd 1\nmap_Kd -s 1 1 1 brick wall.png\nnewmtl floor\nKd 1 0 0\n";
    String obj =
        "# a house\nmtllib house.mtl\no house\nv 0 0 0\nv 1 0 0\nv 1 1 0\nv 0 1 0\nv 0 0 1 1 1 1\nvt 0 0\nvt 1 0\nvt 1 1\n"
            + "vn 0 0 1\ng walls\nusemtl wall\ns 1\nf 1/1/1 2/2/1 3/3/1 4/1/1\nf 1/1 2/2 5/3\nusemtl floor\nf 1//1 2//1 \\\n -1//-1\nf 2 3 5\nl 1 2\n";
    campaign(
        "obj",
        obj.getBytes(StandardCharsets.UTF_8),
        b ->
            opened(
                GlbReader.read(
                    ObjModel.read(
                            Map.of(
                                "a.obj",
                                b,
                                "house.mtl",
                                mtl.getBytes(StandardCharsets.UTF_8),
                                "brick wall.png",
                                picture),
                            Budget.usual())
                        .glb())),
        4,
        m -> List.of(m::bytes, m::words));
    campaign(
        "mtl",
        (mtl + "# end\n").getBytes(StandardCharsets.UTF_8),
        b -> {
          Map<String, byte[]> files =
              Map.of(
                  "a.obj",
                  obj.getBytes(StandardCharsets.UTF_8),
                  "house.mtl",
                  b,
                  "brick wall.png",
                  picture);
          opened(GlbReader.read(ObjModel.read(files, Budget.usual()).glb()));
          // a damaged material is a warning: count those as refused
          if (!ObjModel.read(files, Budget.usual()).warnings().stream()
              .allMatch(w -> w.startsWith("Lines") || w.startsWith("Colours")))
            throw new BadFile("The materials are damaged.");
        },
        5,
        m -> List.of(m::bytes, m::words));
  }

  @Test
  void usda() throws Exception {
    String usda =
        "#usda 1.0\n(\n    upAxis = \"Z\"\n    metersPerUnit = 0.01\n    timeCodesPerSecond = 24\n)\n"
            + "def Xform \"rig\" (\n    kind = \"group\"\n)\n{\n    double3 xformOp:translate = (1, 2, 3)\n    float3 xformOp:rotateXYZ.timeSamples = {\n        1: (0, 10, 0),\n        2: (0, 20, 5),\n    }\n"
            + "    uniform token[] xformOpOrder = [\"xformOp:translate\", \"xformOp:rotateXYZ\", \"!invert!xformOp:translate\"]\n    def Camera \"shot cam\"\n    {\n        float focalLength.timeSamples = {\n            1: 350,\n            3: 500,\n        }\n"
            + "        float horizontalAperture = 360\n        quatf xformOp:orient = (1, 0, 0, 0)\n        matrix4d xformOp:transform = ( (1,0,0,0), (0,1,0,0), (0,0,1,0), (5,6,7,1) )\n        uniform token[] xformOpOrder = [\"!resetXformStack!\", \"xformOp:transform\", \"xformOp:orient\"]\n    }\n}\n";
    campaign(
        "usda",
        usda.getBytes(StandardCharsets.UTF_8),
        b -> tracks("a.usda", b),
        6,
        m -> List.of(m::bytes, m::words));
  }

  @Test
  void tables() throws Exception {
    String csv =
        "# made by hand\nframe,tx,ty,tz,pan,tilt,roll,focal\n1,0,1,2,10,20,30,35\n2,0,1.5,2,11,21,31,36\n3,0,2,2,12,22,32,37\n";
    campaign(
        "csv",
        csv.getBytes(StandardCharsets.UTF_8),
        b -> tracks("a.csv", b),
        7,
        m -> List.of(m::bytes, m::words));
  }

  /** Poses a model in each of its clips and writes its rig, as the server does with every one. */
  private static void opened(ModelFile f) {
    for (double d : f.bounds()) assertTrue(Double.isFinite(d));
    ModelJson.read(ModelJson.write(f.geometry().rig()));
    ModelPose pose = new ModelPose(f.geometry().rig());
    for (int c = 0; c < f.clips().size(); c++) pose.pose(c, 0.1, true);
  }

  private static void tracks(String name, byte[] bytes) throws BadFile {
    for (CameraTrack t : CameraTracks.read(name, bytes, 24, Budget.usual())) {
      TrackJson.read(TrackJson.write(t));
      for (double d : t.metres(new CameraTrack.Taken(t.zUp(), t.unitM(), 1)))
        assertTrue(Double.isFinite(d));
      for (double d : t.frames()) assertTrue(Double.isFinite(d));
    }
  }

  private static byte[] picture() throws Exception {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(3, 2, BufferedImage.TYPE_INT_RGB), "png", out);
    return out.toByteArray();
  }

  private static byte[] description(byte[] glb) {
    return Arrays.copyOfRange(
        glb, 20, 20 + ByteBuffer.wrap(glb).order(ByteOrder.LITTLE_ENDIAN).getInt(12));
  }

  private static byte[] describedAnew(byte[] glb, Mutations m) {
    byte[] json = description(glb);
    return HostileFiles.glb(
        new String(m.json(json), StandardCharsets.UTF_8),
        Arrays.copyOfRange(glb, 20 + json.length + 8, glb.length));
  }

  /** A skinned, moving, morphing triangle with a picture, colours and a sparse accessor. */
  private static byte[] model() throws Exception {
    ByteBuffer b = ByteBuffer.allocate(400).order(ByteOrder.LITTLE_ENDIAN);
    List<String> views = new ArrayList<>();
    List<String> accessors = new ArrayList<>();
    floats(b, views, accessors, "VEC3", 0, 0, 0, 1, 0, 0, 0, 1, 0); // 0 positions
    floats(b, views, accessors, "VEC2", 0, 0, 1, 0, 0, 1); // 1 places
    floats(b, views, accessors, "VEC4", 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0); // 2 joints
    floats(b, views, accessors, "VEC4", 1, 0, 0, 0, 1, 0, 0, 0, 1, 0, 0, 0); // 3 weights
    floats(b, views, accessors, "SCALAR", 0, 1); // 4 times
    floats(b, views, accessors, "VEC3", 0, 0, 0, 1, 2, 3); // 5 places of a node
    floats(b, views, accessors, "SCALAR", 0, 1); // 6 morph weights
    int at = b.position();
    b.putShort((short) 0).putShort((short) 1).putShort((short) 2).putShort((short) 0);
    views.add("{\"buffer\":0,\"byteOffset\":" + at + ",\"byteLength\":6}");
    accessors.add("{\"bufferView\":7,\"componentType\":5123,\"count\":3,\"type\":\"SCALAR\"}"); // 7
    accessors.add(
        "{\"componentType\":5126,\"count\":3,\"type\":\"VEC3\",\"sparse\":{\"count\":2,"
            + "\"indices\":{\"bufferView\":7,\"componentType\":5123},\"values\":{\"bufferView\":0}}}"); // 8
    byte[] png = picture();
    byte[] data = Arrays.copyOf(b.array(), b.position() + png.length);
    System.arraycopy(png, 0, data, b.position(), png.length);
    views.add(
        "{\"buffer\":0,\"byteOffset\":" + b.position() + ",\"byteLength\":" + png.length + "}");
    return HostileFiles.glb(
        "{\"asset\":{\"version\":\"2.0\"},\"extensionsUsed\":[\"KHR_materials_unlit\"],\"scene\":0,\"scenes\":[{\"nodes\":[0]}],"
            + "\"nodes\":[{\"name\":\"root\",\"children\":[1,2],\"translation\":[0,1,0]},"
            + "{\"name\":\"body\",\"mesh\":0,\"skin\":0},{\"name\":\"bone\",\"matrix\":[1,0,0,0,0,1,0,0,0,0,1,0,0,0,0,1]}],"
            + "\"meshes\":[{\"weights\":[0.5],\"primitives\":[{\"attributes\":{\"POSITION\":0,\"TEXCOORD_0\":1,\"COLOR_0\":0,\"JOINTS_0\":2,\"WEIGHTS_0\":3},"
            + "\"indices\":7,\"material\":0,\"mode\":4,\"targets\":[{\"POSITION\":8}]}]}],"
            + "\"skins\":[{\"joints\":[2]}],\"materials\":[{\"alphaMode\":\"BLEND\",\"pbrMetallicRoughness\":{\"baseColorFactor\":[1,1,1,1],\"roughnessFactor\":0.5,\"baseColorTexture\":{\"index\":0}}}],"
            + "\"textures\":[{\"source\":0}],\"images\":[{\"bufferView\":8,\"mimeType\":\"image/png\"}],"
            + "\"animations\":[{\"name\":\"sway\",\"samplers\":[{\"input\":4,\"output\":5,\"interpolation\":\"STEP\"},{\"input\":4,\"output\":6}],"
            + "\"channels\":[{\"sampler\":0,\"target\":{\"node\":2,\"path\":\"translation\"}},{\"sampler\":1,\"target\":{\"node\":1,\"path\":\"weights\"}}]}],"
            + "\"accessors\":["
            + String.join(",", accessors)
            + "],\"bufferViews\":["
            + String.join(",", views)
            + "],\"buffers\":[{\"byteLength\":"
            + data.length
            + "}]}",
        data);
  }

  private static byte[] cameras() {
    ByteBuffer b = ByteBuffer.allocate(32).order(ByteOrder.LITTLE_ENDIAN);
    for (float f : new float[] {0, 0.5f, 0, 0, 0, 1, 2, 3}) b.putFloat(f);
    return HostileFiles.glb(
        "{\"asset\":{\"version\":\"2.0\"},\"nodes\":[{\"name\":\"A\",\"camera\":0,\"rotation\":[0,0,0,1],\"extras\":{\"focalLengthMm\":[35,35,35,35,35,35,35,35,35,35,35,35,35]}},{\"children\":[0]}],"
            + "\"cameras\":[{\"type\":\"perspective\",\"perspective\":{\"yfov\":0.6,\"znear\":0.1}}],"
            + "\"animations\":[{\"samplers\":[{\"input\":0,\"output\":1}],\"channels\":[{\"sampler\":0,\"target\":{\"node\":1,\"path\":\"translation\"}}]}],"
            + "\"accessors\":[{\"bufferView\":0,\"componentType\":5126,\"count\":2,\"type\":\"SCALAR\"},{\"bufferView\":1,\"componentType\":5126,\"count\":2,\"type\":\"VEC3\"}],"
            + "\"bufferViews\":[{\"buffer\":0,\"byteLength\":8},{\"buffer\":0,\"byteOffset\":8,\"byteLength\":24}],\"buffers\":[{\"byteLength\":32}]}",
        b.array());
  }

  private static void floats(
      ByteBuffer b, List<String> views, List<String> accessors, String type, double... all) {
    int width = type.equals("SCALAR") ? 1 : type.charAt(3) - '0';
    views.add(
        "{\"buffer\":0,\"byteOffset\":" + b.position() + ",\"byteLength\":" + all.length * 4 + "}");
    accessors.add(
        "{\"bufferView\":"
            + (views.size() - 1)
            + ",\"componentType\":5126,\"count\":"
            + all.length / width
            + ",\"type\":\""
            + type
            + "\"}");
    for (double d : all) b.putFloat((float) d);
  }
}
