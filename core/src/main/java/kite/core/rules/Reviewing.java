package kite.core.rules;

import kite.core.document.Entity;
import kite.core.document.Marker;
import kite.core.document.Shot;

/** What somebody who reviews may do to a sequence: put markers, and write notes on shots. */
public final class Reviewing {
  private Reviewing() {}

  /** Whether a change is something of that, and no more. */
  public static boolean isAll(Change c) {
    if (c.isEmpty() || c.headerAfter() != null) return false;
    for (String id : c.touched())
      if (!isReview(c.before().get(id), c.after().get(id))) return false;
    return true;
  }

  private static boolean isReview(Entity was, Entity is) {
    if (was instanceof Shot a && is instanceof Shot b) return a.withNotes(b.notes()).equals(b);
    return (was == null || was instanceof Marker) && (is == null || is instanceof Marker);
  }
}
