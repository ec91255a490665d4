package kite.render;

import java.util.HashMap;
import java.util.Map;
import kite.core.document.Layer;
import kite.core.document.Piece;
import kite.core.document.Sequence;

/** What mattes call the pieces of a sequence. */
final class MatteNames {
  /** What lies on no layer. */
  private static final String NO_LAYER = "no layer";

  private MatteNames() {}

  /** For each pass of mattes a name for each piece, by its id. */
  static Map<Pass, Map<String, String>> of(Sequence s) {
    Map<String, String> pieces = new HashMap<>(),
        groups = new HashMap<>(),
        layers = new HashMap<>();
    for (Piece p : s.all(Piece.class)) {
      pieces.put(p.id(), p.name());
      groups.put(p.id(), top(s, p).name());
      layers.put(p.id(), s.get(p.layer()) instanceof Layer l ? l.name() : NO_LAYER);
    }
    return Map.of(Pass.PIECES, pieces, Pass.GROUPS, groups, Pass.LAYERS, layers);
  }

  private static Piece top(Sequence s, Piece p) {
    Piece t = p;
    while (s.get(t.parent()) instanceof Piece q) t = q;
    return t;
  }
}
