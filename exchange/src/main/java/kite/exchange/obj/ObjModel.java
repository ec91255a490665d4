package kite.exchange.obj;

import static java.nio.charset.StandardCharsets.US_ASCII;

import de.javagl.obj.Mtl;
import de.javagl.obj.MtlReader;
import de.javagl.obj.Obj;
import de.javagl.obj.ObjData;
import de.javagl.obj.ObjReader;
import de.javagl.obj.ObjSplitting;
import de.javagl.obj.ObjUtils;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.SequenceInputStream;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import kite.exchange.BadFile;
import kite.exchange.gltf.GlbReader;
import kite.exchange.gltf.PlainModelWriter;

/**
 * An OBJ model with the MTL and pictures that came beside it, as a glTF file. Files are found by
 * their names; nothing is fetched.
 *
 * @param glb the model as binary glTF
 * @param warnings what was left out, in sentences
 */
public record ObjModel(byte[] glb, List<String> warnings) {
  private static final int MOST_FACES = 3_000_000;

  /** The material of faces that name none. */
  private static final String PLAIN = "plain";

  /**
   * @param files by their names, as they were dropped together; one ends in .obj
   * @throws BadFile with one sentence saying what is wrong and what to do
   */
  public static ObjModel read(Map<String, byte[]> files) throws BadFile {
    Map<String, byte[]> byName = new HashMap<>();
    byte[] main = null;
    long size = 0;
    for (Map.Entry<String, byte[]> f : files.entrySet()) {
      byName.put(plain(f.getKey()), f.getValue());
      if (f.getKey().toLowerCase(Locale.ROOT).endsWith(".obj")) main = f.getValue();
      size += f.getValue().length;
    }
    if (main == null) throw new BadFile("There is no .obj file among these.");
    if (size > GlbReader.LARGEST_FILE)
      throw new BadFile("These files have more than 200 MB together. Bring a lighter version.");
    Set<String> warnings = new TreeSet<>();
    Obj obj = parse(main);
    Map<String, Mtl> materials = materials(obj, byName, warnings);
    PlainModelWriter w = new PlainModelWriter();
    Map<String, Integer> numbers = new HashMap<>();
    for (Map.Entry<String, Obj> part : ObjSplitting.splitByMaterialGroups(obj).entrySet()) {
      Obj r = ObjUtils.convertToRenderable(part.getValue());
      if (r.getNumFaces() == 0) continue;
      Mtl m = materials.get(part.getKey());
      int material =
          numbers.computeIfAbsent(part.getKey(), n -> material(w, n, m, byName, warnings));
      float[] places = ObjData.getTexCoordsArray(r, 2, true);
      float[] normals = ObjData.getNormalsArray(r);
      int[] faces = ObjData.getFaceVertexIndicesArray(r);
      w.mesh(
          part.getKey(),
          material,
          ObjData.getVerticesArray(r),
          whole(normals, r.getNumVertices() * 3),
          whole(places, r.getNumVertices() * 2),
          faces);
    }
    return new ObjModel(w.glb(), new ArrayList<>(warnings));
  }

  private static float[] whole(float[] numbers, int length) {
    return numbers.length == length && length > 0 ? numbers : null;
  }

  private static Obj parse(byte[] bytes) throws BadFile {
    Obj obj;
    try {
      // what comes before the first usemtl, or all where there is none, is of a material, too
      obj =
          ObjReader.read(
              new SequenceInputStream(
                  new ByteArrayInputStream(("usemtl " + PLAIN + "\n").getBytes(US_ASCII)),
                  new ByteArrayInputStream(bytes)));
    } catch (IOException | RuntimeException e) {
      throw new BadFile("The .obj file cannot be read: " + first(e) + ". Export it again.");
    }
    if (obj.getNumFaces() == 0)
      throw new BadFile("There is nothing to see in the .obj file: it has no faces.");
    if (obj.getNumFaces() > MOST_FACES)
      throw new BadFile("The .obj file has more than 3000000 faces. Bring a lighter version.");
    for (int i = 0; i < obj.getNumVertices(); i++) {
      var v = obj.getVertex(i);
      if (!Float.isFinite(v.getX() + v.getY() + v.getZ()))
        throw new BadFile("Corner " + (i + 1) + " of the .obj file is not at a finite place.");
    }
    for (int i = 0; i < obj.getNumFaces(); i++) {
      var f = obj.getFace(i);
      for (int k = 0; k < f.getNumVertices(); k++)
        if (f.getVertexIndex(k) < 0 || f.getVertexIndex(k) >= obj.getNumVertices())
          throw new BadFile(
              "Face " + (i + 1) + " of the .obj file names a corner that is not there.");
    }
    return obj;
  }

  private static Map<String, Mtl> materials(
      Obj obj, Map<String, byte[]> files, Set<String> warnings) {
    Map<String, Mtl> all = new HashMap<>();
    for (String name : obj.getMtlFileNames()) {
      byte[] bytes = files.get(plain(name));
      if (bytes == null) {
        warnings.add("Its materials (" + plain(name) + ") did not come with it.");
        continue;
      }
      try {
        for (Mtl m : MtlReader.read(new ByteArrayInputStream(bytes))) all.put(m.getName(), m);
      } catch (IOException | RuntimeException e) {
        warnings.add("Its materials (" + plain(name) + ") cannot be read.");
      }
    }
    return all;
  }

  private static int material(
      PlainModelWriter w, String name, Mtl m, Map<String, byte[]> files, Set<String> warnings) {
    if (m == null) return w.material(name, 0.6, 0.6, 0.6, 0.9, null);
    byte[] image = null;
    if (m.getMapKd() != null) {
      image = files.get(plain(m.getMapKd()));
      if (image == null)
        warnings.add("The picture " + plain(m.getMapKd()) + " did not come with it.");
    }
    if (m.getD() != null && m.getD() < 1) warnings.add("Transparency is left out.");
    var kd = m.getKd();
    // Kd is a screen colour by custom, glTF wants linear light
    double r = kd == null ? 0.6 : linear(kd.getX()), g = kd == null ? 0.6 : linear(kd.getY());
    double b = kd == null ? 0.6 : linear(kd.getZ());
    double shine = m.getNs() == null ? 10 : Math.max(0, m.getNs());
    double roughness = Math.sqrt(2 / (shine + 2)); // the usual match of a Phong exponent
    return w.material(
        name,
        image == null ? r : 1,
        image == null ? g : 1,
        image == null ? b : 1,
        roughness,
        image);
  }

  private static double linear(double v) {
    double c = Math.max(0, Math.min(1, v));
    return c <= 0.04045 ? c / 12.92 : Math.pow((c + 0.055) / 1.055, 2.4);
  }

  /** A file's name without folders: what was dropped together lies in one place. */
  private static String plain(String name) {
    String n = name.trim().replace('\\', '/');
    return n.substring(n.lastIndexOf('/') + 1).toLowerCase(Locale.ROOT);
  }

  private static String first(Exception e) {
    String t = e.getMessage() == null ? "it is damaged" : e.getMessage();
    return t.length() > 80 ? t.substring(0, 80) : t;
  }
}
