package kite.core.command;

import java.util.List;
import kite.core.document.Camera;
import kite.core.document.Entity;
import kite.core.document.Mark;
import kite.core.document.OrNull;
import kite.core.document.Path;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.evaluate.Placement;
import kite.core.path.PathPoint;
import kite.core.path.PathStyle;

/** Commands that add, take away and describe whole entities. */
public sealed interface EntityCommand extends Command {

  /** Adds an entity under a new id. */
  record Add(Entity entity) implements EntityCommand {
    @Override
    public Sequence applyTo(Sequence s) {
      if (s.get(entity.id()) != null)
        throw new Refusal(
            "taken",
            entity.id(),
            "id",
            "There is already an item with the id " + entity.id() + ".");
      return s.with(entity);
    }
  }

  /**
   * Takes entities away.
   *
   * @param letGo whether whatever refers to them lets go; otherwise a reference is a refusal
   */
  record Remove(List<String> ids, boolean letGo) implements EntityCommand {
    @Override
    public Sequence applyTo(Sequence s) {
      for (String id : ids) Command.need(s, id, Entity.class);
      return References.without(s, ids, letGo);
    }
  }

  record Rename(String id, String name) implements EntityCommand {
    @Override
    public Sequence applyTo(Sequence s) {
      return s.with(Command.need(s, id, Entity.class).named(name.trim()));
    }
  }

  /** Shows pieces to the views and the render, or hides them. */
  record Show(List<String> ids, boolean shown) implements EntityCommand {
    @Override
    public Sequence applyTo(Sequence s) {
      for (String id : ids) {
        Piece p = Command.need(s, id, Piece.class);
        s =
            s.with(
                new Piece(
                    p.id(),
                    p.name(),
                    p.parent(),
                    p.shape(),
                    p.colour(),
                    shown,
                    p.locked(),
                    p.order(),
                    p.channels()));
      }
      return s;
    }
  }

  /** Locks pieces and cameras against being moved by accident, or frees them. */
  record Lock(List<String> ids, boolean locked) implements EntityCommand {
    @Override
    public Sequence applyTo(Sequence s) {
      for (String id : ids) {
        if (s.get(id) instanceof Camera c) {
          s =
              s.with(
                  new Camera(
                      c.id(),
                      c.name(),
                      c.letter(),
                      c.colour(),
                      locked,
                      c.depthOfField(),
                      c.channels(),
                      c.rig()));
        } else {
          Piece p = Command.need(s, id, Piece.class);
          s =
              s.with(
                  new Piece(
                      p.id(),
                      p.name(),
                      p.parent(),
                      p.shape(),
                      p.colour(),
                      p.shown(),
                      locked,
                      p.order(),
                      p.channels()));
        }
      }
      return s;
    }
  }

  /** Gives a piece another shape or base colour. */
  record Reshape(String id, Shape shape, String colour) implements EntityCommand {
    @Override
    public Sequence applyTo(Sequence s) {
      Piece p = Command.need(s, id, Piece.class);
      return s.with(
          new Piece(
              p.id(),
              p.name(),
              p.parent(),
              shape,
              colour,
              p.shown(),
              p.locked(),
              p.order(),
              p.channels()));
    }
  }

  /**
   * Nests a piece in another, or takes it out ({@code parent} null).
   *
   * @param keepPlace whether it stays where it is in the world at {@code frame}, and at each of its
   *     keys
   */
  record Nest(String id, @OrNull String parent, boolean keepPlace, double frame)
      implements EntityCommand {
    @Override
    public Sequence applyTo(Sequence s) {
      Piece p = Command.need(s, id, Piece.class);
      if (parent != null) Command.need(s, parent, Piece.class);
      Sequence nested = s.with(p.under(parent));
      Rules.noLoops(nested);
      return keepPlace ? nested.with(Placement.keepPiece(s, nested, p, frame)) : nested;
    }
  }

  /** Lets a mark ride a piece or camera, or frees it; it stays where it is at {@code frame}. */
  record Attach(String id, @OrNull String rides, double frame) implements EntityCommand {
    @Override
    public Sequence applyTo(Sequence s) {
      Mark m = Command.need(s, id, Mark.class);
      if (rides != null) Command.need(s, rides, Entity.class);
      Sequence attached = s.with(new Mark(m.id(), m.name(), rides, m.channels()));
      Rules.noLoops(attached);
      return attached.with(Placement.keepMark(s, attached, m, frame));
    }
  }

  /** Redraws a path. */
  record Reroute(String id, PathStyle style, boolean closed, List<PathPoint> points)
      implements EntityCommand {
    @Override
    public Sequence applyTo(Sequence s) {
      Path p = Command.need(s, id, Path.class);
      return s.with(new Path(p.id(), p.name(), style, closed, points));
    }
  }
}
