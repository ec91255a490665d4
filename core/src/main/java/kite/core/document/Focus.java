package kite.core.document;

import java.util.List;
import kite.core.cue.Cue;
import kite.core.rig.Cued;
import kite.core.rig.Subject;

/**
 * Focus that follows subjects. What the shares leave below 1 stays with the focus-distance channel;
 * distances are blended in dioptres.
 */
public record Focus(List<Subject> subjects, List<Cue> cues) implements Cued {
  /** Stands for a part's id where cues are put, moved and taken away. */
  public static final String ID = "focus";

  public Focus {
    subjects = List.copyOf(subjects);
    cues = List.copyOf(cues);
  }

  @Override
  public Focus withCues(List<Cue> newCues) {
    return new Focus(subjects, newCues);
  }
}
