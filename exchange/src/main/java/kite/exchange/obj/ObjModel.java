package kite.exchange.obj;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import kite.exchange.BadFile;
import kite.exchange.Budget;
import kite.exchange.Names;
import kite.exchange.Together;
import kite.exchange.gltf.PlainModelWriter;

/**
 * An OBJ model with the MTL and pictures that came beside it, as a glTF file. Files are found by
 * their names; nothing is fetched.
 *
 * @param glb the model as binary glTF
 * @param warnings what was left out, in sentences
 */
public record ObjModel(byte[] glb, List<String> warnings) {
  /**
   * @param files by their names, as they were dropped together; one ends in .obj
   * @throws BadFile with one sentence saying what is wrong and what to do
   */
  public static ObjModel read(Map<String, byte[]> files, Budget budget) throws BadFile {
    Together together = Together.of(files, ".obj");
    ObjText obj = ObjText.read(together.main(), budget);
    Set<String> warnings = new TreeSet<>(obj.leftOut());
    Map<String, Mtl> materials = materials(obj, together, warnings, budget);
    PlainModelWriter w = new PlainModelWriter();
    for (ObjText.Mesh m : obj.meshes()) {
      int material = material(w, m.material(), materials.get(m.material()), together, warnings);
      w.mesh(m.material(), material, m.positions(), m.normals(), m.places(), m.faces());
    }
    return new ObjModel(w.glb(), new ArrayList<>(warnings));
  }

  private static Map<String, Mtl> materials(
      ObjText obj, Together files, Set<String> warnings, Budget budget) {
    Map<String, Mtl> all = new HashMap<>();
    for (String name : new TreeSet<>(obj.libraries())) {
      String shown = Names.shown(Names.file(name));
      byte[] bytes = files.named(name);
      if (bytes == null) {
        warnings.add("Its materials (" + shown + ") did not come with it.");
        continue;
      }
      try {
        all.putAll(Mtl.read(bytes, budget));
      } catch (BadFile e) {
        warnings.add("Its materials (" + shown + ") cannot be read: " + e.getMessage());
      }
    }
    return all;
  }

  private static int material(
      PlainModelWriter w, String name, Mtl known, Together files, Set<String> warnings) {
    Mtl m = known == null ? Mtl.PLAIN : known;
    byte[] image = m.picture() == null ? null : files.named(m.picture());
    if (m.picture() != null && image == null)
      warnings.add(
          "The picture " + Names.shown(Names.file(m.picture())) + " did not come with it.");
    if (m.opacity() < 1) warnings.add("Transparency is left out.");
    double roughness = Math.sqrt(2 / (m.shine() + 2)); // the usual match of a Phong exponent
    // Kd is a screen colour by custom, glTF wants linear light
    return image == null
        ? w.material(name, linear(m.red()), linear(m.green()), linear(m.blue()), roughness, null)
        : w.material(name, 1, 1, 1, roughness, image);
  }

  private static double linear(double v) {
    return v <= 0.04045 ? v / 12.92 : Math.pow((v + 0.055) / 1.055, 2.4);
  }
}
