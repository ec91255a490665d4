package kite.core.command;

import java.util.ArrayList;
import java.util.List;
import kite.core.document.Camera;
import kite.core.document.Entity;
import kite.core.document.Finish;
import kite.core.document.Layer;
import kite.core.document.Light;
import kite.core.document.Mark;
import kite.core.document.OrNull;
import kite.core.document.Path;
import kite.core.document.Piece;
import kite.core.document.Plate;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.evaluate.Placement;
import kite.core.path.PathPoint;
import kite.core.path.PathStyle;
import kite.core.rig.Subject;
import kite.core.rules.References;
import kite.core.rules.Refusal;
import kite.core.rules.Rules;

/** Commands that add, take away and describe whole entities. */
public sealed interface EntityCommand extends Command {

  /** Adds an entity under a new id. */
  record Add(Entity entity) implements EntityCommand {
    public static final String KIND = "add";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      if (s.get(entity.id()) != null)
        throw new Refusal(
            "taken",
            entity.id(),
            "id",
            "There is already an item with the id " + entity.id() + ".");
      if (entity instanceof Path p) leadsSomewhere(p);
      return s.with(entity);
    }
  }

  /** A path of one point can stand in a document, where it is a place; nobody makes one. */
  private static void leadsSomewhere(Path p) {
    if (p.points().size() == 1)
      throw new Refusal(
          "path",
          p.id(),
          "points",
          "“" + p.name() + "” has one point. A path needs two or more to lead somewhere.");
  }

  /**
   * Takes entities away.
   *
   * @param letGo whether whatever refers to them lets go; otherwise a reference is a refusal
   */
  record Remove(List<String> ids, boolean letGo) implements EntityCommand {
    public static final String KIND = "remove";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      for (String id : ids) Command.need(s, id, Entity.class);
      return References.without(s, ids, letGo);
    }
  }

  /**
   * Takes entities away; what used them lets go and stays where it is at a frame: what they
   * carried, what rode them, and cameras that looked at them.
   */
  record LetGo(List<String> ids, double frame) implements EntityCommand {
    public static final String KIND = "letGo";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      return Placement.keepAll(s, new Remove(ids, true).applyTo(s), frame);
    }
  }

  record Rename(String id, String name) implements EntityCommand {
    public static final String KIND = "rename";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      return s.with(Command.need(s, id, Entity.class).withName(name.trim()));
    }
  }

  /**
   * Shows pieces, lights and plates to the views and the render, or hides them; marks and cameras'
   * icons to the set views.
   */
  record Show(List<String> ids, boolean shown) implements EntityCommand {
    public static final String KIND = "show";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      for (String id : ids) {
        Entity e = Command.need(s, id, Entity.class);
        s =
            s.with(
                e instanceof Light l
                    ? l.withShown(shown)
                    : e instanceof Plate p
                        ? new Plate(
                            p.id(),
                            p.name(),
                            p.camera(),
                            p.frames(),
                            p.fit(),
                            p.inFront(),
                            shown,
                            p.firstFrame(),
                            p.after(),
                            p.channels())
                        : e instanceof Mark m
                            ? m.withShown(shown)
                            : e instanceof Camera c
                                ? c.withShown(shown)
                                : Command.need(s, id, Piece.class).withShown(shown));
      }
      return s;
    }
  }

  /** Locks pieces and cameras against being moved by accident, or frees them. */
  record Lock(List<String> ids, boolean locked) implements EntityCommand {
    public static final String KIND = "lock";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      for (String id : ids) {
        s =
            s.with(
                s.get(id) instanceof Camera c
                    ? c.withLocked(locked)
                    : Command.need(s, id, Piece.class).withLocked(locked));
      }
      return s;
    }
  }

  /** Locks single channels of a camera, by address, or frees them. */
  record LockChannels(String camera, List<String> channels, boolean locked)
      implements EntityCommand {
    public static final String KIND = "lockChannels";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      Camera c = Command.need(s, camera, Camera.class);
      List<String> now = new ArrayList<>(c.lockedChannels());
      for (String address : channels) {
        if (c.channelSpec(address) == null)
          throw new Refusal(
              "missing", camera, address, "“" + c.name() + "” has no channel “" + address + "”.");
        now.remove(address);
        if (locked) now.add(address);
      }
      return s.with(c.withLockedChannels(now));
    }
  }

  /** Gives a piece another shape or base colour. */
  record Reshape(String id, Shape shape, String colour) implements EntityCommand {
    public static final String KIND = "reshape";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      return s.with(Command.need(s, id, Piece.class).withShape(shape).withColour(colour));
    }
  }

  /** Gives pieces a surface of their own, or, with null, that of their shape. */
  record SetFinish(List<String> ids, @OrNull Finish finish) implements EntityCommand {
    public static final String KIND = "setFinish";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      Sequence next = s;
      for (String id : ids) next = next.with(Command.need(s, id, Piece.class).withFinish(finish));
      return next;
    }
  }

  /**
   * Puts an entity in place of the one with its id and kind: for settings that have no command of
   * their own (a light's, a layer's, a plate's, the air's, a camera's look).
   */
  record Replace(Entity entity) implements EntityCommand {
    public static final String KIND = "replace";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      Command.need(s, entity.id(), entity.getClass());
      return s.with(entity);
    }
  }

  /** Lays pieces, lights, marks and cameras' icons on a layer; null takes them off theirs. */
  record Lay(List<String> ids, @OrNull String layer) implements EntityCommand {
    public static final String KIND = "lay";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      if (layer != null) Command.need(s, layer, Layer.class);
      for (String id : ids)
        s =
            s.with(
                s.get(id) instanceof Light l
                    ? l.withLayer(layer)
                    : s.get(id) instanceof Mark m
                        ? m.withLayer(layer)
                        : s.get(id) instanceof Camera c
                            ? c.withLayer(layer)
                            : Command.need(s, id, Piece.class).withLayer(layer));
      return s;
    }
  }

  /**
   * Copies entities. What the copies refer to among themselves refers to the copies.
   *
   * @param newIds ids of the copies, in the order of {@code ids}
   * @param instances whether pieces repeat the original's shape instead of having their own
   */
  record Duplicate(List<String> ids, List<String> newIds, boolean instances)
      implements EntityCommand {
    public static final String KIND = "duplicate";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      return Copying.copy(s, this);
    }
  }

  /**
   * Takes an entity away and puts marks in its place: whatever looked at a point of it or focused
   * on it uses the mark that stands there; everything else lets go and stays where it is. The marks
   * ride what carried it.
   *
   * @param marks one for each of {@link MarkInPlace#points}, placed in the world at {@code frame};
   *     a subject that none of them stands for uses the first, with its own offset
   */
  record Substitute(String id, List<Stood> marks, double frame) implements EntityCommand {
    public static final String KIND = "substitute";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      return MarkInPlace.apply(s, this);
    }
  }

  /**
   * A mark that takes a subject's place.
   *
   * @param where the point it stands at, as it was used
   */
  record Stood(Mark mark, Subject where) {}

  /**
   * Nests a piece or light in another piece, or takes it out ({@code parent} null).
   *
   * @param keepPlace whether it stays where it is in the world at {@code frame}, and at each of its
   *     keys
   */
  record Nest(String id, @OrNull String parent, boolean keepPlace, double frame)
      implements EntityCommand {
    public static final String KIND = "nest";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      Entity e = s.get(id) instanceof Light l ? l : Command.need(s, id, Piece.class);
      if (parent != null) Command.need(s, parent, Piece.class);
      Sequence nested =
          s.with(e instanceof Light l ? l.withParent(parent) : ((Piece) e).withParent(parent));
      Rules.noLoops(nested);
      return keepPlace && !(e instanceof Light l && l.form() == Light.Form.SUN)
          ? nested.with(Placement.keepNested(s, nested, e, frame))
          : nested;
    }
  }

  /** Lets a mark ride a piece or camera, or frees it; it stays where it is at {@code frame}. */
  record Attach(String id, @OrNull String rides, @OrNull String anchor, double frame)
      implements EntityCommand {
    public static final String KIND = "attach";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      Mark m = Command.need(s, id, Mark.class);
      if (rides != null) Command.need(s, rides, Entity.class);
      Sequence attached = s.with(m.withRides(rides).withAnchor(anchor));
      Rules.noLoops(attached);
      return attached.with(Placement.keepMark(s, attached, m, frame));
    }
  }

  /** Redraws a path. */
  record Reroute(String id, PathStyle style, boolean closed, List<PathPoint> points)
      implements EntityCommand {
    public static final String KIND = "reroute";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      Path p = Command.need(s, id, Path.class);
      Path next = new Path(p.id(), p.name(), style, closed, points);
      leadsSomewhere(next);
      return s.with(next);
    }
  }
}
