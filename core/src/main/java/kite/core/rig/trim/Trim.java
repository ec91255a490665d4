package kite.core.rig.trim;

import java.util.List;
import kite.core.document.ChannelSpec;
import kite.core.document.Channels;
import kite.core.document.OrNull;
import kite.core.document.Place;
import kite.core.number.Unit;
import kite.core.rig.RigPart;
import kite.core.rig.slide.Slide;

/**
 * A small offset laid over a finished move, usually for a note; metres and degrees on the camera's
 * own axes.
 *
 * @param label what it is for; may be empty
 * @param span when it holds, or null for the whole sequence
 * @param takes the takes of shots ({@code document.Take#inShot}) that it is laid over alone; none
 *     for wherever the camera is seen
 */
public record Trim(
    String id, boolean on, String label, @OrNull Span span, List<String> takes, Channels channels)
    implements RigPart {
  public Trim {
    takes = List.copyOf(takes);
  }

  public static final String KIND = "trim";

  @Override
  public String kind() {
    return KIND;
  }

  /**
   * A stretch of frames with fades at its ends, both inside it.
   *
   * @param first frame where it begins to show
   * @param last frame where it is gone again
   * @param fadeIn frames it takes to come
   * @param fadeOut frames it takes to go
   */
  public record Span(double first, double last, double fadeIn, double fadeOut) {
    /** 0 outside, 1 between the fades, eased at both ends of each. */
    public double at(double frame) {
      if (frame < first || frame > last) return 0;
      return Math.min(
          ramp(frame - first, fadeIn), ramp(last - frame, fadeOut)); // short spans meet halfway
    }

    private static double ramp(double since, double length) {
      if (length <= 0 || since >= length) return 1;
      double t = since / length;
      return t * t * (3 - 2 * t);
    }
  }

  /** Added to the focal length. */
  public static final ChannelSpec FOCAL =
      ChannelSpec.of("focal", "Focal length", Unit.MILLIMETRES, 0, -5000, 5000);

  private static final List<ChannelSpec> SPECS =
      List.of(
          Slide.TRUCK,
          Slide.PEDESTAL,
          Slide.DOLLY,
          Place.PAN,
          Place.TILT,
          Place.ROLL,
          FOCAL,
          STRENGTH);

  @Override
  public List<ChannelSpec> specs() {
    return SPECS;
  }

  public Trim withTakes(List<String> all) {
    return new Trim(id, on, label, span, all, channels);
  }

  @Override
  public Trim withChannels(Channels c) {
    return new Trim(id, on, label, span, takes, c);
  }

  @Override
  public Trim withOn(boolean nowOn) {
    return new Trim(id, nowOn, label, span, takes, channels);
  }
}
