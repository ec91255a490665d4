package kite.core.command;

import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import kite.core.cut.EarlierCut;
import kite.core.document.AcceptedNote;
import kite.core.document.Board;
import kite.core.document.Camera;
import kite.core.document.Entity;
import kite.core.document.OrNull;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.document.Speed;
import kite.core.document.Take;
import kite.core.rig.trim.Trim;
import kite.core.rules.Refusal;
import kite.core.rules.Together;

/**
 * Commands on the programme. Frames are the programme's unless they are said to be the scene's;
 * what they change is the chosen take. Removing a shot closes up: {@link EntityCommand.Remove}.
 */
public sealed interface ShotCommand extends Command {

  /**
   * Puts a new shot before another; what follows comes later.
   *
   * @param before null puts it behind all
   */
  record InsertShot(Shot shot, @OrNull String before) implements ShotCommand {
    public static final String KIND = "insertShot";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      Reel r = Reel.of(s);
      return r.insert(before == null ? r.size() : r.index(before), shot).sequence();
    }
  }

  /**
   * Lays a new shot over what is there: nothing else comes earlier or later. What it covers all of
   * goes; what it covers an end of is shorter; the rest of what it lies within follows it.
   *
   * @param at the shot it begins in, and {@code into} the frames of that which stay before it
   * @param restId the id of such a rest, and {@code restCode} its code
   */
  record OverwriteShot(Shot shot, String at, int into, String restId, String restCode)
      implements ShotCommand {
    public static final String KIND = "overwriteShot";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      Reel r = Reel.of(s);
      int i = r.index(at), has = r.get(i).take().frames(), covered = shot.take().frames();
      if (into < 0 || into >= has)
        throw new Refusal(
            "range", at, "into", "“" + r.get(i).name() + "” has no such frame to lay a shot over.");
      if (into > 0) {
        int stays = Math.min(has, into + covered);
        if (stays < has) r.split(i, stays, restId, restCode);
        r.trim(i, 0, stays - into);
        covered -= stays - into;
        i++;
      }
      while (covered > 0 && i < r.size()) {
        int next = r.get(i).take().frames();
        if (next > covered) r.trim(i, covered, 0);
        else r.remove(i);
        covered -= next;
      }
      return r.insert(i, shot).sequence();
    }
  }

  /**
   * Makes two shots of one.
   *
   * @param after frames of the shot that stay in the first
   */
  record SplitShot(String id, int after, String newId, String newCode) implements ShotCommand {
    public static final String KIND = "splitShot";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      Reel r = Reel.of(s);
      int i = r.index(id);
      Shot shot = r.get(i);
      if (after < 1 || after >= shot.take().frames())
        throw new Refusal(
            "range",
            id,
            "after",
            "“"
                + shot.name()
                + "” is split inside itself: put the playhead on a later frame of it.");
      return r.split(i, after, newId, newCode).sequence();
    }
  }

  /** Makes one shot of one and the next, which goes on where it ends. */
  record JoinShots(String id) implements ShotCommand {
    public static final String KIND = "joinShots";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      Reel r = Reel.of(s);
      int i = r.index(id);
      if (i + 1 == r.size())
        throw new Refusal("range", id, "", "“" + r.get(i).name() + "” is the last shot.");
      Shot first = r.get(i), second = r.get(i + 1);
      if (!first.take().goesOnIn(second.take()))
        throw new Refusal(
            "kind",
            id,
            "",
            "“"
                + second.name()
                + "” does not go on where “"
                + first.name()
                + "” ends: joined shots have one camera, one speed and action without a break.");
      Trim apart = r.trimOfOneAlone(first, second);
      if (apart != null)
        throw new Refusal(
            "kind",
            id,
            "",
            (apart.label().isEmpty() ? "A trim" : "The trim “" + apart.label() + "”")
                + " is laid over one of “"
                + first.name()
                + "” and “"
                + second.name()
                + "” alone: joined shots look alike. Take it off, or let it show in both.");
      List<Take> all = new ArrayList<>();
      for (Take t : first.takes()) {
        Take on = second.take(t.id());
        all.add(on != null && t.goesOnIn(on) ? t.withFrames(t.frames() + on.frames()) : t);
      }
      Take joined = first.take().withFrames(first.take().frames() + second.take().frames());
      all.replaceAll(t -> t.id().equals(joined.id()) ? joined : t);
      return r.remove(i + 1).put(first.withTakes(all, first.chosen())).sequence();
    }
  }

  /** Takes a shot out and leaves a gap of its length. */
  record LiftShot(String id, String gapId) implements ShotCommand {
    public static final String KIND = "liftShot";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      Reel r = Reel.of(s);
      int i = r.index(id);
      Shot was = r.get(i);
      Shot gap = Shot.of(gapId, was.name(), was.take().withCamera(null));
      return r.remove(i).insert(i, gap).sequence();
    }
  }

  /** Moves the cut where a shot begins: the one before it grows or shrinks to meet it. */
  record RollCut(String id, int by) implements ShotCommand {
    public static final String KIND = "rollCut";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      Reel r = Reel.of(s);
      int i = r.index(id);
      r.trim(i, by, 0);
      return i == 0 ? r.sequence() : r.trim(i - 1, 0, -by).sequence();
    }
  }

  /**
   * Makes a shot shorter at its ends, or longer; what follows comes earlier or later.
   *
   * @param head frames taken off its beginning; below 0 it begins earlier in its action
   * @param tail frames taken off its end
   */
  record TrimShot(String id, int head, int tail) implements ShotCommand {
    public static final String KIND = "trimShot";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      Reel r = Reel.of(s);
      return r.trim(r.index(id), head, tail).sequence();
    }
  }

  /** Other action in the same place: a shot begins so many frames of the scene later. */
  record SlipShot(String id, double by) implements ShotCommand {
    public static final String KIND = "slipShot";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      Reel r = Reel.of(s);
      int i = r.index(id);
      Take t = r.get(i).take();
      return r.put(i, t.withFirst(t.first() + by)).sequence();
    }
  }

  /** Moves a shot between its neighbours, one of which grows and the other shrinks. */
  record SlideShot(String id, int by) implements ShotCommand {
    public static final String KIND = "slideShot";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      Reel r = Reel.of(s);
      int i = r.index(id);
      if (i == 0 || i + 1 == r.size())
        throw new Refusal(
            "range",
            id,
            "",
            "“" + r.get(i).name() + "” has no shot on both sides to slide between.");
      return r.trim(i - 1, 0, -by).trim(i + 1, by, 0).sequence();
    }
  }

  /** Another camera over the same action; null makes it a gap. */
  record SwapCamera(String id, @OrNull String camera) implements ShotCommand {
    public static final String KIND = "swapCamera";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      if (camera != null) Command.need(s, camera, Camera.class);
      Reel r = Reel.of(s);
      int i = r.index(id);
      return r.put(i, r.get(i).take().withCamera(camera)).sequence();
    }
  }

  /**
   * Puts shots before another, in the order they are named.
   *
   * @param before null puts them behind all; it is none of them
   */
  record MoveShots(List<String> ids, @OrNull String before) implements ShotCommand {
    public static final String KIND = "moveShots";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      Reel r = Reel.of(s);
      for (String id : ids) r.move(id, before == null ? r.size() : r.index(before));
      return r.sequence();
    }
  }

  /**
   * Another speed of the action.
   *
   * @param frames the length from then on
   */
  record RetimeShot(String id, Speed speed, int frames) implements ShotCommand {
    public static final String KIND = "retimeShot";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      Reel r = Reel.of(s);
      int i = r.index(id);
      return r.put(i, r.get(i).take().withSpeed(speed).withFrames(frames)).sequence();
    }
  }

  /**
   * Another way of doing a shot, or other values of one it has.
   *
   * @param choose whether it is in the programme from then on
   */
  record PutTake(String id, Take take, boolean choose) implements ShotCommand {
    public static final String KIND = "putTake";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      return changed(
          s,
          List.of(id),
          shot -> {
            List<Take> all = new ArrayList<>(shot.takes());
            if (shot.take(take.id()) == null) all.add(take);
            else all.replaceAll(t -> t.id().equals(take.id()) ? take : t);
            return shot.withTakes(all, choose ? take.id() : shot.chosen());
          });
    }
  }

  /** The take that is in the programme. */
  record ChooseTake(String id, String take) implements ShotCommand {
    public static final String KIND = "chooseTake";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      return changed(s, List.of(id), shot -> shot.withTakes(shot.takes(), take));
    }
  }

  /** Takes a take away that is not chosen. */
  record RemoveTake(String id, String take) implements ShotCommand {
    public static final String KIND = "removeTake";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      return changed(s, List.of(id), this::without);
    }

    private Shot without(Shot shot) {
      if (shot.chosen().equals(take))
        throw new Refusal(
            "used",
            id,
            "take",
            "This take of “" + shot.name() + "” is chosen. Choose another first.");
      List<Take> all = new ArrayList<>(shot.takes());
      all.removeIf(t -> t.id().equals(take));
      return shot.withTakes(all, shot.chosen());
    }
  }

  /** How far the work on shots is. */
  record SetStatus(List<String> ids, Shot.Status status) implements ShotCommand {
    public static final String KIND = "setStatus";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      return changed(s, ids, shot -> shot.withStatus(status));
    }
  }

  /** What is to be known of a shot. */
  record SetNotes(String id, String notes) implements ShotCommand {
    public static final String KIND = "setNotes";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      return changed(s, List.of(id), shot -> shot.withNotes(notes.strip()));
    }
  }

  /** The picture that stands for a shot; null takes it away. */
  record SetBoard(String id, @OrNull Board board) implements ShotCommand {
    public static final String KIND = "setBoard";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      return changed(s, List.of(id), shot -> shot.withBoard(board));
    }
  }

  /**
   * Lets something stay that an editor would point out.
   *
   * @param about the word of what it is
   * @param word why it stays; empty points it out again
   */
  record AcceptNote(String id, String about, String word) implements ShotCommand {
    public static final String KIND = "acceptNote";

    /** An id has up to 64; a number may come behind it. */
    private static final int LONGEST_NOTE_ID = 60;

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      if (s.get(id) instanceof Shot)
        return changed(s, List.of(id), shot -> shot.withAccepted(about, word.strip()));
      return acceptedOf(s, Command.need(s, id, Entity.class));
    }

    /** Short enough for an id, however long the thing's is. */
    private String noteId() {
      String whole = about + "_" + id;
      return whole.substring(0, Math.min(LONGEST_NOTE_ID, whole.length()));
    }

    private Sequence acceptedOf(Sequence s, Entity of) {
      AcceptedNote there = null;
      for (AcceptedNote n : s.all(AcceptedNote.class))
        if (n.of().equals(id) && n.about().equals(about)) there = n;
      if (word.isBlank()) return there == null ? s : s.without(there.id());
      String noteId = there != null ? there.id() : Together.freeId(s, List.of(), noteId());
      return s.with(new AcceptedNote(noteId, word.strip(), of.id(), about));
    }
  }

  /**
   * How shots look in the reel, and the handles they are handed over with.
   *
   * @param colour #rrggbb; null for their cameras'
   * @param handles null for the production's
   */
  record SetShotRules(List<String> ids, @OrNull String colour, @OrNull Integer handles)
      implements ShotCommand {
    public static final String KIND = "setShotRules";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      return changed(s, ids, shot -> shot.withColour(colour).withHandles(handles));
    }
  }

  /** The sequence with some shots changed, each by itself. */
  private static Sequence changed(Sequence s, List<String> ids, UnaryOperator<Shot> to) {
    Sequence now = EarlierCut.asShots(s);
    for (String id : ids) now = now.with(to.apply(Command.need(now, id, Shot.class)));
    return now;
  }
}
