package kite.core.document;

import java.util.Map;

/**
 * A named point, free or riding on a piece.
 *
 * @param rides the piece or camera whose axes the position is given in, or null for the world
 * @param anchor the point of the ridden piece it is measured from, or null for its origin
 */
public record Mark(
    String id, String name, @OrNull String rides, @OrNull String anchor, Channels channels)
    implements Entity {
  private static final Map<String, ChannelSpec> SPECS = Entity.byName(Place.POSITION);

  public Mark(String id, String name, String rides, Channels channels) {
    this(id, name, rides, null, channels);
  }

  @Override
  public Map<String, ChannelSpec> channelSpecs() {
    return SPECS;
  }

  @Override
  public Mark with(Channels own) {
    return new Mark(id, name, rides, anchor, own);
  }

  @Override
  public Mark named(String n) {
    return new Mark(id, n, rides, anchor, channels);
  }
}
