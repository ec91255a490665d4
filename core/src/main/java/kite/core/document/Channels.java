package kite.core.document;

import java.util.List;
import java.util.Map;
import kite.core.curve.Channel;
import kite.core.curve.CompiledCurve;

/** The channels of one thing by name. A channel that was never set has its spec's initial value. */
public record Channels(Map<String, Channel> set) {
  public static final Channels NONE = new Channels(Map.of());

  public Channels {
    set = ChannelMap.of(set);
  }

  public Channel get(ChannelSpec spec) {
    Channel c = set.get(spec.name());
    return c == null ? Channel.fixed(spec.initial()) : c;
  }

  /** A channel ready to be asked for many frames. */
  public CompiledCurve compiled(ChannelSpec spec) {
    return CompiledCurve.of(get(spec));
  }

  /** Several channels likewise, in their order. */
  public CompiledCurve[] compiled(List<ChannelSpec> specs) {
    CompiledCurve[] all = new CompiledCurve[specs.size()];
    for (int i = 0; i < all.length; i++) all[i] = compiled(specs.get(i));
    return all;
  }

  public Channels with(String name, Channel channel) {
    return new Channels(ChannelMap.of(set).with(name, channel));
  }

  public Channels with(String name, double value) {
    return with(name, Channel.fixed(value));
  }
}
