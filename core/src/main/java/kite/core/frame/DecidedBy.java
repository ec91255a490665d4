package kite.core.frame;

import java.util.List;
import kite.core.document.Camera;
import kite.core.document.ChannelSpec;
import kite.core.document.Sequence;
import kite.core.rig.RigPart;
import kite.core.rig.Subject;
import kite.core.rig.dollyzoom.DollyZoom;
import kite.core.rig.framings.Framings;

/** What decides a number of a camera's lens in place of the camera's own channel. */
public final class DecidedBy {
  private DecidedBy() {}

  /** One sentence; empty where the channel decides. */
  public static String says(Sequence s, Camera c, ChannelSpec spec) {
    if (spec == Camera.FOCUS && c.focus() != null && !c.focus().subjects().isEmpty())
      return "Focus follows "
          + names(s, c.focus().subjects())
          + ". Let it go under Focus to set it by hand.";
    if (spec == Camera.FOCAL_LENGTH)
      for (RigPart p : c.rig())
        if (p instanceof DollyZoom z
            && z.on()
            && z.gives() == DollyZoom.Gives.LENS
            && z.subject() != null)
          return "The dolly zoom sets the lens, to hold the size of "
              + names(s, List.of(z.subject()))
              + ". Switch it off to set it by hand.";
    if (spec != Camera.NEAR_CLIP && spec != Camera.FAR_CLIP)
      for (RigPart p : c.rig())
        if (p instanceof Framings f && f.on() && !f.cues().isEmpty())
          return "It comes from the framings. Switch them off to set it by hand.";
    return "";
  }

  private static String names(Sequence s, List<Subject> all) {
    StringBuilder b = new StringBuilder();
    for (Subject x : all) b.append(b.length() > 0 ? ", " : "").append(s.get(x.entity()).name());
    return b.toString();
  }
}
