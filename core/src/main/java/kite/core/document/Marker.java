package kite.core.document;

/**
 * A word on a frame of the programme.
 *
 * @param name what it says
 * @param frame of the programme, whatever stands there
 * @param colour #rrggbb
 */
public record Marker(String id, String name, int frame, String colour) implements Entity {
  public static final String KIND = "marker";

  @Override
  public String kind() {
    return KIND;
  }

  @Override
  public Marker withName(String n) {
    return new Marker(id, n, frame, colour);
  }
}
