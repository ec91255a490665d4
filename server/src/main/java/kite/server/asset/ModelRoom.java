package kite.server.asset;

import java.util.HashSet;
import java.util.Set;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.render.ModelGeometry;

/** Whether the models of a sequence fit into memory together, before they are all opened. */
public final class ModelRoom {
  /** The parts of the heap that the models of one sequence may take: rendered, and in a picture. */
  public static final long RENDER = Runtime.getRuntime().maxMemory() / 2,
      PICTURE = Runtime.getRuntime().maxMemory() / 8;

  private ModelRoom() {}

  /**
   * @param most bytes that they may take together
   * @throws IllegalStateException saying how much that is, and which model takes most
   */
  public static void check(Sequence s, AssetStore assets, long most) {
    long all = 0, largest = 0;
    String name = "";
    Set<String> counted = new HashSet<>();
    for (Piece p : s.all(Piece.class)) {
      if (!(p.shape() instanceof Shape.Model m) || !counted.add(m.asset())) continue;
      ModelGeometry g = assets.geometry(m.asset());
      if (g == null) continue;
      all += g.bytes();
      if (g.bytes() > largest) {
        largest = g.bytes();
        name = p.name();
      }
      if (all > most)
        throw new IllegalStateException(
            "the models of the sequence take more than "
                + (most >> 20)
                + " MB when they are open; the largest so far is “"
                + name
                + "” with "
                + (largest >> 20)
                + " MB. Bring lighter versions");
    }
  }
}
