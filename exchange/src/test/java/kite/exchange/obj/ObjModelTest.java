package kite.exchange.obj;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;
import javax.imageio.ImageIO;
import kite.exchange.BadFile;
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
    ObjModel m = ObjModel.read(files);
    assertEquals(java.util.List.of("Transparency is left out."), m.warnings());
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
    ObjModel bare = ObjModel.read(Map.of("thing.obj", bytes(QUAD)));
    assertTrue(bare.warnings().get(0).contains("paint.mtl"), bare.warnings().toString());
    assertEquals(3, GlbReader.read(bare.glb()).geometry().triangles());
    for (String[] bad :
        new String[][] {
          {"v 0 0 0\n", "no faces"},
          {"v 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 9\n", "cannot be read"},
          {"v NaN 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 3\n", "not at a finite place"},
          {"v x\nf 1 2 3\n", "cannot be read"}
        }) {
      String said =
          assertThrows(BadFile.class, () -> ObjModel.read(Map.of("a.obj", bytes(bad[0]))))
              .getMessage();
      assertTrue(
          said.contains(bad[1]) || said.contains("not there") || said.contains("no faces"), said);
    }
    assertThrows(BadFile.class, () -> ObjModel.read(Map.of("a.mtl", bytes("newmtl x"))));
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
    for (String more : java.util.List.of("", "usemtl red\nf 2 3 4\n")) {
      byte[] glb = ObjModel.read(java.util.Map.of("a.obj", (bare + more).getBytes())).glb();
      int triangles = kite.exchange.gltf.GlbReader.read(glb).geometry().triangles();
      assertEquals(more.isEmpty() ? 1 : 2, triangles);
    }
  }
}
