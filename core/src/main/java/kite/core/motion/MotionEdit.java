package kite.core.motion;

import java.util.List;
import kite.core.cue.Ease;
import kite.core.curve.Extrapolation;
import kite.core.curve.Key;

/**
 * What can be done to chosen keys; see {@link Motion} for how each is done. A page asks for it by
 * its {@code KIND}.
 */
public sealed interface MotionEdit {
  /** Frames about one frame, values about one value; a factor of 1 leaves them. */
  record Scale(double about, double time, double aboutValue, double value) implements MotionEdit {
    public static final String KIND = "scale";
  }

  /** Each key's handles about the key itself: longer handles make softer keys. */
  record Soften(double factor) implements MotionEdit {
    public static final String KIND = "soften";
  }

  /** In time, about a frame. */
  record Mirror(double about) implements MotionEdit {
    public static final String KIND = "mirror";
  }

  /** In time, about the middle of what is chosen. */
  record Reverse() implements MotionEdit {
    public static final String KIND = "reverse";
  }

  /** To whole frames. */
  record Snap() implements MotionEdit {
    public static final String KIND = "snap";
  }

  /** By an amount of frames. */
  record Shift(double frames) implements MotionEdit {
    public static final String KIND = "shift";
  }

  /** So that it takes so many frames from the first chosen key to the last. */
  record FitTo(double frames) implements MotionEdit {
    public static final String KIND = "fitTo";
  }

  /** Handles level: the motion stops for a moment at each key. */
  record Flatten() implements MotionEdit {
    public static final String KIND = "flatten";
  }

  /** Whether the two handles of a key turn together. */
  record Join(boolean joined) implements MotionEdit {
    public static final String KIND = "join";
  }

  /** The segments that leave the chosen keys get an ease. */
  record EaseSegments(Ease ease) implements MotionEdit {
    public static final String KIND = "easeSegments";
  }

  /** The whole motion: slow or fast away from its first key, slow or fast onto its last. */
  record EaseWhole(boolean slowIn, boolean slowOut) implements MotionEdit {
    public static final String KIND = "easeWhole";
  }

  /** Through the keys without a stop or a leap in speed; at even speed where there are only two. */
  record LinearThrough() implements MotionEdit {
    public static final String KIND = "linearThrough";
  }

  /** Keys gather half-way towards the nearest of these frames. */
  record Gather(List<Double> around) implements MotionEdit {
    public static final String KIND = "gather";

    public Gather {
      around = List.copyOf(around);
    }
  }

  /** What holds before the first and after the last key. */
  record GoOn(Extrapolation before, Extrapolation after) implements MotionEdit {
    public static final String KIND = "goOn";
  }

  /** As few keys as keep the curve within a tolerance, in the channel's unit. */
  record Reduce(double tolerance) implements MotionEdit {
    public static final String KIND = "reduce";
  }

  /** Keys laid in so that the first stands on a frame. */
  record Paste(double frame, List<Key> keys) implements MotionEdit {
    public static final String KIND = "paste";

    public Paste {
      keys = List.copyOf(keys);
    }
  }
}
