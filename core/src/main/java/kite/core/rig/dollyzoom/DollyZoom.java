package kite.core.rig.dollyzoom;

import java.util.List;
import kite.core.document.ChannelSpec;
import kite.core.document.Channels;
import kite.core.document.OrNull;
import kite.core.rig.RigPart;
import kite.core.rig.Subject;

/**
 * Holds the size of one thing in the frame while the distance to it, or the lens, changes. What is
 * held may as well be something in the background: then the foreground swells and shrinks.
 *
 * @param subject whose size is held; null holds nothing
 * @param gives what gives way for it
 * @param mmPerM the focal length in millimetres for each metre of distance along the optical axis:
 *     the size on the film back is proportional to it
 */
public record DollyZoom(
    String id, boolean on, @OrNull Subject subject, Gives gives, double mmPerM, Channels channels)
    implements RigPart {
  public static final String KIND = "dollyZoom";

  @Override
  public String kind() {
    return KIND;
  }

  /** What is solved for the other. */
  public enum Gives {
    /** The camera moves as it moves; the focal length follows. */
    LENS,
    /** The lens zooms as it zooms; the camera travels towards the subject or away. */
    PLACE
  }

  private static final List<ChannelSpec> SPECS = List.of(STRENGTH);

  @Override
  public List<ChannelSpec> specs() {
    return SPECS;
  }

  @Override
  public DollyZoom withChannels(Channels c) {
    return new DollyZoom(id, on, subject, gives, mmPerM, c);
  }

  @Override
  public DollyZoom withOn(boolean nowOn) {
    return new DollyZoom(id, nowOn, subject, gives, mmPerM, channels);
  }

  public DollyZoom withHeld(Subject s, double newMmPerM) {
    return new DollyZoom(id, on, s, gives, newMmPerM, channels);
  }
}
