package kite.exchange.hostile;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javax.imageio.ImageIO;

/** Small files made to take a reader's memory or time. By name; the ending says who reads them. */
final class HostileFiles {
  private static final String HEAD = "{\"asset\":{\"version\":\"2.0\"}";

  private HostileFiles() {}

  /** Files that are read as models: .glb, .gltf and .obj. */
  static Map<String, byte[]> models() throws Exception {
    Map<String, byte[]> all = new LinkedHashMap<>();
    all.put("eight meshes of corners without data.gltf", corners(20_000_000, 8));
    all.put("one mesh on twenty thousand nodes.gltf", manyNodes(20_000, 20_000));
    all.put("a hundred thousand empty parts on many nodes.gltf", emptyParts());
    all.put("sixteen names of one large picture.glb", pictures(16, false));
    all.put("sixteen copies of one large picture.glb", pictures(16, true));
    all.put("a description of brackets.gltf", brackets());
    all.put("morph targets without data.gltf", morphs());
    all.put("keys without data.gltf", keys(3, 50_000_000));
    all.put("many channels of many keys.gltf", keys(20_000, 200_000));
    all.put(
        "a face of many corners.obj",
        text("v 0 0 0\nv 1 0 0\nv 0 1 0\nf" + list(200_000, i -> " " + (i % 3 + 1))));
    all.put(
        "many materials.obj",
        text("v 0 0 0\nv 1 0 0\nv 0 1 0\n" + list(200_000, i -> "usemtl m" + i + "\nf 1 2 3\n")));
    all.put(
        "many corners of one face each.obj",
        text(
            list(900_000, i -> "v " + i + " 0 0\n")
                + list(900_000, i -> "f " + (i + 1) + " 1 2 3\n")));
    all.put("lines that go on.obj", text("v 0 0 0\n" + "\\\n".repeat(8_000_000)));
    all.put("blank lines.obj", lines(63 << 20));
    return all;
  }

  /** Files that are read as camera tracks: .usda, .csv, .gltf and .glb. */
  static Map<String, byte[]> tracks() {
    Map<String, byte[]> all = new LinkedHashMap<>();
    all.put("many cameras under many samples.usda", cameras(2_000, 50_000));
    all.put("many operations.usda", operations());
    all.put(
        "many attributes.usda",
        text(
            "#usda 1.0\n"
                + "def Camera \"c\" {\n"
                + list(2_000_000, i -> "float a" + i + "=1\n")
                + "}\n"));
    all.put(
        "a list of nothing.usda",
        text("#usda 1.0\ndef Camera \"c\" {\nfloat[] a = [" + "0,".repeat(20_000_000) + "]\n}\n"));
    all.put(
        "a transform of lists.usda",
        text(
            "#usda 1.0\ndef Camera \"c\" {\nmatrix4d xformOp:transform = ("
                + "1,".repeat(2_000_000)
                + ")\nuniform token[] xformOpOrder = [\"xformOp:transform\"]\nfloat focalLength.timeSamples = {"
                + list(100_000, i -> i + ": 35,\n")
                + "}\n}\n"));
    all.put("blank lines.csv", lines(63 << 20));
    all.put("commas.csv", text("x,y,z,pan,tilt,roll\n" + ",".repeat(60 << 20)));
    all.put("commas in the head.csv", text(",".repeat(60 << 20)));
    all.put("many nodes for a long time.gltf", longTime(2_000, 1, 1e6f));
    all.put("many nodes for the longest time.gltf", longTime(20_000, 1, 8_000));
    all.put("many cameras for a long time.gltf", longTime(20_000, 2_000, 1_000));
    return all;
  }

  private static byte[] text(String s) {
    return s.getBytes(StandardCharsets.UTF_8);
  }

  private static String list(int n, IntFunction<String> of) {
    return IntStream.range(0, n).mapToObj(of).collect(Collectors.joining());
  }

  private static String joined(int n, IntFunction<String> of) {
    return IntStream.range(0, n).mapToObj(of).collect(Collectors.joining(","));
  }

  private static byte[] lines(int n) {
    byte[] b = new byte[n];
    Arrays.fill(b, (byte) '\n');
    return b;
  }

  private static byte[] corners(int count, int primitives) {
    return text(
        HEAD
            + ",\"accessors\":[{\"componentType\":5126,\"count\":"
            + count
            + ",\"type\":\"VEC3\"}],\"meshes\":[{\"primitives\":["
            + joined(primitives, i -> "{\"attributes\":{\"POSITION\":0}}")
            + "]}],\"nodes\":[{\"mesh\":0}]}");
  }

  private static byte[] manyNodes(int nodes, int corners) {
    return text(
        HEAD
            + ",\"accessors\":[{\"componentType\":5126,\"count\":"
            + corners
            + ",\"type\":\"VEC3\"},{\"componentType\":5125,\"count\":3,\"type\":\"SCALAR\"}],"
            + "\"meshes\":[{\"primitives\":[{\"attributes\":{\"POSITION\":0},\"indices\":1}]}],"
            + "\"nodes\":["
            + joined(nodes, i -> "{\"mesh\":0}")
            + "]}");
  }

  private static byte[] emptyParts() {
    return text(
        HEAD
            + ",\"accessors\":[{\"componentType\":5126,\"count\":0,\"type\":\"VEC3\"}],"
            + "\"meshes\":[{\"primitives\":["
            + joined(100_000, i -> "{\"attributes\":{\"POSITION\":0}}")
            + "]}],\"nodes\":["
            + joined(20_000, i -> "{\"mesh\":0}")
            + "]}");
  }

  private static byte[] pictures(int count, boolean apart) throws Exception {
    ByteArrayOutputStream png = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(8192, 8192, BufferedImage.TYPE_BYTE_BINARY), "png", png);
    byte[] data = png.toByteArray();
    String root =
        HEAD
            + ",\"buffers\":[{\"byteLength\":"
            + data.length
            + "}],\"bufferViews\":["
            + joined(
                count, i -> "{\"buffer\":0,\"byteLength\":" + (data.length - (apart ? i : 0)) + "}")
            + "],\"images\":["
            + joined(count, i -> "{\"bufferView\":" + (apart ? i : 0) + "}")
            + "],\"textures\":["
            + joined(count, i -> "{\"source\":" + i + "}")
            + "],\"materials\":["
            + joined(
                count,
                i -> "{\"pbrMetallicRoughness\":{\"baseColorTexture\":{\"index\":" + i + "}}}")
            + "]}";
    return glb(root, data);
  }

  static byte[] glb(String root, byte[] data) {
    byte[] json = text(root + " ".repeat((4 - text(root).length % 4) % 4));
    int padded = data.length + 3 & ~3;
    ByteBuffer b = ByteBuffer.allocate(28 + json.length + padded).order(ByteOrder.LITTLE_ENDIAN);
    b.putInt(0x46546C67).putInt(2).putInt(b.capacity());
    b.putInt(json.length).putInt(0x4E4F534A).put(json);
    b.putInt(padded).putInt(0x004E4942).put(data);
    return b.array();
  }

  private static byte[] brackets() {
    return text(HEAD + ",\"x\":[" + "{},".repeat(60_000_000) + "{}]}");
  }

  private static byte[] morphs() {
    return text(
        HEAD
            + ",\"accessors\":[{\"componentType\":5126,\"count\":100000,\"type\":\"VEC3\"}],"
            + "\"meshes\":[{\"primitives\":[{\"attributes\":{\"POSITION\":0},\"targets\":["
            + joined(50_000, i -> "{}")
            + "]}]}],\"nodes\":[{\"mesh\":0}]}");
  }

  private static byte[] keys(int channels, int count) {
    return text(
        HEAD
            + ",\"accessors\":[{\"componentType\":5126,\"count\":"
            + count
            + ",\"type\":\"SCALAR\"},{\"componentType\":5126,\"count\":"
            + count
            + ",\"type\":\"VEC3\"}],\"nodes\":[{}],\"animations\":[{\"samplers\":[{\"input\":0,"
            + "\"output\":1}],\"channels\":["
            + joined(
                channels, i -> "{\"sampler\":0,\"target\":{\"node\":0,\"path\":\"translation\"}}")
            + "]}]}");
  }

  /** A last key after some seconds, for nodes of which some are cameras. */
  private static byte[] longTime(int nodes, int cameras, float seconds) {
    ByteBuffer b = ByteBuffer.allocate(32).order(ByteOrder.LITTLE_ENDIAN);
    b.putFloat(0).putFloat(seconds);
    return glb(
        HEAD
            + ",\"buffers\":[{\"byteLength\":32}],\"bufferViews\":[{\"buffer\":0,\"byteLength\":32}],"
            + "\"accessors\":[{\"bufferView\":0,\"componentType\":5126,\"count\":2,\"type\":\"SCALAR\"},"
            + "{\"bufferView\":0,\"byteOffset\":8,\"componentType\":5126,\"count\":2,\"type\":\"VEC3\"}],"
            + "\"cameras\":[{\"type\":\"perspective\",\"perspective\":{\"yfov\":1}}],\"nodes\":["
            + joined(nodes, i -> i < cameras ? "{\"camera\":0}" : "{}")
            + "],\"animations\":[{\"samplers\":[{\"input\":0,\"output\":1}],\"channels\":[{\"sampler\":0,"
            + "\"target\":{\"node\":0,\"path\":\"translation\"}}]}]}",
        b.array());
  }

  private static byte[] cameras(int cameras, int samples) {
    return text(
        "#usda 1.0\ndef Xform \"x\" {\ndouble3 xformOp:translate.timeSamples = {"
            + list(samples, i -> i + ":(0,0,0),\n")
            + "}\nuniform token[] xformOpOrder=[\"xformOp:translate\"]\n"
            + list(cameras, i -> "def Camera \"c" + i + "\" {}\n")
            + "}\n");
  }

  /** Thousands of turns for each of thousands of samples. */
  private static byte[] operations() {
    return text(
        "#usda 1.0\ndef Camera \"c\" {\nfloat xformOp:rotateX.timeSamples = {"
            + list(30_000, i -> i + ":1,\n")
            + "}\nuniform token[] xformOpOrder=["
            + "\"xformOp:rotateX\",".repeat(20_000)
            + "]\n}\n");
  }
}
