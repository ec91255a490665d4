package kite.core.document;

/**
 * The line of action: from one subject to another. Cameras that are cut to and fro stay on one side
 * of it. A sequence has one at most.
 *
 * @param first one of the two, which are pieces
 * @param second the other
 */
public record ActionLine(String id, String name, String first, String second) implements Entity {
  public static final String KIND = "actionLine";

  @Override
  public String kind() {
    return KIND;
  }

  @Override
  public ActionLine withName(String n) {
    return new ActionLine(id, n, first, second);
  }

  /** That of a sequence, or null. */
  public static ActionLine of(Sequence s) {
    for (ActionLine l : s.all(ActionLine.class)) return l;
    return null;
  }
}
