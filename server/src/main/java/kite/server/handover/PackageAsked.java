package kite.server.handover;

import java.util.List;
import kite.core.document.OrNull;

/**
 * What a package is to hold. What is left out of it is none, and not so.
 *
 * @param shots ids of the shots that it is about; all where it is empty
 * @param parts what of it, each once
 * @param marks ids of marks whose places are handed over beside those of the guides
 * @param handles whether cameras have the handles of their shots
 * @param bend whether what is bent by joints or shapes is in the set with its points on every frame
 * @param since number of an earlier package that it is compared with, or null
 * @param leaveOut whether files that are the same in that one are left out
 */
record PackageAsked(
    List<String> shots,
    List<Part> parts,
    List<String> marks,
    Boolean handles,
    Boolean bend,
    @OrNull Integer since,
    Boolean leaveOut) {
  /** Whether a shot is handed over, by its id. */
  boolean isAbout(String shot) {
    return shots.isEmpty() || shots.contains(shot);
  }

  PackageAsked {
    shots = shots == null ? List.of() : List.copyOf(shots);
    parts = parts == null ? List.of() : parts.stream().distinct().toList();
    marks = marks == null ? List.of() : List.copyOf(marks);
    handles = Boolean.TRUE.equals(handles);
    bend = Boolean.TRUE.equals(bend);
    leaveOut = Boolean.TRUE.equals(leaveOut);
  }
}
