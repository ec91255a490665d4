package kite.exchange.gltf;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntToDoubleFunction;
import kite.core.bake.Bake;
import kite.core.bake.PlaceTrack;
import kite.core.evaluate.LensRow;
import kite.core.math.Matrix;
import kite.core.math.Rotation;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A baked camera as glTF 2.0: a perspective camera on a node with translation and rotation keyed on
 * every frame. The lens of the first frame is the camera's; where its angle of view or its clips
 * change they are keyed by KHR_animation_pointer, and every frame's numbers are kept in the node's
 * extras, with their units in their names. glTF has no shift: its frame is as high as ours and
 * centred, so that the scale of the picture is right.
 */
public final class GlbCameraWriter {
  private static final String POINTER = "KHR_animation_pointer";

  private GlbCameraWriter() {}

  /**
   * @param perSecond frames per second; second 0 is the first baked frame
   * @param guides places handed over beside the camera, each a node
   */
  public static byte[] write(Bake bake, double perSecond, List<PlaceTrack> guides) {
    GltfBinary g = new GltfBinary();
    int n = bake.frames().length;
    float[] times = new float[n], places = new float[n * 3], turns = new float[n * 4];
    double[] q = new double[4], last = {0, 0, 0, 1};
    for (int i = 0; i < n; i++) {
      times[i] = (float) ((bake.frames()[i] - bake.frames()[0]) / perSecond);
      for (int a = 0; a < 3; a++)
        places[i * 3 + a] = (float) bake.world()[i * Matrix.SIZE + Matrix.OX + a];
      Rotation.toQuaternion(bake.world(), i * Matrix.SIZE, q);
      double dot = q[0] * last[0] + q[1] * last[1] + q[2] * last[2] + q[3] * last[3];
      for (int a = 0; a < 4; a++) {
        last[a] = dot < 0 ? -q[a] : q[a]; // one of ±q, so that readers do not turn the long way
        turns[i * 4 + a] = (float) last[a];
      }
    }
    double[] l = bake.lens();
    double top = l[LensRow.TOP],
        bottom = l[LensRow.BOTTOM],
        right = l[LensRow.RIGHT],
        left = l[LensRow.LEFT];
    ObjectNode camera = g.root.putArray("cameras").addObject();
    camera.put("name", bake.camera().name()).put("type", "perspective");
    camera
        .putObject("perspective")
        .put("yfov", 2 * Math.atan((top - bottom) / 2))
        .put("aspectRatio", (right - left) / (top - bottom))
        .put("znear", l[LensRow.NEAR])
        .put("zfar", l[LensRow.FAR]);
    ArrayNode nodes = g.root.putArray("nodes");
    ObjectNode node = nodes.addObject();
    node.put("name", bake.camera().name()).put("camera", 0);
    extras(node.putObject("extras"), bake);
    ArrayNode roots = g.root.putArray("scenes").addObject().putArray("nodes").add(0);
    g.root.put("scene", 0);
    ObjectNode animation =
        g.root.putArray("animations").addObject().put("name", bake.camera().name());
    int time = g.floats(times, "SCALAR", 1, true);
    ArrayNode samplers = animation.putArray("samplers"), channels = animation.putArray("channels");
    sampler(samplers, channels, 0, time, g.floats(places, "VEC3", 3, false), "translation");
    sampler(samplers, channels, 0, time, g.floats(turns, "VEC4", 4, false), "rotation");
    if (lens(g, samplers, channels, time, bake)) g.root.putArray("extensionsUsed").add(POINTER);
    for (PlaceTrack t : guides) {
      ObjectNode guide = nodes.addObject().put("name", t.name());
      for (int i = 0; i < 3; i++) guide.withArray("translation").add(t.places()[i]);
      roots.add(nodes.size() - 1);
      if (t.isStill()) continue;
      float[] along = new float[n * 3];
      for (int i = 0; i < along.length; i++) along[i] = (float) t.places()[i];
      sampler(
          samplers,
          channels,
          nodes.size() - 1,
          time,
          g.floats(along, "VEC3", 3, false),
          "translation");
    }
    return g.glb();
  }

  /**
   * Keys of the angle of view and the clips, where they change, by KHR_animation_pointer; readers
   * without it pass over them. Gives whether there are any.
   */
  private static boolean lens(
      GltfBinary g, ArrayNode samplers, ArrayNode channels, int time, Bake bake) {
    double[] l = bake.lens();
    Map<String, IntToDoubleFunction> numbers = new LinkedHashMap<>();
    numbers.put("yfov", o -> 2 * Math.atan((l[o + LensRow.TOP] - l[o + LensRow.BOTTOM]) / 2));
    numbers.put("znear", o -> l[o + LensRow.NEAR]);
    numbers.put("zfar", o -> l[o + LensRow.FAR]);
    boolean any = false;
    for (Map.Entry<String, IntToDoubleFunction> e : numbers.entrySet()) {
      float[] values = new float[bake.frames().length];
      boolean moves = false;
      for (int i = 0; i < values.length; i++) {
        values[i] = (float) e.getValue().applyAsDouble(i * LensRow.SIZE);
        moves |= values[i] != values[0];
      }
      if (!moves) continue;
      any = true;
      int output = g.floats(values, "SCALAR", 1, false);
      samplers.addObject().put("input", time).put("output", output).put("interpolation", "LINEAR");
      ObjectNode target =
          channels.addObject().put("sampler", samplers.size() - 1).putObject("target");
      target
          .put("path", "pointer")
          .putObject("extensions")
          .putObject(POINTER)
          .put("pointer", "/cameras/0/perspective/" + e.getKey());
    }
    return any;
  }

  /** Keys of a node, from accessor to accessor, straight between. */
  static void sampler(
      ArrayNode samplers, ArrayNode channels, int node, int input, int output, String path) {
    samplers.addObject().put("input", input).put("output", output).put("interpolation", "LINEAR");
    channels
        .addObject()
        .put("sampler", samplers.size() - 1)
        .putObject("target")
        .put("node", node)
        .put("path", path);
  }

  private static void extras(ObjectNode extras, Bake bake) {
    extras.put("firstFrame", bake.frames()[0]);
    String[] names = {
      "focalLengthMm",
      "fStop",
      "focusDistanceM",
      "nearClipM",
      "farClipM",
      "shutterDegrees",
      "shiftXMm",
      "shiftYMm"
    };
    for (int k = 0; k < names.length; k++) {
      ArrayNode a = extras.putArray(names[k]);
      for (int i = 0; i < bake.frames().length; i++) a.add(bake.lens()[i * LensRow.SIZE + k]);
    }
  }
}
