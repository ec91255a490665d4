package kite.exchange.gltf;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import kite.core.math.Matrix;
import kite.core.math.Rotation;
import kite.core.math.Vec3;
import kite.core.model.ModelRig;
import kite.exchange.BadFile;
import kite.exchange.Budget;
import kite.exchange.Names;
import tools.jackson.databind.JsonNode;

/** The nodes of the shown scene, parents first, and the clips that move them. */
final class GltfNodes {
  private final JsonNode root;
  private final GltfBuffers buffers;
  private final Budget budget;
  private final List<JsonNode> inFile;
  private final int[] rigIndex; // by file index; −1 for nodes of no scene
  private final List<Integer> order = new ArrayList<>();
  private final List<Integer> parents = new ArrayList<>();

  /** What a number of an animation takes while the rig is written for the page. */
  private static final int BYTES_PER_NUMBER = 90;

  GltfNodes(JsonNode root, GltfBuffers buffers, Budget budget) throws BadFile {
    this.root = root;
    this.buffers = buffers;
    this.budget = budget;
    inFile = Numbers.objects(root, "nodes", "file");
    int n = inFile.size();
    if (n > GlbReader.MOST_NODES)
      throw new BadFile(
          "The model has " + n + " nodes; up to " + GlbReader.MOST_NODES + " are taken.");
    rigIndex = new int[n];
    java.util.Arrays.fill(rigIndex, -1);
    Deque<int[]> open = new ArrayDeque<>();
    for (long r : roots(n)) open.add(new int[] {(int) r, -1});
    while (!open.isEmpty()) {
      int[] next = open.poll();
      if (rigIndex[next[0]] >= 0)
        throw new BadFile(
            "Node "
                + next[0]
                + " of the model hangs under two parents or under itself. The file is damaged.");
      rigIndex[next[0]] = order.size();
      order.add(next[0]);
      parents.add(next[1]);
      for (JsonNode c : Numbers.array(inFile.get(next[0]), "children", "node"))
        open.add(new int[] {(int) index(c, n), rigIndex[next[0]]});
    }
  }

  private List<Long> roots(int n) throws BadFile {
    List<Long> roots = new ArrayList<>();
    if (!Numbers.array(root, "scenes", "file").isEmpty()) {
      JsonNode scene = Numbers.item(root, "scenes", Numbers.wholeOr(root, "scene", 0, "file"));
      for (JsonNode r : Numbers.array(scene, "nodes", "scene")) roots.add(index(r, n));
      return roots;
    }
    boolean[] child = new boolean[n];
    for (JsonNode node : inFile)
      for (JsonNode c : Numbers.array(node, "children", "node")) child[(int) index(c, n)] = true;
    for (long i = 0; i < n; i++) if (!child[(int) i]) roots.add(i);
    return roots;
  }

  private static long index(JsonNode v, int n) throws BadFile {
    double i = v.isIntegralNumber() ? Numbers.number(v) : -1;
    if (!(i >= 0 && i < n))
      throw new BadFile(
          "The model refers to node " + Names.shown(v.toString()) + ", which is not there.");
    return (long) i;
  }

  int count() {
    return order.size();
  }

  JsonNode node(int rig) {
    return inFile.get(order.get(rig));
  }

  int[] fileIndices() {
    return order.stream().mapToInt(i -> i).toArray();
  }

  /** The rig's number for a node of the file. */
  int rigIndex(long fileIndex) throws BadFile {
    if (fileIndex < 0 || fileIndex >= rigIndex.length || rigIndex[(int) fileIndex] < 0)
      throw new BadFile(
          "The model refers to node " + fileIndex + ", which is not part of its scene.");
    return rigIndex[(int) fileIndex];
  }

  /** The nodes for their motion alone, without what they draw. */
  List<ModelRig.Node> bareNodes() throws BadFile {
    List<ModelRig.Node> all = new ArrayList<>();
    for (int i = 0; i < count(); i++)
      all.add(
          new ModelRig.Node(
              Numbers.name(node(i), ""), parents.get(i), rest(i), null, i, new double[0]));
    return all;
  }

  List<ModelRig.Node> rigNodes(GltfMeshes meshes) throws BadFile {
    List<ModelRig.Node> all = new ArrayList<>();
    for (int i = 0; i < count(); i++) {
      double[] bounds = meshes.bounds(i);
      all.add(
          new ModelRig.Node(
              Numbers.name(node(i), ""),
              parents.get(i),
              rest(i),
              bounds,
              meshes.follows(i),
              meshes.weights(i)));
    }
    return all;
  }

  /** Translation, rotation and scale of a node, taken apart from its matrix where it has one. */
  private double[] rest(int i) throws BadFile {
    JsonNode n = node(i);
    String what = "node " + order.get(i);
    double[] t, r, s;
    if (n.has("matrix")) {
      double[] m = Numbers.list(n, "matrix", new double[16], what);
      t = new double[] {m[Matrix.OX], m[Matrix.OY], m[Matrix.OZ]};
      s = new double[3];
      for (int c = 0; c < 3; c++) s[c] = new Vec3(m[c * 4], m[c * 4 + 1], m[c * 4 + 2]).length();
      Vec3 x = new Vec3(m[Matrix.XX], m[Matrix.XY], m[Matrix.XZ]),
          y = new Vec3(m[Matrix.YX], m[Matrix.YY], m[Matrix.YZ]),
          z = new Vec3(m[Matrix.ZX], m[Matrix.ZY], m[Matrix.ZZ]);
      if (x.cross(y).dot(z) < 0) s[0] = -s[0];
      double[] rigid = m.clone();
      for (int c = 0; c < 3; c++)
        for (int k = 0; k < 3; k++) rigid[c * 4 + k] = s[c] == 0 ? 0 : m[c * 4 + k] / s[c];
      Matrix.makeRigid(rigid, 0);
      r = new double[4];
      Rotation.toQuaternion(rigid, 0, r);
    } else {
      t = Numbers.list(n, "translation", new double[] {0, 0, 0}, what);
      r = Numbers.list(n, "rotation", new double[] {0, 0, 0, 1}, what);
      s = Numbers.list(n, "scale", new double[] {1, 1, 1}, what);
      Rotation.normalise(r);
    }
    return new double[] {t[0], t[1], t[2], r[0], r[1], r[2], r[3], s[0], s[1], s[2]};
  }

  List<ModelRig.Clip> clips() throws BadFile {
    List<ModelRig.Clip> all = new ArrayList<>();
    int number = 0;
    for (JsonNode a : Numbers.objects(root, "animations", "file")) {
      String name = Numbers.name(a, "Animation " + ++number);
      List<ModelRig.Track> tracks = new ArrayList<>();
      double seconds = 0;
      for (JsonNode c : Numbers.objects(a, "channels", "animation")) {
        ModelRig.Track t = track(a, c, "animation “" + Names.shown(name) + "”");
        if (t == null) continue;
        tracks.add(t);
        seconds = Math.max(seconds, t.times()[t.times().length - 1]);
      }
      all.add(new ModelRig.Clip(name, seconds, tracks));
    }
    return all;
  }

  private ModelRig.Track track(JsonNode animation, JsonNode channel, String what) throws BadFile {
    JsonNode target = channel.path("target");
    int kind =
        List.of("translation", "rotation", "scale", "weights")
            .indexOf(Numbers.text(target, "path", ""));
    if (kind < 0 || !target.has("node")) return null;
    long file = Numbers.whole(target, "node", what);
    if (file >= 0 && file < rigIndex.length && rigIndex[(int) file] < 0) return null;
    JsonNode sampler = Numbers.item(animation, "samplers", Numbers.whole(channel, "sampler", what));
    double[] times = buffers.sharedNumbers(Numbers.whole(sampler, "input", what));
    int width = kind == 3 ? Math.max(1, morphTargets(file)) : kind == 1 ? 4 : 3;
    double[] values =
        buffers.numbers(Numbers.whole(sampler, "output", what), kind == 3 ? 1 : width);
    int mode =
        List.of("STEP", "LINEAR", "CUBICSPLINE")
            .indexOf(Numbers.text(sampler, "interpolation", "LINEAR"));
    if (mode < 0)
      throw new BadFile("A channel of " + what + " has an interpolation that glTF does not know.");
    if (times.length == 0 || values.length != (long) times.length * width * (mode == 2 ? 3 : 1))
      throw new BadFile(
          "A channel of "
              + what
              + " has "
              + values.length
              + " values for "
              + times.length
              + " times, which do not belong together.");
    for (int i = 1; i < times.length; i++)
      if (!(times[i] >= times[i - 1])) throw new BadFile("The times of " + what + " do not rise.");
    budget.take(
        (long) BYTES_PER_NUMBER * (times.length + values.length), "The motion in the model");
    return new ModelRig.Track(rigIndex(file), kind, width, mode, times, values);
  }

  private int morphTargets(long file) throws BadFile {
    JsonNode n = Numbers.item(root, "nodes", file);
    if (!n.has("mesh")) return 0;
    return GltfMeshes.morphTargets(Numbers.item(root, "meshes", Numbers.whole(n, "mesh", "node")));
  }
}
