package kite.core.rig;

import java.util.ArrayList;
import java.util.List;
import kite.core.cue.Cue;
import kite.core.cue.CueTrack;

/** Subjects and the cues that share something among them. */
public interface Cued {
  /** What the cues share among, each entity once. */
  List<Subject> subjects();

  /** In rising order of frame. */
  List<Cue> cues();

  Cued withCues(List<Cue> newCues);

  /** The track of its cues, shares in the order of its subjects. */
  default CueTrack track() {
    List<String> order = new ArrayList<>();
    for (Subject s : subjects()) order.add(s.entity());
    return new CueTrack(cues(), order);
  }
}
