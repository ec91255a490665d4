package kite.core.document;

import java.util.AbstractMap;
import java.util.AbstractSet;
import java.util.Arrays;
import java.util.Iterator;
import java.util.Map;
import java.util.NoSuchElementException;
import java.util.Set;
import java.util.TreeMap;
import kite.core.curve.Channel;

/**
 * Channels by name, in order of name, never changed. A thing has few, and a sequence has thousands
 * of things: two arrays take less room than a tree, and less time to look through.
 */
final class ChannelMap extends AbstractMap<String, Channel> {
  private final String[] names;
  private final Channel[] channels;

  private ChannelMap(String[] names, Channel[] channels) {
    this.names = names;
    this.channels = channels;
  }

  static ChannelMap of(Map<String, Channel> all) {
    if (all instanceof ChannelMap m) return m;
    Map<String, Channel> sorted = all instanceof TreeMap<?, ?> ? all : new TreeMap<>(all);
    String[] names = new String[all.size()];
    Channel[] channels = new Channel[names.length];
    int i = 0;
    for (Map.Entry<String, Channel> e : sorted.entrySet()) {
      names[i] = e.getKey();
      channels[i++] = e.getValue();
    }
    return new ChannelMap(names, channels);
  }

  /** The same with one channel more, or with another in its place. */
  ChannelMap with(String name, Channel channel) {
    int at = find(name);
    if (at >= 0) {
      Channel[] others = channels.clone();
      others[at] = channel;
      return new ChannelMap(names, others);
    }
    int to = -1 - at;
    String[] more = new String[names.length + 1];
    Channel[] with = new Channel[more.length];
    System.arraycopy(names, 0, more, 0, to);
    System.arraycopy(channels, 0, with, 0, to);
    more[to] = name;
    with[to] = channel;
    System.arraycopy(names, to, more, to + 1, names.length - to);
    System.arraycopy(channels, to, with, to + 1, names.length - to);
    return new ChannelMap(more, with);
  }

  /** Where a name stands, or one less than the negative of where it would. */
  private int find(String name) {
    return Arrays.binarySearch(names, name);
  }

  @Override
  public Channel get(Object name) {
    int at = name instanceof String n ? find(n) : -1;
    return at < 0 ? null : channels[at];
  }

  @Override
  public boolean containsKey(Object name) {
    return name instanceof String n && find(n) >= 0;
  }

  @Override
  public int size() {
    return names.length;
  }

  @Override
  public Set<Map.Entry<String, Channel>> entrySet() {
    return new AbstractSet<>() {
      @Override
      public Iterator<Map.Entry<String, Channel>> iterator() {
        return new InOrder();
      }

      @Override
      public int size() {
        return names.length;
      }
    };
  }

  private final class InOrder implements Iterator<Map.Entry<String, Channel>> {
    private int next;

    @Override
    public boolean hasNext() {
      return next < names.length;
    }

    @Override
    public Map.Entry<String, Channel> next() {
      if (!hasNext()) throw new NoSuchElementException();
      return new SimpleImmutableEntry<>(names[next], channels[next++]);
    }
  }
}
