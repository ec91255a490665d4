package kite.core.document;

/**
 * Things that are shown, rendered and locked together.
 *
 * @param shown whether the views see what lies on it
 * @param rendered whether a render sees it
 * @param locked whether what lies on it is kept from being moved
 */
public record Layer(
    String id, String name, String colour, boolean shown, boolean rendered, boolean locked)
    implements Entity {
  public static final String KIND = "layer";

  @Override
  public String kind() {
    return KIND;
  }

  @Override
  public Layer withName(String n) {
    return new Layer(id, n, colour, shown, rendered, locked);
  }
}
