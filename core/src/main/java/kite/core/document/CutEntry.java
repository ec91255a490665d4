package kite.core.document;

/**
 * From a frame on, this camera is live, until the next entry.
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
