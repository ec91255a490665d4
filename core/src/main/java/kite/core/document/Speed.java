package kite.core.document;

import java.util.ArrayList;
import java.util.List;
import kite.core.curve.Channel;
import kite.core.curve.CompiledCurve;
import kite.core.curve.Key;

/** How fast the action runs in a take. */
public sealed interface Speed permits Speed.Steady, Speed.Curved {
  Speed AS_IT_IS = new Steady(1, 1);

  /** The word it is known by in stored documents and edits: it never changes. */
  String kind();

  /** So many frames of the scene pass in so many of the programme: 1 in 2 is half speed. */
  record Steady(int scene, int programme) implements Speed {
    public static final String KIND = "steady";

    @Override
    public String kind() {
      return KIND;
    }

    public double rate() {
      return (double) scene / programme;
    }
  }

  /**
   * Its own curve: frames of the scene since the take's first, over frames of the programme since
   * the shot's first. It never runs backwards.
   */
  record Curved(Channel.Curve curve) implements Speed {
    public static final String KIND = "curved";

    @Override
    public String kind() {
      return KIND;
    }
  }

  /** Frames of the scene that have passed after so many of the programme, sub-frames too. */
  default double action(double frames) {
    if (this instanceof Steady s) return frames * s.rate();
    if (this instanceof Curved c) return CompiledCurve.of(c.curve()).value(frames);
    throw new IllegalStateException("a speed that nobody has decided on: " + getClass());
  }

  /** The same seen from a later first frame: what has passed by then is not counted. */
  default Speed from(double frames) {
    if (!(this instanceof Curved c)) return this;
    double passed = action(frames);
    List<Key> keys = new ArrayList<>();
    for (Key k : c.curve().keys()) keys.add(k.at(k.frame() - frames, k.value() - passed));
    return new Curved(new Channel.Curve(keys, c.curve().before(), c.curve().after()));
  }

  default boolean isAsItIs() {
    return this instanceof Steady s && s.scene() == s.programme();
  }
}
