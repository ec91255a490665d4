package kite.core.document;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/** The models, images and recordings that entities use, as the SHA-256 of their bytes. */
public final class AssetsUsed {
  private AssetsUsed() {}

  /** In order, each once. */
  public static Set<String> of(Sequence s) {
    return of(s.entities().values());
  }

  /** In order, each once. */
  public static Set<String> of(Collection<? extends Entity> all) {
    Set<String> found = new TreeSet<>();
    for (Entity e : all) found.addAll(of(e));
    return found;
  }

  private static List<String> of(Entity e) {
    if (e instanceof Piece p) {
      List<String> its = new ArrayList<>();
      if (p.shape() instanceof Shape.Model m) its.add(m.asset());
      if (p.finish() != null && p.finish().picture() != null) its.add(p.finish().picture());
      return its;
    }
    if (e instanceof Shot s) return s.board() == null ? List.of() : List.of(s.board().picture());
    if (e instanceof Sound x) return List.of(x.recording());
    return e instanceof Plate p ? p.frames() : List.of();
  }
}
