package kite.core.command;

import java.util.ArrayList;
import java.util.List;
import kite.core.delta.Delta;
import kite.core.document.Entity;
import kite.core.document.Header;
import kite.core.document.OrNull;
import kite.core.document.Sequence;
import kite.core.document.Standards;
import kite.core.rules.Change;

/** Commands on the sequence as a whole. */
public sealed interface SequenceCommand extends Command {

  record SetHeader(Header header) implements SequenceCommand {
    public static final String KIND = "setHeader";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      return s.with(header);
    }
  }

  /** Takes over the production's standards; what the sequence decides for itself stays. */
  record Follow(Standards standards) implements SequenceCommand {
    public static final String KIND = "follow";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      return s.with(s.header().withStandards(standards));
    }
  }

  /**
   * Makes a change field by field: what undo and redo send. Fields and things that are no longer
   * what they were before it are left to whoever changed them since.
   */
  record Amend(Delta delta) implements SequenceCommand {
    public static final String KIND = "amend";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      return delta.fitting(s).fits().after(s);
    }
  }

  /**
   * Puts entities as given and takes others away: the way back to a kept version, and what undo
   * sent in earlier builds.
   *
   * @param header null to leave the header
   */
  record Restore(List<Entity> put, List<String> remove, @OrNull Header header)
      implements SequenceCommand {
    public static final String KIND = "restore";

    @Override
    public String kind() {
      return KIND;
    }

    /** Puts everything as it is after a change, whatever it was. */
    public static Restore to(Change change) {
      List<String> remove = new ArrayList<>();
      for (String id : change.before().keySet())
        if (!change.after().containsKey(id)) remove.add(id);
      return new Restore(new ArrayList<>(change.after().values()), remove, change.headerAfter());
    }

    @Override
    public Sequence applyTo(Sequence s) {
      for (String id : remove) s = s.without(id);
      for (Entity e : put) s = s.with(e);
      return header == null ? s : s.with(header);
    }
  }
}
