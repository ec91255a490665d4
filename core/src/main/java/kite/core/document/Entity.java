package kite.core.document;

import java.util.LinkedHashMap;
import java.util.Map;
import kite.core.curve.Channel;

/**
 * Anything with an id in a sequence. Its channels have addresses: a bare name, or for a camera's
 * rig {@code partId/name}.
 */
public sealed interface Entity
    permits Piece,
        Mark,
        Path,
        Camera,
        Light,
        Shot,
        Marker,
        SoundTrack,
        Sound,
        AcceptedNote,
        ActionLine,
        CutEntry,
        Layer,
        Measure,
        Air,
        Plate {
  /** The word it is known by in stored documents and edits: it never changes. */
  String kind();

  String id();

  String name();

  Entity withName(String newName);

  /** Every channel this entity has, by address, in the order a person would read them. */
  default Map<String, ChannelSpec> channelSpecs() {
    return Map.of();
  }

  /** What the channel at an address is, or null when this has none there. */
  default ChannelSpec channelSpec(String address) {
    return channelSpecs().get(address);
  }

  /** Its own channels; those of rig parts are theirs. */
  default Channels channels() {
    return Channels.NONE;
  }

  /** The same with other channels of its own. */
  default Entity withChannels(Channels own) {
    throw new IllegalArgumentException("“" + name() + "” has no channels");
  }

  /** The channel at an address that {@link #channelSpecs} names. */
  default Channel channel(String address) {
    return channels().get(channelSpec(address));
  }

  default Entity withChannel(String address, Channel channel) {
    return withChannels(channels().with(address, channel));
  }

  static Map<String, ChannelSpec> byName(Iterable<ChannelSpec> specs) {
    Map<String, ChannelSpec> m = new LinkedHashMap<>();
    for (ChannelSpec s : specs) m.put(s.name(), s);
    return m;
  }
}
