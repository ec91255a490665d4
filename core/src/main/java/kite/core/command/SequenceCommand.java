package kite.core.command;

import java.util.List;
import kite.core.document.Entity;
import kite.core.document.Header;
import kite.core.document.OrNull;
import kite.core.document.Sequence;
import kite.core.document.Standards;

/** Commands on the sequence as a whole. */
public sealed interface SequenceCommand extends Command {

  record SetHeader(Header header) implements SequenceCommand {
    @Override
    public Sequence applyTo(Sequence s) {
      return s.with(header);
    }
  }

  /** Takes over the production's standards; what the sequence decides for itself stays. */
  record Follow(Standards standards) implements SequenceCommand {
    @Override
    public Sequence applyTo(Sequence s) {
      return s.with(s.header().following(standards));
    }
  }

  /**
   * Puts entities as given and takes others away: what undo and redo send.
   *
   * @param header null to leave the header
   */
  record Restore(List<Entity> put, List<String> remove, @OrNull Header header)
      implements SequenceCommand {
    @Override
    public Sequence applyTo(Sequence s) {
      for (String id : remove) s = s.without(id);
      for (Entity e : put) s = s.with(e);
      return header == null ? s : s.with(header);
    }
  }
}
