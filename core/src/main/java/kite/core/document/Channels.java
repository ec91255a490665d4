package kite.core.document;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import kite.core.curve.Channel;
import kite.core.curve.CompiledCurve;

/** The channels of one thing by name. A channel that was never set has its spec's initial value. */
public record Channels(Map<String, Channel> set) {
  public static final Channels NONE = new Channels(Map.of());

  public Channels {
    set = Collections.unmodifiableMap(new TreeMap<>(set));
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
    Map<String, Channel> copy = new TreeMap<>(set);
    copy.put(name, channel);
    return new Channels(copy);
  }

  public Channels with(String name, double value) {
    return with(name, Channel.fixed(value));
  }
}
