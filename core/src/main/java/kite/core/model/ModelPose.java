package kite.core.model;

import kite.core.math.Matrix;
import kite.core.math.Rotation;

/** One model's pose, recomputed in place. Belongs to one thread. */
public final class ModelPose {
  private final ModelRig rig;
  private final double[] local;
  private final double[] world;
  private final double[] trs;
  private final double[][] weights;
  private final double[] a = new double[4];
  private final double[] b = new double[4];

  public ModelPose(ModelRig rig) {
    this.rig = rig;
    int n = rig.nodes().size();
    local = new double[n * Matrix.SIZE];
    world = new double[n * Matrix.SIZE];
    trs = new double[n * 10];
    weights = new double[n][];
    for (int i = 0; i < n; i++) weights[i] = rig.nodes().get(i).weights().clone();
  }

  public ModelRig rig() {
    return rig;
  }

  /** Node transforms to the model's own root, 16 numbers a node. */
  public double[] world() {
    return world;
  }

  /** Node transforms to their parents, 16 numbers a node. */
  public double[] local() {
    return local;
  }

  /** Morph weights of a node; empty when it has none. */
  public double[] weights(int node) {
    return weights[node];
  }

  /**
   * Poses every node.
   *
   * @param clip index of the clip, or −1 for the rest pose
   * @param loops whether time goes round; otherwise it stops at the clip's ends
   */
  public void pose(int clip, double seconds, boolean loops) {
    for (int i = 0; i < rig.nodes().size(); i++) {
      ModelRig.Node n = rig.nodes().get(i);
      System.arraycopy(n.rest(), 0, trs, i * 10, 10);
      System.arraycopy(n.weights(), 0, weights[i], 0, weights[i].length);
    }
    if (clip >= 0 && clip < rig.clips().size()) {
      ModelRig.Clip c = rig.clips().get(clip);
      double t = seconds;
      if (loops && c.seconds() > 0) t -= Math.floor(t / c.seconds()) * c.seconds();
      for (ModelRig.Track track : c.tracks()) apply(track, t);
    }
    for (int i = 0; i < rig.nodes().size(); i++) compose(i);
  }

  private void apply(ModelRig.Track track, double t) {
    double[] out = track.what() == 3 ? weights[track.node()] : trs;
    int at =
        track.what() == 3
            ? 0
            : track.node() * 10 + (track.what() == 0 ? 0 : track.what() == 1 ? 3 : 7);
    double[] times = track.times(), v = track.values();
    int w = Math.min(track.width(), track.what() == 3 ? out.length : track.width()),
        full = track.width();
    int stride = track.interpolation() == 2 ? full * 3 : full,
        in = track.interpolation() == 2 ? full : 0;
    int last = times.length - 1;
    if (t <= times[0] || last == 0) {
      System.arraycopy(v, in, out, at, w);
      return;
    }
    if (t >= times[last]) {
      System.arraycopy(v, last * stride + in, out, at, w);
      return;
    }
    int low = 0, high = last - 1;
    while (low < high) {
      int mid = (low + high + 1) >>> 1;
      if (times[mid] <= t) low = mid;
      else high = mid - 1;
    }
    double step = times[low + 1] - times[low], u = (t - times[low]) / step;
    int p = low * stride + in, q = p + stride;
    if (track.interpolation() == 0) {
      System.arraycopy(v, p, out, at, w);
    } else if (track.interpolation() == 2) {
      double u2 = u * u, u3 = u2 * u;
      for (int i = 0; i < w; i++) {
        out[at + i] =
            (2 * u3 - 3 * u2 + 1) * v[p + i]
                + step * (u3 - 2 * u2 + u) * v[p + full + i]
                + (3 * u2 - 2 * u3) * v[q + i]
                + step * (u3 - u2) * v[q - full + i];
      }
      if (track.what() == 1) normaliseAt(out, at);
    } else if (track.what() == 1) {
      System.arraycopy(v, p, a, 0, 4);
      System.arraycopy(v, q, b, 0, 4);
      Rotation.blend(a, b, u, a);
      System.arraycopy(a, 0, out, at, 4);
    } else {
      for (int i = 0; i < w; i++) out[at + i] = v[p + i] + (v[q + i] - v[p + i]) * u;
    }
  }

  private void normaliseAt(double[] out, int at) {
    System.arraycopy(out, at, a, 0, 4);
    Rotation.normalise(a);
    System.arraycopy(a, 0, out, at, 4);
  }

  private void compose(int i) {
    int m = i * Matrix.SIZE, o = i * 10;
    Matrix.identity(local, m);
    System.arraycopy(trs, o + 3, a, 0, 4);
    Rotation.toMatrix(a, local, m);
    for (int c = 0; c < 3; c++) for (int r = 0; r < 3; r++) local[m + c * 4 + r] *= trs[o + 7 + c];
    for (int r = 0; r < 3; r++) local[m + Matrix.OX + r] = trs[o + r];
    int parent = rig.nodes().get(i).parent();
    if (parent < 0) System.arraycopy(local, m, world, m, Matrix.SIZE);
    else Matrix.multiply(world, parent * Matrix.SIZE, local, m, world, m);
  }

  /**
   * Writes the middle of what the model draws, in its root's axes: the mean of its meshes' centres
   * where they are now.
   */
  public void centre(double[] out) {
    double x = 0, y = 0, z = 0;
    int count = 0;
    for (ModelRig.Node n : rig.nodes()) {
      double[] b = n.bounds();
      if (b == null) continue;
      Matrix.point(
          world,
          n.follows() * Matrix.SIZE,
          (b[0] + b[3]) / 2,
          (b[1] + b[4]) / 2,
          (b[2] + b[5]) / 2,
          out,
          0);
      x += out[0];
      y += out[1];
      z += out[2];
      count++;
    }
    out[0] = count == 0 ? 0 : x / count;
    out[1] = count == 0 ? 0 : y / count;
    out[2] = count == 0 ? 0 : z / count;
  }
}
