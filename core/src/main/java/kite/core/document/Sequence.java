package kite.core.document;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** A sequence: header and entities by id. */
public record Sequence(Header header, Map<String, Entity> entities) {
  public Sequence {
    entities = EntityMap.of(entities);
  }

  public Entity get(String id) {
    return id == null ? null : entities.get(id);
  }

  /** All entities of one kind, in order of id. */
  public <T extends Entity> List<T> all(Class<T> kind) {
    List<T> found = new ArrayList<>();
    for (Entity e : entities.values()) if (kind.isInstance(e)) found.add(kind.cast(e));
    return found;
  }

  /** Hears of a thing that is another in a second sequence; null where it is not there. */
  public interface Difference {
    void is(Entity was, Entity now);
  }

  /** Tells in order of id what is another thing there, or is in one of the two alone. */
  public void differences(Sequence other, Difference told) {
    EntityMap.differences((EntityMap) entities, (EntityMap) other.entities, told);
  }

  public Sequence with(Entity e) {
    return new Sequence(header, ((EntityMap) entities).with(e));
  }

  public Sequence without(String id) {
    return new Sequence(header, ((EntityMap) entities).without(id));
  }

  public Sequence with(Header newHeader) {
    return new Sequence(newHeader, entities);
  }

  /** The name, or when it is taken its stem with the first number from 2 that is free. */
  public String freeName(String name) {
    return new FreeNames(this).take(name);
  }

  /** The first camera letter of A … Z, AA … ZZ that is free; beyond these all share the last. */
  public String freeLetter() {
    Set<String> taken = new HashSet<>();
    for (Camera c : all(Camera.class)) taken.add(c.letter());
    for (int i = -1; i < 26; i++)
      for (char last = 'A'; last <= 'Z'; last++) {
        String letter = (i < 0 ? "" : "" + (char) ('A' + i)) + last;
        if (!taken.contains(letter)) return letter;
      }
    return "ZZ";
  }

  /** Whether the views see a piece: it, all it is nested in, and its layer are shown. */
  public boolean isShown(Piece p) {
    if (get(p.layer()) instanceof Layer l && !l.shown()) return false;
    for (Piece q = p; q != null; q = q.parent() == null ? null : (Piece) get(q.parent()))
      if (!q.shown()) return false;
    return true;
  }

  /** Whether a render sees a piece: as the views do, and its layer is rendered. */
  public boolean isRendered(Piece p) {
    return isShown(p) && !(get(p.layer()) instanceof Layer l && !l.rendered());
  }

  /** Whether a light shines in the views, or in a render. */
  public boolean shines(Light l, boolean inRender) {
    if (!l.shown() || l.form() == Light.Form.GUIDE) return false;
    return !(get(l.layer()) instanceof Layer y)
        || (inRender ? y.rendered() && y.shown() : y.shown());
  }
}
