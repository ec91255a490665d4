package kite.exchange.gltf;

import java.util.List;
import kite.core.math.Matrix;
import kite.core.model.ModelPose;
import kite.render.ModelGeometry;

/**
 * A model as read.
 *
 * @param fileNodes for each node of the rig, its index in the file
 * @param clips names of the animations
 * @param warnings sentences about what was left out
 */
public record ModelFile(
    ModelGeometry geometry, int[] fileNodes, List<String> clips, List<String> warnings) {

  /** Bounds of the rest pose in the file's units: least x, y, z, most x, y, z. */
  public double[] bounds() {
    ModelPose pose = new ModelPose(geometry.rig());
    pose.pose(-1, 0, false);
    double inf = Double.POSITIVE_INFINITY;
    double[] b = {inf, inf, inf, -inf, -inf, -inf}, p = new double[3];
    for (ModelGeometry.Part part : geometry.parts()) {
      for (int i = 0; i < part.positions().length; i += 3) {
        Matrix.point(
            pose.world(),
            part.node() * Matrix.SIZE,
            part.positions()[i],
            part.positions()[i + 1],
            part.positions()[i + 2],
            p,
            0);
        for (int a = 0; a < 3; a++) {
          b[a] = Math.min(b[a], p[a]);
          b[a + 3] = Math.max(b[a + 3], p[a]);
        }
      }
    }
    return b;
  }
}
