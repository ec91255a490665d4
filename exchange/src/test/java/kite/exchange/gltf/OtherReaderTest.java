package kite.exchange.gltf;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;

import de.javagl.jgltf.model.AccessorFloatData;
import de.javagl.jgltf.model.AnimationModel;
import de.javagl.jgltf.model.GltfModel;
import de.javagl.jgltf.model.MeshModel;
import de.javagl.jgltf.model.MeshPrimitiveModel;
import de.javagl.jgltf.model.NodeModel;
import de.javagl.jgltf.model.io.GltfModelReader;
import java.io.ByteArrayInputStream;
import java.util.ArrayList;
import java.util.List;
import kite.core.shape.MeshBuilder;
import org.junit.jupiter.api.Test;

/** What is written as glTF is read alike by somebody else's reader, jgltf-model. */
class OtherReaderTest {
  private static GltfModel read(byte[] glb) throws Exception {
    return new GltfModelReader().readWithoutReferences(new ByteArrayInputStream(glb));
  }

  @Test
  void modelsWithTheirNodesAndMotion() throws Exception {
    GlbModelWriter w = new GlbModelWriter(0.8, 0);
    int body = w.node("body", -1, 1, 2, 3, new MeshBuilder().colour("#ff0000").box(1, 2, 1).mesh());
    int arm = w.node("arm", body, 0, 2, 0, new MeshBuilder().cylinder(8, 0.2, 1).mesh());
    float h = (float) Math.sqrt(0.5);
    w.turn(arm, new float[] {0, 2}, new float[] {0, 0, 0, 1, 0, h, 0, h});
    byte[] glb = w.glb("wave");

    GltfModel theirs = read(glb);
    ModelFile ours = GlbReader.read(glb);
    int triangles = 0;
    List<String> names = new ArrayList<>();
    double[] bounds = {9, 9, 9, -9, -9, -9};
    for (NodeModel n : theirs.getNodeModels()) {
      names.add(n.getName());
      float[] world = n.computeGlobalTransform(null);
      for (MeshModel m : n.getMeshModels())
        for (MeshPrimitiveModel p : m.getMeshPrimitiveModels()) {
          triangles += p.getIndices().getCount() / 3;
          grow(
              bounds,
              (AccessorFloatData) p.getAttributes().get("POSITION").getAccessorData(),
              world);
        }
    }
    assertEquals(List.of("body", "arm"), names);
    assertEquals(ours.geometry().triangles(), triangles);
    assertArrayEquals(ours.bounds(), bounds, 1e-6);
    AnimationModel wave = theirs.getAnimationModels().get(0);
    assertEquals("wave", wave.getName());
    assertEquals("rotation", wave.getChannels().get(0).getPath());
    assertEquals("arm", wave.getChannels().get(0).getNodeModel().getName());
  }

  private static void grow(double[] bounds, AccessorFloatData places, float[] world) {
    for (int i = 0; i < places.getNumElements(); i++)
      for (int row = 0; row < 3; row++) {
        double v = world[12 + row];
        for (int c = 0; c < 3; c++) v += world[c * 4 + row] * places.get(i, c);
        bounds[row] = Math.min(bounds[row], v);
        bounds[row + 3] = Math.max(bounds[row + 3], v);
      }
  }
}
