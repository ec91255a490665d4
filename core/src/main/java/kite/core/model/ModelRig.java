package kite.core.model;

import java.util.List;

/**
 * A model's nodes and clips.
 *
 * @param nodes parents come before their children
 */
public record ModelRig(List<Node> nodes, List<Clip> clips) {
  /**
   * @param parent index of the parent node, or −1
   * @param rest translation 3, rotation quaternion 4 (x, y, z, w), scale 3
   * @param bounds least x, y, z, most x, y, z of the node's mesh on the axes of {@code follows}, or
   *     null when it draws nothing
   * @param follows index of the node whose motion the mesh has: the node itself, or a joint of its
   *     skin
   * @param weights rest weights of its morph targets
   */
  public record Node(
      String name, int parent, double[] rest, double[] bounds, int follows, double[] weights) {}

  /**
   * @param seconds length of the clip
   */
  public record Clip(String name, double seconds, List<Track> tracks) {}

  /**
   * @param what 0 translation, 1 rotation, 2 scale, 3 morph weights
   * @param width numbers per value
   * @param interpolation 0 step, 1 linear, 2 cubic spline
   * @param times seconds, rising
   * @param values width numbers per time; three times as many for cubic spline
   */
  public record Track(
      int node, int what, int width, int interpolation, double[] times, double[] values) {}

  /** About what it takes in memory, in bytes. */
  public long bytes() {
    long n = 300L * nodes.size();
    for (Clip c : clips)
      for (Track t : c.tracks()) n += 8L * (t.times().length + t.values().length);
    return n;
  }

  public int clip(String name) {
    for (int i = 0; i < clips.size(); i++) if (clips.get(i).name().equals(name)) return i;
    return -1;
  }

  public int node(String name) {
    for (int i = 0; i < nodes.size(); i++) if (nodes.get(i).name().equals(name)) return i;
    return -1;
  }
}
