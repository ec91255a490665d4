package kite.core.rig.head;

import java.util.List;
import kite.core.document.ChannelSpec;
import kite.core.document.Channels;
import kite.core.document.Place;
import kite.core.rig.RigPart;

/** Pan, tilt and roll on the axes of the part below. */
public record Head(String id, boolean on, Channels channels) implements RigPart {
  public static final String KIND = "head";

  @Override
  public String kind() {
    return KIND;
  }

  private static final List<ChannelSpec> SPECS = List.of(Place.PAN, Place.TILT, Place.ROLL);

  @Override
  public List<ChannelSpec> specs() {
    return SPECS;
  }

  @Override
  public Head withChannels(Channels c) {
    return new Head(id, on, c);
  }

  @Override
  public Head withOn(boolean nowOn) {
    return new Head(id, nowOn, channels);
  }
}
