package kite.exchange.gltf;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import kite.core.bake.CameraTrack;
import kite.core.math.Matrix;
import kite.core.model.ModelPose;
import kite.core.model.ModelRig;
import kite.core.optics.AngleOfView;
import kite.exchange.BadFile;
import kite.exchange.Budget;
import tools.jackson.databind.JsonNode;

/** The cameras of a glTF file with the motion of its first animation. */
public final class GltfCameras {
  /** glTF keeps seconds in single precision: over an hour that is off by less than this. */
  private static final double ROUNDING_FRAMES = 0.02;

  /** No lens is longer, in millimetres. */
  private static final double LONGEST_MM = 1e6;

  /** Height of the film that keyed angles of view are taken to be of. */
  private static final double NOMINAL_MM = 24;

  private GltfCameras() {}

  /**
   * @param fps frames a second to sample at; glTF counts seconds
   * @param mostFrames of all cameras together
   */
  public static List<CameraTrack> read(byte[] bytes, double fps, int mostFrames, Budget budget)
      throws BadFile {
    GlbReader.Opened file = GlbReader.open(bytes);
    JsonNode root = file.root();
    GltfBuffers buffers = new GltfBuffers(root, file.binary(), budget);
    GltfNodes nodes = new GltfNodes(root, buffers, budget);
    Map<Long, KeyedAngle> angles = KeyedAngle.all(root, buffers);
    ModelRig rig = new ModelRig(nodes.bareNodes(), nodes.clips());
    List<Integer> cameras = new ArrayList<>();
    for (int i = 0; i < nodes.count(); i++) if (nodes.node(i).has("camera")) cameras.add(i);
    if (cameras.isEmpty()) return List.of();
    double seconds = rig.clips().isEmpty() ? 0 : rig.clips().get(0).seconds();
    for (KeyedAngle a : angles.values()) seconds = Math.max(seconds, a.seconds());
    double frames = Math.floor(seconds * fps + ROUNDING_FRAMES) + 1;
    if (!(frames * cameras.size() <= mostFrames))
      throw new BadFile(
          "The file's cameras have more than " + mostFrames + " frames together. Bring fewer.");
    int count = (int) frames;
    budget.take(8L * Matrix.SIZE * count * cameras.size(), "The cameras of the file");
    double[][] world = new double[cameras.size()][count * Matrix.SIZE];
    ModelPose pose = new ModelPose(rig);
    for (int f = 0; f < count; f++) {
      // on the key itself, as the file's single precision has it
      pose.pose(rig.clips().isEmpty() ? -1 : 0, (float) (f / fps), false);
      for (int c = 0; c < world.length; c++)
        System.arraycopy(
            pose.world(), cameras.get(c) * Matrix.SIZE, world[c], f * Matrix.SIZE, Matrix.SIZE);
      budget.look();
    }
    List<CameraTrack> all = new ArrayList<>();
    for (int c = 0; c < world.length; c++)
      all.add(track(root, nodes.node(cameras.get(c)), count, world[c], fps, angles));
    return all;
  }

  private static CameraTrack track(
      JsonNode root,
      JsonNode node,
      int count,
      double[] world,
      double fps,
      Map<Long, KeyedAngle> angles)
      throws BadFile {
    for (double d : world)
      if (!Double.isFinite(d))
        throw new BadFile("A camera of the file is at a place that is not finite.");
    long number = Numbers.whole(node, "camera", "node");
    JsonNode c = Numbers.item(root, "cameras", number);
    double fov = Numbers.number(c.path("perspective").get("yfov"));
    double[] frames = new double[count];
    for (int f = 0; f < count; f++) frames[f] = f;
    double[] mm = focal(node, count), back = new double[0];
    KeyedAngle keyed = angles.get(number);
    if (mm.length == 0 && keyed != null) {
      // an angle alone is of no film: any height will do
      mm = new double[count];
      for (int f = 0; f < count; f++)
        mm[f] = AngleOfView.focalLengthMm(NOMINAL_MM, keyed.degrees(f / fps));
      double aspect = Numbers.number(c.path("perspective").get("aspectRatio"));
      back = new double[] {NOMINAL_MM * (aspect > 0 && aspect < 100 ? aspect : 1), NOMINAL_MM};
    }
    return new CameraTrack(
        Numbers.name(node, "Camera"),
        frames,
        world,
        mm,
        fov > 0 && fov < Math.PI ? Math.toDegrees(fov) : 0,
        false,
        1,
        back);
  }

  /** Every frame's focal length where the file's extras have it, as ours do. */
  private static double[] focal(JsonNode node, int count) {
    JsonNode all = node.path("extras").path("focalLengthMm");
    if (!all.isArray() || all.size() != count) return new double[0];
    double[] mm = new double[count];
    for (int i = 0; i < count; i++) mm[i] = Numbers.number(all.get(i));
    for (double v : mm) if (!(v > 0 && v < LONGEST_MM)) return new double[0];
    return mm;
  }
}
