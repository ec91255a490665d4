package kite.exchange.gltf;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Base64;
import java.util.Random;
import kite.core.codec.ModelJson;
import kite.core.model.ModelPose;
import kite.core.model.ModelRig;
import kite.core.shape.MeshBuilder;
import kite.exchange.BadFile;
import kite.exchange.Budget;
import org.junit.jupiter.api.Test;

class GlbTest {
  private static byte[] model() {
    GlbModelWriter w = new GlbModelWriter(0.8, 0);
    int body = w.node("body", -1, 1, 2, 3, new MeshBuilder().colour("#ff0000").box(1, 2, 1).mesh());
    int arm = w.node("arm", body, 0, 2, 0, new MeshBuilder().cylinder(8, 0.2, 1).mesh());
    float h = (float) Math.sqrt(0.5);
    w.turn(arm, new float[] {0, 2}, new float[] {0, 0, 0, 1, 0, h, 0, h});
    w.move(body, new float[] {0, 1}, new float[] {1, 2, 3, 5, 2, 3});
    return w.glb("wave");
  }

  private static String refused(byte[] bytes) {
    return assertThrows(BadFile.class, () -> GlbReader.read(bytes)).getMessage();
  }

  private static byte[] text(String json) {
    return json.getBytes(StandardCharsets.UTF_8);
  }

  @Test
  void whatIsWrittenIsRead() throws Exception {
    ModelFile f = GlbReader.read(model());
    assertEquals(12 + 8 * 4, f.geometry().triangles());
    assertArrayEquals(new double[] {0.5, 2, 2.5, 1.5, 5, 3.5}, f.bounds(), 1e-6);
    assertEquals(java.util.List.of("wave"), f.clips());
    ModelPose pose = new ModelPose(f.geometry().rig());
    pose.pose(0, 1, false);
    assertEquals(5, pose.world()[12], 1e-6, "the body has moved");
    assertEquals(
        Math.cos(Math.toRadians(45)),
        pose.world()[16],
        1e-6,
        "the arm is half way through its turn");
    pose.pose(0, 2.5, true);
    assertEquals(
        3,
        pose.world()[12],
        1e-6,
        "and goes round: half a second into the next turn, body at 1 + 4 × 0.5");
    ModelRig again = ModelJson.read(ModelJson.write(f.geometry().rig()));
    assertEquals(f.geometry().rig().clips().get(0).seconds(), again.clips().get(0).seconds());
    assertArrayEquals(f.geometry().rig().nodes().get(0).rest(), again.nodes().get(0).rest());
  }

  @Test
  void cubicSplinesAndStepsFollowTheStandard() {
    ModelRig.Node n =
        new ModelRig.Node(
            "n", -1, new double[] {0, 0, 0, 0, 0, 0, 1, 1, 1, 1}, null, 0, new double[0]);
    // in-tangent, value, out-tangent for each of two times: Hermite with tangents 6 and 0 over 2 s
    double[] values = {0, 0, 0, 0, 0, 0, 6, 0, 0, 0, 0, 0, 4, 0, 0, 0, 0, 0};
    ModelRig.Track cubic = new ModelRig.Track(0, 0, 3, 2, new double[] {0, 2}, values);
    ModelPose p =
        new ModelPose(
            new ModelRig(
                java.util.List.of(n),
                java.util.List.of(new ModelRig.Clip("c", 2, java.util.List.of(cubic)))));
    p.pose(0, 1, false);
    assertEquals(0.5 * 0 + 2 * 0.125 * 6 + 0.5 * 4, p.world()[12], 1e-12);
    ModelRig.Track step =
        new ModelRig.Track(0, 0, 3, 0, new double[] {0, 1}, new double[] {7, 0, 0, 9, 0, 0});
    p =
        new ModelPose(
            new ModelRig(
                java.util.List.of(n),
                java.util.List.of(new ModelRig.Clip("c", 1, java.util.List.of(step)))));
    p.pose(0, 0.99, false);
    assertEquals(7, p.world()[12]);
  }

  @Test
  void everyLieIsRefusedWithASentence() {
    byte[] good = model();
    byte[] magic = good.clone();
    magic[0] = 0;
    assertTrue(refused(magic).contains("begins with the letters glTF"));
    byte[] version = good.clone();
    version[4] = 1;
    assertTrue(refused(version).contains("version 1"));
    byte[] length = good.clone();
    ByteBuffer.wrap(length).order(ByteOrder.LITTLE_ENDIAN).putInt(8, 0x7fffffff);
    assertTrue(refused(length).contains("2147483647 bytes"));
    byte[] chunk = good.clone();
    ByteBuffer.wrap(chunk).order(ByteOrder.LITTLE_ENDIAN).putInt(12, -1);
    assertTrue(refused(chunk).contains("damaged"));
    assertTrue(refused(new byte[0]).contains("not a glTF model"));
    String head = "{\"asset\":{\"version\":\"2.0\"}";
    assertTrue(
        refused(text(head + ",\"buffers\":[{\"byteLength\":4,\"uri\":\"../secret\"}]}"))
            .contains("in another file"));
    assertTrue(
        refused(text(head + ",\"extensionsRequired\":[\"KHR_draco_mesh_compression\"]}"))
            .contains("KHR_draco_mesh_compression"));
    assertTrue(
        refused(text(head + ",\"nodes\":[{\"children\":[0]}],\"scenes\":[{\"nodes\":[0]}]}"))
            .contains("two parents"));
    assertTrue(refused(text(head + ",\"nodes\":[{\"children\":[7]}]}")).contains("node 7"));
    assertTrue(refused(text(head + "}")).contains("nothing to see"));
    assertTrue(
        refused(text(head + ",\"x\":" + "[".repeat(999) + "]".repeat(999) + "}"))
            .contains("levels deep"));
  }

  private static byte[] triangle(float[] positions, String extra, int count) {
    ByteBuffer b = ByteBuffer.allocate(positions.length * 4).order(ByteOrder.LITTLE_ENDIAN);
    for (float f : positions) b.putFloat(f);
    String data = Base64.getEncoder().encodeToString(b.array());
    return text(
        "{\"asset\":{\"version\":\"2.0\"},\"buffers\":[{\"byteLength\":"
            + b.capacity()
            + ",\"uri\":\"data:application/octet-stream;base64,"
            + data
            + "\"}],\"bufferViews\":[{\"buffer\":0,\"byteLength\":"
            + b.capacity()
            + "}],\"accessors\":[{\"bufferView\":0,\"componentType\":5126,\"count\":"
            + count
            + ",\"type\":\"VEC3\"}],\"meshes\":[{\"primitives\":[{\"attributes\":{\"POSITION\":0}"
            + extra
            + "}]}],\"nodes\":[{\"mesh\":0}]}");
  }

  @Test
  void numbersThatAreNotFiniteAndReachesTooFarAreRefused() throws Exception {
    float[] p = {0, 0, 0, 1, 0, 0, 0, 1, 0};
    assertEquals(1, GlbReader.read(triangle(p, "", 3)).geometry().triangles());
    assertTrue(refused(triangle(p, "", 4)).contains("reaches beyond the end"));
    assertTrue(refused(triangle(p, "", 2_000_000_000)).contains("more than this program takes"));
    p[4] = Float.NaN;
    assertTrue(refused(triangle(p, "", 3)).contains("not finite"));
  }

  @Test
  void damageAnywhereIsARefusalOrAModelAndNothingElse() {
    byte[] good = model();
    Random r = new Random(9);
    for (int n = 0; n < 3000; n++) {
      byte[] bad = n % 3 == 0 ? Arrays.copyOf(good, r.nextInt(good.length)) : good.clone();
      for (int k = 0; k < 4 && bad.length > 0; k++)
        bad[r.nextInt(Math.min(bad.length, n % 2 == 0 ? 1200 : bad.length))] =
            (byte) r.nextInt(256);
      try {
        GlbReader.read(bad);
      } catch (BadFile expected) {
        assertTrue(
            expected.getMessage().endsWith(".") || expected.getMessage().endsWith(")."),
            expected.getMessage());
      }
    }
  }

  @Test
  void aGltfIsReadWithTheDataAndPicturesThatCameWithIt() throws Exception {
    byte[] glb = model();
    java.nio.ByteBuffer b = java.nio.ByteBuffer.wrap(glb).order(java.nio.ByteOrder.LITTLE_ENDIAN);
    int json = b.getInt(12);
    String text = new String(glb, 20, json, java.nio.charset.StandardCharsets.UTF_8);
    byte[] data = java.util.Arrays.copyOfRange(glb, 20 + json + 8, glb.length);
    String apart =
        text.replaceFirst("\"buffers\":\\[\\{", "\"buffers\":[{\"uri\":\"parts/my%20data.bin\",");
    java.util.Map<String, byte[]> files = new java.util.HashMap<>();
    files.put("model.gltf", apart.getBytes(java.nio.charset.StandardCharsets.UTF_8));
    BadFile missing = assertThrows(BadFile.class, () -> GltfTogether.read(files, Budget.usual()));
    assertTrue(missing.getMessage().contains("did not come with it"), missing.getMessage());
    files.put("my data.bin", data);
    ModelFile together = GlbReader.read(GltfTogether.read(files, Budget.usual()));
    assertArrayEquals(GlbReader.read(glb).bounds(), together.bounds(), 1e-9);
    assertEquals(12 + 8 * 4, together.geometry().triangles());
  }
}
