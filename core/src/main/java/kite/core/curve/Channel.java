package kite.core.curve;

import java.util.List;

/** One number over time: either fixed, or a curve of keys. */
public sealed interface Channel permits Channel.Fixed, Channel.Curve {

  /** A value that does not change. */
  record Fixed(double value) implements Channel {}

  /**
   * Keys in rising order of frame, no two on one frame, at least one.
   *
   * @param before what holds before the first key
   * @param after what holds after the last key
   */
  record Curve(List<Key> keys, Extrapolation before, Extrapolation after) implements Channel {
    public Curve {
      keys = List.copyOf(keys);
      if (keys.isEmpty()) throw new IllegalArgumentException("a curve needs at least one key");
      for (int i = 0; i < keys.size(); i++) {
        if (!keys.get(i).isFinite())
          throw new IllegalArgumentException("key " + (i + 1) + " has a number that is not finite");
        if (i > 0 && keys.get(i).frame() <= keys.get(i - 1).frame())
          throw new IllegalArgumentException(
              "keys must stand in rising order of frame; key " + (i + 1) + " does not");
      }
    }

    public Curve(List<Key> keys) {
      this(keys, Extrapolation.HOLD, Extrapolation.HOLD);
    }

    /** Whether a frame lies between the first and the last key, or on one of them. */
    public boolean holds(double frame) {
      return frame >= keys.get(0).frame() && frame <= keys.get(keys.size() - 1).frame();
    }
  }

  static Channel fixed(double value) {
    return new Fixed(value);
  }

  static Channel curve(Key... keys) {
    return new Curve(List.of(keys));
  }

  /** The value at a frame. Compiles the curve each time; use {@link CompiledCurve} for ranges. */
  default double at(double frame) {
    return this instanceof Fixed f ? f.value() : CompiledCurve.of(this).value(frame);
  }
}
