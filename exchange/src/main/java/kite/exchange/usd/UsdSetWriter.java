package kite.exchange.usd;

import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Supplier;
import kite.core.bake.Bake;
import kite.core.bake.PlaceTrack;
import kite.core.document.Sequence;
import kite.core.math.Matrix;
import kite.render.Material;
import kite.render.SetOverTime;
import kite.render.SetOverTime.Part;
import kite.render.Surface;

/**
 * A set as OpenUSD text, in metres with +Y up: an Xform for each piece, with its meshes where they
 * stand in the world, in its display colour. What several pieces are made of is written once, in a
 * layer of its own, and referred to as an instance. Where something moves, its transform has time
 * samples; what is bent has its points on every frame.
 */
public final class UsdSetWriter {
  /** The folder of what several are made of, beside the set's layer. */
  private static final String SHAPES = "shapes/";

  private final Sequence s;
  private final SetOverTime set;

  /** What several parts are made of, by one of them, with the name of its layer. */
  private final Map<Part, String> shared = new IdentityHashMap<>();

  private final Map<String, Surface> shapes = new LinkedHashMap<>();

  public UsdSetWriter(Sequence s, SetOverTime set) {
    this.s = s;
    this.set = set;
    share();
  }

  /** Writes something into an open stream, which stays open. */
  public interface Content {
    void write(OutputStream out) throws IOException;
  }

  /** A shot's camera over its frames, with the guides beside it. */
  public interface Shown {
    Bake bake();

    List<PlaceTrack> guides();
  }

  /**
   * The layers by their paths beside each other: first the one of the set and of the cameras.
   *
   * @param name what that is called, without its ending
   * @param cameras by the codes of their shots; each is asked for when it is written
   */
  public Map<String, Content> layers(String name, Map<String, Supplier<Shown>> cameras) {
    Map<String, Content> all = new LinkedHashMap<>();
    all.put(
        name + ".usda",
        out ->
            text(
                out,
                w -> {
                  set(w);
                  shots(w, cameras);
                }));
    shapes.forEach(
        (shape, surface) ->
            all.put(SHAPES + shape + ".usda", out -> text(out, w -> shape(w, shape, surface))));
    return all;
  }

  private static void shots(Writer w, Map<String, Supplier<Shown>> cameras) throws IOException {
    if (cameras.isEmpty()) return;
    w.write("\ndef Xform \"Shots\"\n{\n");
    Set<String> taken = new HashSet<>();
    for (Map.Entry<String, Supplier<Shown>> c : cameras.entrySet()) {
      Shown shown = c.getValue().get();
      String shot = UsdWords.free(UsdWords.identifier(c.getKey()), taken);
      w.write("def Xform \"" + shot + "\"\n{\n");
      w.write(UsdCameraWriter.prims(shown.bake(), shown.guides()) + "}\n");
    }
    w.write("}\n");
  }

  private interface Text {
    void write(Writer w) throws IOException;
  }

  private static void text(OutputStream out, Text text) throws IOException {
    Writer w = new OutputStreamWriter(out, StandardCharsets.UTF_8);
    text.write(w);
    w.flush();
  }

  /** What is the same mesh of the same material, whatever it belongs to. */
  private record Same(int positions, int indices, int colours, Material material) {}

  private void share() {
    Map<Same, List<Part>> alike = new LinkedHashMap<>();
    for (Part p : set.parts()) {
      if (p.points() != null || p.tooMany()) continue;
      Surface x = p.surface();
      Same key =
          new Same(
              System.identityHashCode(x.positions()),
              System.identityHashCode(x.indices()),
              System.identityHashCode(x.colours()),
              x.material());
      alike.computeIfAbsent(key, k -> new ArrayList<>()).add(p);
    }
    Set<String> taken = new HashSet<>();
    for (List<Part> parts : alike.values()) {
      Set<float[]> meshes = Collections.newSetFromMap(new IdentityHashMap<>());
      for (Part p : parts) meshes.add(p.surface().positions());
      if (parts.size() < 2 || meshes.size() > 1) continue;
      String name = UsdWords.free(UsdWords.identifier(s.get(parts.get(0).piece()).name()), taken);
      shapes.put(name, parts.get(0).surface());
      for (Part p : parts) shared.put(p, name);
    }
  }

  private void set(Writer w) throws IOException {
    String doc = "The set of " + s.header().code() + ", by Jolly Kite";
    w.write(UsdWords.head(s, "Set", doc, set.frames()));
    w.write("def Xform \"Set\"\n{\n");
    Map<String, List<Part>> pieces = new LinkedHashMap<>();
    for (Part p : set.parts()) pieces.computeIfAbsent(p.piece(), k -> new ArrayList<>()).add(p);
    Set<String> taken = new HashSet<>();
    for (Map.Entry<String, List<Part>> piece : pieces.entrySet()) {
      String called = s.get(piece.getKey()).name();
      String name = UsdWords.free(UsdWords.identifier(called), taken);
      w.write("    def Xform \"" + name + "\" (\n");
      w.write("        displayName = " + UsdWords.quoted(called) + "\n    )\n    {\n");
      int number = 1;
      for (Part p : piece.getValue()) part(w, p, name + "_part" + number++);
      w.write("    }\n");
    }
    w.write("}\n");
  }

  private void part(Writer w, Part p, String name) throws IOException {
    String shape = shared.get(p), in = "            ";
    if (shape == null) {
      w.write("        def Mesh \"" + name + "\" (\n");
      if (p.tooMany())
        w.write(
            in
                + "doc = \"It is bent, and has too many points for every frame: this is its shape on"
                + " the first.\"\n");
      w.write("        )\n        {\n");
      mesh(w, p.surface(), p.points(), in);
    } else {
      w.write("        def Xform \"" + name + "\" (\n" + in + "instanceable = true\n");
      w.write(in + "prepend references = @./" + SHAPES + shape + ".usda@\n        )\n        {\n");
    }
    if (p.stays()) {
      w.write(in + "matrix4d xformOp:transform = " + UsdWords.matrix(p.worlds(), 0) + "\n");
    } else {
      w.write(in + "matrix4d xformOp:transform.timeSamples = {\n");
      for (int i = 0; i < set.frames().length; i++)
        w.write(
            in
                + "    "
                + UsdWords.number(set.frames()[i])
                + ": "
                + UsdWords.matrix(p.worlds(), i * Matrix.SIZE)
                + ",\n");
      w.write(in + "}\n");
      // for who reads no motion; behind it, since some keep the last of the two alone
      w.write(in + "matrix4d xformOp:transform = " + UsdWords.matrix(p.worlds(), 0) + "\n");
    }
    w.write(in + "uniform token[] xformOpOrder = [\"xformOp:transform\"]\n        }\n");
  }

  private void shape(Writer w, String name, Surface surface) throws IOException {
    w.write("#usda 1.0\n(\n    defaultPrim = \"" + name + "\"\n");
    w.write("    metersPerUnit = 1\n    upAxis = \"Y\"\n)\n\n");
    w.write("def Xform \"" + name + "\"\n{\n    def Mesh \"mesh\"\n    {\n");
    mesh(w, surface, null, "        ");
    w.write("    }\n}\n");
  }

  private void mesh(Writer w, Surface x, List<float[]> points, String in) throws IOException {
    w.write(in + "uniform token subdivisionScheme = \"none\"\n" + in + "bool doubleSided = 1\n");
    w.write(in + "int[] faceVertexCounts = [");
    for (int i = 0; i < x.triangles(); i++) w.write(i == 0 ? "3" : ", 3");
    w.write("]\n" + in + "int[] faceVertexIndices = [");
    for (int i = 0; i < x.indices().length; i++) w.write((i == 0 ? "" : ", ") + x.indices()[i]);
    w.write("]\n");
    if (points == null) {
      w.write(in + "point3f[] points = ");
      triples(w, x.positions());
      w.write("\n" + in + "normal3f[] normals = ");
      triples(w, x.normals());
      w.write(" (\n" + in + "    interpolation = \"vertex\"\n" + in + ")\n");
    } else {
      w.write(in + "point3f[] points.timeSamples = {\n");
      for (int i = 0; i < points.size(); i++) {
        boolean asBefore = i > 0 && points.get(i) == points.get(i - 1);
        boolean asAfter = i + 1 < points.size() && points.get(i) == points.get(i + 1);
        if (asBefore && asAfter) continue; // between two alike it is so
        w.write(in + "    " + UsdWords.number(set.frames()[i]) + ": ");
        triples(w, points.get(i));
        w.write(",\n");
      }
      w.write(in + "}\n");
      w.write(in + "point3f[] points = ");
      triples(w, points.get(0));
      w.write("\n");
    }
    colour(w, x, in);
  }

  /** Linear, as display colours are: one for all, or one a corner. */
  private static void colour(Writer w, Surface x, String in) throws IOException {
    Material m = x.material();
    float[] c = x.colours();
    boolean one = true;
    if (c != null) for (int i = 3; i < c.length; i++) one &= c[i] == c[i % 3];
    float[] base = {(float) m.red(), (float) m.green(), (float) m.blue()};
    float[] all = c == null || one ? base.clone() : c.clone();
    if (c != null) for (int i = 0; i < all.length; i++) all[i] = c[i] * base[i % 3];
    w.write(in + "color3f[] primvars:displayColor = ");
    triples(w, all);
    String how = all.length == 3 ? "constant" : "vertex";
    w.write(" (\n" + in + "    interpolation = \"" + how + "\"\n" + in + ")\n");
  }

  private static void triples(Writer w, float[] x) throws IOException {
    w.write("[");
    for (int i = 0; i < x.length; i += 3)
      w.write(
          (i == 0 ? "(" : ", (")
              + UsdWords.number(x[i])
              + ", "
              + UsdWords.number(x[i + 1])
              + ", "
              + UsdWords.number(x[i + 2])
              + ")");
    w.write("]");
  }
}
