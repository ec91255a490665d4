package kite.exchange.usd;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import kite.core.math.Matrix;
import kite.exchange.BadFile;
import kite.exchange.Budget;
import kite.exchange.Names;
import kite.exchange.gltf.PlainModelWriter;
import kite.exchange.usd.UsdText.Prim;

/**
 * The meshes of an OpenUSD file as a glTF file, in metres with +Y up, in their display colours and
 * as they stand at first.
 *
 * @param glb the model as binary glTF
 * @param warnings what was left out, in sentences
 */
public record UsdModel(byte[] glb, List<String> warnings) {
  private static final int MOST_MESHES = 20_000;

  /** An empty group costs hardly anything, but references can multiply them without end. */
  private static final int MOST_PRIMS = 400_000;

  private static final Pattern ENDS = Pattern.compile("(?i).*\\.usd[az]?");

  private static final Set<String> OTHER_SHAPES =
      Set.of("Sphere", "Cube", "Cylinder", "Cone", "Capsule", "Plane", "BasisCurves", "Points");

  /** How purposes are called that are not for a finished picture. */
  private static final Set<String> NOT_SEEN = Set.of("guide", "proxy");

  /** What has no colour is grey, and all of it about as matt as a painted wall. */
  private static final double GREY = 0.5;

  private static final double ROUGHNESS = 0.7;

  /** The first time of whatever has time samples. */
  private static final double FIRST = Double.NEGATIVE_INFINITY;

  /**
   * @param files by their names, as they were dropped together
   * @param main which of them is opened
   * @throws BadFile with one sentence saying what is wrong and what to do
   */
  public static UsdModel read(String main, Map<String, byte[]> files, Budget budget)
      throws BadFile {
    UsdStage stage = UsdStage.open(main, files.get(main), files, budget);
    Reading r = new Reading(budget);
    r.left.addAll(stage.leftOut());
    Prim root = stage.root();
    double[] world = r.stage;
    double unit = root.values.get("metersPerUnit") instanceof Double d && d > 0 ? d : 0.01;
    for (int i = 0; i < 3; i++) world[i * (Matrix.COLUMN + 1)] = unit;
    if ("Z".equals(root.values.get("upAxis"))) { // the file's Z is our Y, its Y our −Z
      world[Matrix.YY] = 0;
      world[Matrix.ZZ] = 0;
      world[Matrix.YZ] = -unit;
      world[Matrix.ZY] = unit;
    }
    for (Prim p : root.children) r.visit(p, Matrix.newIdentity(), "", 0);
    if (r.meshes == 0)
      throw new BadFile("There is no mesh in this file. Write the set’s geometry into it.");
    return new UsdModel(r.out.glb(), new ArrayList<>(r.left));
  }

  /**
   * Which of some files is opened: a package, or the layer that no other one names; null for none.
   */
  public static String main(Map<String, byte[]> files) {
    String found = null;
    for (String name : files.keySet()) {
      if (!ENDS.matcher(name).matches()) continue;
      boolean named = false;
      for (Map.Entry<String, byte[]> other : files.entrySet())
        named |= !other.getKey().equals(name) && text(other.getValue()).contains(Names.file(name));
      if (found == null || !named) found = name;
      if (!named) break;
    }
    return found;
  }

  private static String text(byte[] bytes) {
    return new String(bytes, StandardCharsets.ISO_8859_1);
  }

  /** How many cameras and meshes are in a file. */
  public record Holds(int cameras, int meshes) {}

  public static Holds holds(String name, byte[] bytes, Budget budget) throws BadFile {
    int[] found = new int[3];
    for (Prim p : UsdStage.open(name, bytes, Map.of(), budget).root().children)
      count(p, found, 0, budget);
    return new Holds(found[0], found[1]);
  }

  private static void count(Prim p, int[] found, int depth, Budget budget) throws BadFile {
    budget.step();
    UsdStage.notTooDeep(depth);
    if (++found[2] > MOST_PRIMS || !p.there) return;
    if (p.type.equals("Camera")) found[0]++;
    if (p.type.equals("Mesh")) found[1]++;
    for (Prim child : p.children) count(child, found, depth + 1, budget);
  }

  private static final class Reading {
    final PlainModelWriter out = new PlainModelWriter();
    final Set<String> left = new TreeSet<>();
    private final Map<List<Double>, Integer> materials = new HashMap<>();
    private final Budget budget;
    private int prims;
    int meshes;

    /** From the file's units and axes to metres with +Y up. */
    final double[] stage = Matrix.newIdentity();

    Reading(Budget budget) {
      this.budget = budget;
    }

    void visit(Prim p, double[] parent, String above, int depth) throws BadFile {
      budget.step();
      UsdStage.notTooDeep(depth);
      if (++prims > MOST_PRIMS)
        throw new BadFile("There are more than " + MOST_PRIMS + " prims in the file.");
      if (!p.there || "invisible".equals(p.values.get("visibility"))) return;
      if (p.values.get("purpose") instanceof String s && NOT_SEEN.contains(s)) return;
      double[] world = UsdPlaces.inParent(parent, p, FIRST, budget);
      for (String name : p.samples.keySet())
        if (name.startsWith("xformOp:") || name.equals("points"))
          left.add("What moves in it stands as it does at first.");
      if (OTHER_SHAPES.contains(p.type))
        left.add("Shapes that are no meshes (" + p.type + ") are left out.");
      String name = above.isEmpty() ? p.name : above + "/" + p.name;
      if (p.type.equals("Mesh")) mesh(p, UsdPlaces.times(stage, world), name);
      for (Prim child : p.children) visit(child, world, name, depth + 1);
    }

    private void mesh(Prim p, double[] world, String name) throws BadFile {
      float[] points = triples(p, "points");
      if (points.length == 0) return;
      if (++meshes > MOST_MESHES)
        throw new BadFile("There are more than " + MOST_MESHES + " meshes in the file.");
      float[] normals =
          triples(p, p.values.containsKey("primvars:normals") ? "primvars:normals" : "normals");
      boolean smooth = normals.length == points.length;
      boolean mirrored = determinant(world) < 0;
      if ("leftHanded".equals(p.values.get("orientation"))) mirrored = !mirrored;
      int[] faces = faces(p, points.length / 3, mirrored);
      if (faces.length == 0) return;
      budget.take(4L * (2 * points.length + faces.length), "The meshes of the file");
      float[] colours = triples(p, "primvars:displayColor");
      boolean each = colours.length > 3 && colours.length == points.length;
      out.mesh(
          name,
          each ? material(1, 1, 1) : material(colours),
          placed(points, world),
          smooth ? turned(normals, world) : null,
          null,
          each ? colours : null,
          faces);
    }

    private int material(float[] colours) {
      if (colours.length < 3) return material(GREY, GREY, GREY);
      double[] sum = new double[3];
      for (int i = 0; i < colours.length; i++) sum[i % 3] += colours[i] / (colours.length / 3.0);
      if (colours.length > 3) left.add("Meshes with a colour for each face have their average.");
      return material(sum[0], sum[1], sum[2]);
    }

    private int material(double red, double green, double blue) {
      return materials.computeIfAbsent(
          List.of(red, green, blue),
          k ->
              out.material(
                  "colour " + (materials.size() + 1),
                  within(red),
                  within(green),
                  within(blue),
                  ROUGHNESS,
                  null));
    }

    private static double within(double v) {
      return Math.max(0, Math.min(1, v));
    }

    /** Faces with more corners are cut into triangles from their first. */
    private int[] faces(Prim p, int points, boolean mirrored) throws BadFile {
      List<?> counts = list(p, "faceVertexCounts"), corners = list(p, "faceVertexIndices");
      int[] all = new int[3 * corners.size()];
      int n = 0, at = 0;
      for (Object o : counts) {
        budget.step();
        int count = whole(o);
        if (count < 0 || at + count > corners.size())
          throw new BadFile("A mesh has faces with corners that are not there.");
        for (int k = 1; k + 1 < count; k++) {
          int[] three = {
            whole(corners.get(at)), whole(corners.get(at + k)), whole(corners.get(at + k + 1))
          };
          for (int i : three)
            if (i < 0 || i >= points) throw new BadFile("A mesh has a corner that is not there.");
          all[n++] = three[0];
          all[n++] = three[mirrored ? 2 : 1];
          all[n++] = three[mirrored ? 1 : 2];
        }
        at += count;
      }
      return Arrays.copyOf(all, n);
    }

    private static int whole(Object o) throws BadFile {
      if (o instanceof Double d && d == Math.rint(d) && Math.abs(d) < Integer.MAX_VALUE)
        return (int) (double) d;
      throw new BadFile("A mesh has corners that are no whole numbers.");
    }

    private static List<?> list(Prim p, String name) throws BadFile {
      Object v = UsdPlaces.at(p, name, FIRST);
      return v instanceof List<?> l ? l : List.of();
    }

    private float[] triples(Prim p, String name) throws BadFile {
      List<?> all = list(p, name);
      budget.take(12L * all.size(), "The meshes of the file");
      float[] out = new float[3 * all.size()];
      for (int i = 0; i < all.size(); i++) {
        budget.step();
        if (!(all.get(i) instanceof List<?> t) || t.size() != 3)
          throw new BadFile("“" + name + "” of a mesh is no list of three numbers each.");
        for (int a = 0; a < 3; a++) {
          if (!(t.get(a) instanceof Double d) || !Double.isFinite(d))
            throw new BadFile("A number of a mesh is not finite.");
          out[3 * i + a] = (float) (double) d;
        }
      }
      return out;
    }

    private static double determinant(double[] m) {
      double[] x = {m[Matrix.XX], m[Matrix.XY], m[Matrix.XZ]};
      double[] y = {m[Matrix.YX], m[Matrix.YY], m[Matrix.YZ]};
      double[] z = {m[Matrix.ZX], m[Matrix.ZY], m[Matrix.ZZ]};
      return x[0] * (y[1] * z[2] - y[2] * z[1])
          - x[1] * (y[0] * z[2] - y[2] * z[0])
          + x[2] * (y[0] * z[1] - y[1] * z[0]);
    }

    private static float[] placed(float[] x, double[] world) throws BadFile {
      float[] out = new float[x.length];
      double[] v = new double[3];
      for (int i = 0; i < x.length; i += 3) {
        Matrix.point(world, 0, x[i], x[i + 1], x[i + 2], v, 0);
        for (int a = 0; a < 3; a++) {
          out[i + a] = (float) v[a];
          if (!Float.isFinite(out[i + a]))
            throw new BadFile("A mesh of the file is too far away or too large.");
        }
      }
      return out;
    }

    /** Normals go with the inverse's transpose; a flat mesh is left without. */
    private static float[] turned(float[] n, double[] world) {
      double[] inverse;
      try {
        inverse = Matrix.newInverse(world, 0);
      } catch (ArithmeticException flat) {
        return null;
      }
      float[] out = new float[n.length];
      for (int i = 0; i < n.length; i += 3) {
        double[] v = new double[3];
        for (int a = 0; a < 3; a++)
          v[a] =
              inverse[a * Matrix.COLUMN] * n[i]
                  + inverse[a * Matrix.COLUMN + 1] * n[i + 1]
                  + inverse[a * Matrix.COLUMN + 2] * n[i + 2];
        double length = Math.sqrt(v[0] * v[0] + v[1] * v[1] + v[2] * v[2]);
        if (!(length > 0)) return null;
        for (int a = 0; a < 3; a++) out[i + a] = (float) (v[a] / length);
      }
      return out;
    }
  }
}
