package kite.core.document;

/**
 * From a frame on, this camera is live, until the next entry: the cut as builds before shots kept
 * it. It is read, and becomes a {@link Shot} with the same id ({@code cut.EarlierCut}).
 *
 * @param name the shot code, e.g. SW010_0010
 * @param camera null for a gap
 */
public record CutEntry(String id, String name, @OrNull String camera, int firstFrame)
    implements Entity {
  public static final String KIND = "cutEntry";

  @Override
  public String kind() {
    return KIND;
  }

  @Override
  public CutEntry withName(String n) {
    return new CutEntry(id, n, camera, firstFrame);
  }
}
