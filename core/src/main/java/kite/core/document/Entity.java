package kite.core.document;

import java.util.LinkedHashMap;
import java.util.Map;
import kite.core.curve.Channel;

/**
 * Anything with an id in a sequence. Its channels have addresses: a bare name, or for a camera's
 * rig {@code partId/name}.
 */
public sealed interface Entity
    permits Piece, Mark, Path, Camera, Light, CutEntry, Layer, Measure, Air, Plate {
  String id();

  String name();

  Entity named(String newName);

  /** Every channel this entity has, by address, in the order a person would read them. */
  default Map<String, ChannelSpec> channelSpecs() {
    return Map.of();
  }

  /** The channel at an address that {@link #channelSpecs} names. */
  default Channel channel(String address) {
    throw new IllegalArgumentException("no channel " + address);
  }

  default Entity withChannel(String address, Channel channel) {
    throw new IllegalArgumentException("no channel " + address);
  }

  static Map<String, ChannelSpec> byName(Iterable<ChannelSpec> specs) {
    Map<String, ChannelSpec> m = new LinkedHashMap<>();
    for (ChannelSpec s : specs) m.put(s.name(), s);
    return m;
  }
}
