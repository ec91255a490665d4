package kite.server.live;

import java.util.List;
import java.util.UUID;

/** Where edits can be read again that were missed. */
public interface Journal {
  /** At most 500 edits after a revision, oldest first. */
  List<EditMade> since(UUID sequence, long revision);
}
