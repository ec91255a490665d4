package kite.core.shape;

/**
 * Triangles.
 *
 * @param positions x, y, z in metres per corner
 * @param normals x, y, z per corner, unit
 * @param colours red, green, blue per corner, linear 0–1
 * @param indices three corners per triangle, counter-clockwise seen from outside
 */
public record Mesh(float[] positions, float[] normals, float[] colours, int[] indices) {
  public int triangles() {
    return indices.length / 3;
  }
}
