package kite.render;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** A growing list of triangles in world space: corners, normals, colours, texture places. */
public final class Triangles {
  float[] positions = new float[900];
  float[] normals = new float[900];
  float[] colours = new float[900];
  float[] places = new float[600];
  int[] materials = new int[100];
  int count;
  final List<Material> palette = new ArrayList<>();

  public int count() {
    return count;
  }

  /** The number by which corners refer to a material. */
  public int material(Material m) {
    int at = palette.indexOf(m);
    if (at >= 0) return at;
    palette.add(m);
    return palette.size() - 1;
  }

  /** Begins a triangle of a material; its three corners follow. */
  public void begin(int material) {
    if (count == materials.length) {
      int n = count * 2;
      positions = Arrays.copyOf(positions, n * 9);
      normals = Arrays.copyOf(normals, n * 9);
      colours = Arrays.copyOf(colours, n * 9);
      places = Arrays.copyOf(places, n * 6);
      materials = Arrays.copyOf(materials, n);
    }
    materials[count++] = material;
  }

  /** Sets corner 0, 1 or 2 of the triangle begun last. */
  public void corner(
      int k, float[] p, int pi, float[] n, int ni, float[] c, int ci, float[] uv, int ui) {
    int o = (count - 1) * 9 + k * 3;
    System.arraycopy(p, pi, positions, o, 3);
    System.arraycopy(n, ni, normals, o, 3);
    if (c == null) Arrays.fill(colours, o, o + 3, 1);
    else System.arraycopy(c, ci, colours, o, 3);
    if (uv != null) System.arraycopy(uv, ui, places, (count - 1) * 6 + k * 2, 2);
  }
}
