package kite.core.evaluate;

import java.util.List;
import kite.core.document.Header;
import kite.core.path.PathTable;
import kite.core.rig.RigPart;
import kite.core.rig.Subject;

/** What a rig part's step is made from beside the part itself. */
public interface Compiling {
  Header header();

  /** Where the camera's, or the light's, transform and lens are in the plan. */
  int slot();

  /** Where an entity's are, or −1 when there is none of that id, or the id is null. */
  int slotOf(String id);

  /** A path ready to be measured, or null when there is none of that id. */
  PathTable path(String id);

  /** Where subjects are, at any frame. */
  SubjectPoints points(List<Subject> subjects);

  /** The parts below in the stack, from the ground up. */
  List<RigPart> below();
}
