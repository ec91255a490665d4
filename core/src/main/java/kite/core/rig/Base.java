package kite.core.rig;

import java.util.List;
import kite.core.document.ChannelSpec;
import kite.core.document.Channels;
import kite.core.document.OrNull;
import kite.core.document.Place;

/**
 * The tripod: where the stack stands. When it rides something, its channels are measured in what it
 * takes from the ridden thing.
 *
 * @param rides a piece, mark or camera, or null to stand in the world
 */
public record Base(String id, boolean on, @OrNull String rides, Takes takes, Channels channels)
    implements RigPart {
  public static final String KIND = "base";

  @Override
  public String kind() {
    return KIND;
  }

  /** What a riding base takes from the thing it rides. */
  public enum Takes {
    POSITION,
    /** Position and the pan of its −Z; the horizon stays level. */
    HEADING,
    ALL
  }

  @Override
  public List<ChannelSpec> specs() {
    return Place.POSE;
  }

  @Override
  public Base withChannels(Channels c) {
    return new Base(id, on, rides, takes, c);
  }

  @Override
  public Base withOn(boolean nowOn) {
    return new Base(id, nowOn, rides, takes, channels);
  }
}
