package kite.core.document;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Map;

/**
 * A named point, free or riding on a piece.
 *
 * @param rides the piece or camera whose axes the position is given in, or null for the world
 * @param anchor the point of the ridden piece it is measured from, or null for its origin
 * @param layer the layer it lies on, or null
 * @param shown whether the set views draw it; what uses it does so all the same
 */
@RecordBuilder
public record Mark(
    String id,
    String name,
    @OrNull String rides,
    @OrNull String anchor,
    @OrNull String layer,
    boolean shown,
    Channels channels)
    implements Entity, MarkBuilder.With {
  public static final String KIND = "mark";

  @Override
  public String kind() {
    return KIND;
  }

  private static final Map<String, ChannelSpec> SPECS = Entity.byName(Place.POSITION);

  public Mark(String id, String name, String rides, Channels channels) {
    this(id, name, rides, null, channels);
  }

  public Mark(String id, String name, String rides, String anchor, Channels channels) {
    this(id, name, rides, anchor, null, true, channels);
  }

  @Override
  public Map<String, ChannelSpec> channelSpecs() {
    return SPECS;
  }

  @Override
  public Mark withChannels(Channels c) {
    return MarkBuilder.With.super.withChannels(c);
  }

  @Override
  public Mark withName(String n) {
    return MarkBuilder.With.super.withName(n);
  }
}
