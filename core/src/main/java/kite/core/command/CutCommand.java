package kite.core.command;

import kite.core.document.CutEntry;
import kite.core.document.OrNull;
import kite.core.document.Sequence;

/** Commands on the cut. Entries are added and taken away like any entity. */
public sealed interface CutCommand extends Command {

  /** Moves the first frame of an entry; the entry before it grows or shrinks to meet it. */
  record Roll(String id, int frame) implements CutCommand {
    public static final String KIND = "roll";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      CutEntry e = Command.need(s, id, CutEntry.class);
      return s.with(new CutEntry(e.id(), e.name(), e.camera(), frame));
    }
  }

  /** Moves the first frame of an entry, and all later ones by as much: shots keep their length. */
  record Ripple(String id, int frame) implements CutCommand {
    public static final String KIND = "ripple";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      CutEntry e = Command.need(s, id, CutEntry.class);
      int by = frame - e.firstFrame();
      for (CutEntry c : s.all(CutEntry.class))
        if (c.firstFrame() >= e.firstFrame())
          s = s.with(new CutEntry(c.id(), c.name(), c.camera(), c.firstFrame() + by));
      return s;
    }
  }

  /** Puts another camera in an entry; null makes it a gap. */
  record Swap(String id, @OrNull String camera) implements CutCommand {
    public static final String KIND = "swap";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      CutEntry e = Command.need(s, id, CutEntry.class);
      return s.with(new CutEntry(e.id(), e.name(), camera, e.firstFrame()));
    }
  }
}
