package kite.exchange.obj;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import de.javagl.obj.Obj;
import de.javagl.obj.ObjReader;
import de.javagl.obj.ObjSplitting;
import de.javagl.obj.ObjUtils;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import javax.imageio.ImageIO;
import kite.exchange.BadFile;
import kite.exchange.Budget;
import kite.exchange.gltf.GlbReader;
import kite.exchange.gltf.ModelFile;
import kite.exchange.text.Lettering;
import org.junit.jupiter.api.Test;

class ObjModelTest {
  private static final String QUAD =
      "# a quad and a triangle\nmtllib Some\\Folder\\paint.mtl\no thing\nv 0 0 0\nv 2 0 0\nv 2 3 0\nv 0 3 0\nv 0 0 -1\n"
          + "vt 0 0\nvt 1 0\nvt 1 1\nvt 0 1\nusemtl wall\nf 1/1 2/2 3/3 4/4\nusemtl floor\nf 1 2 -1\n";

  private static byte[] bytes(String s) {
    return s.getBytes(StandardCharsets.UTF_8);
  }

  private static ObjModel read(String name, String text) throws BadFile {
    return ObjModel.read(Map.of(name, bytes(text)), Budget.usual());
  }

  private static byte[] picture() throws Exception {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(2, 2, BufferedImage.TYPE_INT_RGB), "png", out);
    return out.toByteArray();
  }

  @Test
  void facesMaterialsAndPicturesArriveAsGltf() throws Exception {
    Map<String, byte[]> files = new HashMap<>();
    files.put("thing.obj", bytes(QUAD));
    files.put(
        "Paint.mtl",
        bytes("newmtl wall\nmap_Kd maps/brick.png\nnewmtl floor\nKd 0.5 0 0\nd 0.4\n"));
    files.put("brick.png", picture());
    ObjModel m = ObjModel.read(files, Budget.usual());
    assertEquals(List.of("Transparency is left out."), m.warnings());
    ModelFile f = GlbReader.read(m.glb());
    assertEquals(3, f.geometry().triangles());
    assertArrayEquals(new double[] {0, 0, -1, 2, 3, 0}, f.bounds());
    var wall = f.geometry().parts().stream().filter(p -> p.indices().length == 6).findFirst().get();
    assertNotNull(f.geometry().materials().get(wall.material()).texture());
    var floor =
        f.geometry().parts().stream().filter(p -> p.indices().length == 3).findFirst().get();
    // 0.5 on the screen is 0.214 of the light
    assertEquals(0.214, f.geometry().materials().get(floor.material()).red(), 1e-3);
  }

  @Test
  void whatIsMissingIsNamedAndWhatIsBrokenRefused() throws Exception {
    ObjModel bare = read("thing.obj", QUAD);
    assertTrue(bare.warnings().get(0).contains("paint.mtl"), bare.warnings().toString());
    assertEquals(3, GlbReader.read(bare.glb()).geometry().triangles());
    for (String[] bad :
        new String[][] {
          {"v 0 0 0\n", "no faces"},
          {"v 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 9\n", "line 4: it names corner 9, but the file has 3"},
          {"v NaN 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 3\n", "line 1: “NaN” is not finite"},
          {"v x\nf 1 2 3\n", "line 1: “x” is not a number"},
          {"v 0 0 0\n\nf 1 2 99999999999\n", "line 3: “99999999999” is not a corner"},
          {"v 0 0 0\nf 1 -2 1\n", "line 2: “-2” names what is not there"},
          {"v 0 0 0\nf 1/1/1/1 1 1\n", "“1/1/1/1” is not a corner"},
          {"v 0 0\nf 1 1 1\n", "line 1: it has 2 numbers where 3 are needed"}
        }) {
      String said = assertThrows(BadFile.class, () -> read("a.obj", bad[0])).getMessage();
      assertTrue(said.contains(bad[1]), said);
    }
    assertThrows(BadFile.class, () -> read("a.mtl", "newmtl x"));
  }

  @Test
  void lettersAreSolidAndAsHighAsAsked() throws Exception {
    double[] white = {1, 1, 1};
    ModelFile f = GlbReader.read(Lettering.glb("HI O8", 0.5, 0.1, white));
    double[] b = f.bounds();
    assertEquals(0.5, b[4], 0.02, "a capital is half a metre high");
    assertEquals(0.1, b[5] - b[2], 1e-6);
    assertEquals(0, (b[0] + b[3]) / 2, 1e-3, "centred");
    double volume = 0; // of the closed solid, by the divergence theorem
    for (var p : f.geometry().parts()) {
      float[] q = p.positions();
      int[] i = p.indices();
      for (int k = 0; k < i.length; k += 3) {
        int a = i[k] * 3, c = i[k + 1] * 3, d = i[k + 2] * 3;
        volume +=
            (q[a] * (q[c + 1] * q[d + 2] - q[c + 2] * q[d + 1])
                    + q[a + 1] * (q[c + 2] * q[d] - q[c] * q[d + 2])
                    + q[a + 2] * (q[c] * q[d + 1] - q[c + 1] * q[d]))
                / 6;
      }
    }
    assertTrue(volume > 0.012 && volume < 0.04, "outward faces with holes in O and 8: " + volume);
    assertThrows(BadFile.class, () -> Lettering.glb("   ", 1, 0.1, white));
    assertTrue(
        assertThrows(BadFile.class, () -> Lettering.glb("\uD83D\uDC0B", 1, 0.1, white))
            .getMessage()
            .contains("no letter for"));
  }

  @Test
  void facesThatNameNoMaterialAreSeen() throws Exception {
    String bare = "v 0 0 0\nv 1 0 0\nv 0 1 0\nv 1 1 0\nf 1 2 3\n";
    for (String more : List.of("", "usemtl red\nf 2 3 4\n")) {
      byte[] glb = read("a.obj", bare + more).glb();
      int triangles = GlbReader.read(glb).geometry().triangles();
      assertEquals(more.isEmpty() ? 1 : 2, triangles);
    }
  }

  @Test
  void whatIsLeftOutIsSaid() throws Exception {
    ObjModel m =
        read("a.obj", "v 0 0 0 1 0 0\nv 1 0 0\nv 0 1 0\nl 1 2\nf 1 2\nf 1 2 3\ncurv 0 1 1 2\n");
    assertEquals(4, m.warnings().size(), m.warnings().toString());
    assertEquals(1, GlbReader.read(m.glb()).geometry().triangles());
  }

  /** Random files against a reader that others wrote: the same triangles in the same materials. */
  @Test
  void facesAreReadAsAnotherReaderReadsThem() throws Exception {
    Random r = new Random(4);
    for (int n = 0; n < 60; n++) {
      String text = random(r);
      Map<String, List<String>> wanted = new TreeMap<>();
      Obj other = ObjReader.read(new ByteArrayInputStream(bytes(text)));
      for (Map.Entry<String, Obj> g : ObjSplitting.splitByMaterialGroups(other).entrySet()) {
        Obj one = ObjUtils.triangulate(g.getValue());
        for (int f = 0; f < one.getNumFaces(); f++) {
          StringBuilder t = new StringBuilder();
          for (int k = 0; k < 3; k++) {
            var v = one.getVertex(one.getFace(f).getVertexIndex(k));
            t.append(v.getX()).append(' ').append(v.getY()).append(' ').append(v.getZ());
            if (one.getFace(f).containsTexCoordIndices()) {
              var vt = one.getTexCoord(one.getFace(f).getTexCoordIndex(k));
              t.append(" at ").append(vt.getX()).append(' ').append(1 - vt.getY());
            }
            t.append("; ");
          }
          wanted.computeIfAbsent(g.getKey(), k -> new ArrayList<>()).add(t.toString());
        }
      }
      Map<String, List<String>> found = new TreeMap<>();
      for (ObjText.Mesh m : ObjText.read(bytes(text), Budget.usual()).meshes())
        for (int i = 0; i < m.faces().length; i += 3) {
          StringBuilder t = new StringBuilder();
          for (int k = 0; k < 3; k++) {
            int c = m.faces()[i + k];
            float[] p = m.positions();
            t.append(p[c * 3]).append(' ').append(p[c * 3 + 1]).append(' ').append(p[c * 3 + 2]);
            if (m.places() != null)
              t.append(" at ").append(m.places()[c * 2]).append(' ').append(m.places()[c * 2 + 1]);
            t.append("; ");
          }
          found.computeIfAbsent(m.material(), k -> new ArrayList<>()).add(t.toString());
        }
      assertEquals(wanted, found, text);
    }
  }

  /** Corners and places, then faces in turns of materials, counted from the front or the back. */
  private static String random(Random r) {
    StringBuilder s = new StringBuilder();
    int corners = 4 + r.nextInt(30);
    for (int i = 0; i < corners; i++)
      s.append(
          String.format(
              "v %.4f %.4f %.4f%n", r.nextGaussian(), r.nextGaussian(), r.nextGaussian()));
    for (int i = 0; i < corners; i++)
      s.append(String.format("vt %.4f %.4f%n", r.nextDouble(), r.nextDouble()));
    for (int m = 0; m < 4; m++) {
      int material = r.nextInt(3);
      s.append("usemtl m").append(material).append("\ng group\ns 1\n");
      boolean places = material != 1;
      for (int f = 0; f < 5; f++) {
        s.append("f");
        for (int k = 0, n = 3 + r.nextInt(3); k < n; k++) {
          int i = 1 + r.nextInt(corners);
          s.append(' ').append(r.nextBoolean() ? i : i - corners - 1);
          if (places) s.append('/').append(i);
        }
        s.append('\n');
      }
    }
    return s.toString();
  }
}
