package kite.exchange.gltf;

import java.util.ArrayList;
import java.util.List;
import kite.core.bake.CameraTrack;
import kite.core.math.Matrix;
import kite.core.model.ModelPose;
import kite.core.model.ModelRig;
import kite.exchange.BadFile;
import tools.jackson.databind.JsonNode;

/** The cameras of a glTF file with the motion of its first animation. */
public final class GltfCameras {
  private static final int MOST_FRAMES = 200_000;

  /** glTF keeps seconds in single precision: over an hour that is off by less than this. */
  private static final double ROUNDING_FRAMES = 0.02;

  private GltfCameras() {}

  /**
   * @param fps frames a second to sample at; glTF counts seconds
   */
  public static List<CameraTrack> read(byte[] bytes, double fps) throws BadFile {
    GlbReader.Opened file = GlbReader.open(bytes);
    JsonNode root = file.root();
    GltfNodes nodes = new GltfNodes(root, new GltfBuffers(root, file.binary()));
    ModelRig rig = new ModelRig(nodes.bareNodes(), nodes.clips());
    ModelPose pose = new ModelPose(rig);
    double seconds = rig.clips().isEmpty() ? 0 : rig.clips().get(0).seconds();
    int count = (int) Math.min(MOST_FRAMES, Math.floor(seconds * fps + ROUNDING_FRAMES) + 1);
    List<CameraTrack> all = new ArrayList<>();
    for (int i = 0; i < nodes.count(); i++) {
      JsonNode n = nodes.node(i);
      if (!n.has("camera")) continue;
      JsonNode c = Numbers.item(root, "cameras", Numbers.whole(n, "camera", "node"));
      double fov = c.path("perspective").path("yfov").asDouble(0);
      double[] frames = new double[count], world = new double[count * Matrix.SIZE];
      for (int f = 0; f < count; f++) {
        frames[f] = f;
        // on the key itself, as the file's single precision has it
        pose.pose(rig.clips().isEmpty() ? -1 : 0, (float) (f / fps), false);
        System.arraycopy(pose.world(), i * Matrix.SIZE, world, f * Matrix.SIZE, Matrix.SIZE);
      }
      all.add(
          new CameraTrack(
              n.path("name").asString("Camera"),
              frames,
              world,
              focal(n, count),
              Math.toDegrees(fov),
              false,
              1,
              new double[0]));
    }
    return all;
  }

  /** Every frame's focal length where the file's extras have it, as ours do. */
  private static double[] focal(JsonNode node, int count) {
    JsonNode all = node.path("extras").path("focalLengthMm");
    if (all.size() != count) return new double[0];
    double[] mm = new double[count];
    for (int i = 0; i < count; i++) mm[i] = all.get(i).asDouble(0);
    for (double v : mm) if (!(v > 0)) return new double[0];
    return mm;
  }
}
