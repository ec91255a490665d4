package kite.core.command;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import kite.core.cut.EarlierCut;
import kite.core.cut.Programme;
import kite.core.cut.Ranks;
import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.document.Take;
import kite.core.rig.RigPart;
import kite.core.rig.trim.Trim;
import kite.core.rules.Refusal;

/** The shots of a sequence in order while a command changes them. */
final class Reel {
  private Sequence s;
  private final List<Shot> shots;

  private Reel(Sequence s) {
    this.s = EarlierCut.asShots(s);
    shots = new ArrayList<>(Programme.order(this.s));
  }

  static Reel of(Sequence s) {
    return new Reel(s);
  }

  Sequence sequence() {
    return s;
  }

  int size() {
    return shots.size();
  }

  Shot get(int index) {
    return shots.get(index);
  }

  /**
   * A shot's place in the order, from 0.
   *
   * @throws Refusal when there is none of that id
   */
  int index(String id) {
    Command.need(s, id, Shot.class);
    for (int i = 0; i < shots.size(); i++) if (shots.get(i).id().equals(id)) return i;
    throw new IllegalStateException(id + " is a shot outside the programme");
  }

  /** Puts another in the place of the one of its id. */
  Reel put(Shot shot) {
    shots.set(index(shot.id()), shot);
    s = s.with(shot);
    return this;
  }

  /** Another chosen take of a shot. */
  Reel put(int index, Take take) {
    return put(shots.get(index).withTake(take));
  }

  /** Changes the length of a shot's chosen take at its ends. */
  Reel trim(int index, int head, int tail) {
    return put(index, trimmed(shots.get(index), head, tail));
  }

  /**
   * The chosen take without frames at its ends.
   *
   * @throws Refusal when nothing of it would be left
   */
  static Take trimmed(Shot shot, int head, int tail) {
    Take t = shot.take();
    if ((long) t.frames() - head - tail < 1)
      throw new Refusal(
          "range",
          shot.id(),
          "frames",
          "“"
              + shot.name()
              + "” has "
              + t.frames()
              + (t.frames() == 1 ? " frame" : " frames")
              + ": it cannot be "
              + ((long) head + tail)
              + " shorter. Remove it instead.");
    return t.trimmed(head, tail);
  }

  /** Puts a new shot before the one at an index; behind all at its size. */
  Reel insert(int index, Shot shot) {
    if (s.get(shot.id()) != null)
      throw new Refusal(
          "taken", shot.id(), "id", "There is already an item with the id " + shot.id() + ".");
    return place(index, shot);
  }

  private Reel place(int index, Shot shot) {
    String before = index == 0 ? null : shots.get(index - 1).place();
    String after = index == shots.size() ? null : shots.get(index).place();
    String between = Ranks.between(before, after);
    shots.add(index, shot.withPlace(Objects.requireNonNullElse(between, "")));
    if (between == null) spread();
    else s = s.with(shots.get(index));
    return this;
  }

  /** Makes the order anew where there is no room left in it. */
  private void spread() {
    List<String> places = Ranks.spread(shots.size());
    for (int i = 0; i < shots.size(); i++) {
      shots.set(i, shots.get(i).withPlace(places.get(i)));
      s = s.with(shots.get(i));
    }
  }

  /** Takes a shot out; those behind it close up. */
  Reel remove(int index) {
    s = s.without(shots.remove(index).id());
    return this;
  }

  /** Puts a shot before another, or behind all; it is taken from where it stands. */
  Reel move(String id, int to) {
    int from = index(id);
    Shot shot = shots.remove(from);
    return place(to > from ? to - 1 : to, shot);
  }

  /**
   * Makes two of one: what comes from a frame on becomes a shot of its own behind it. Takes that
   * reach that far are split as well; shorter ones stay with the first.
   *
   * @param after frames of the shot before the split, at least 1 and less than it has
   */
  Reel split(int index, int after, String newId, String newCode) {
    Shot shot = shots.get(index);
    List<Take> heads = new ArrayList<>(), tails = new ArrayList<>();
    for (Take t : shot.takes()) {
      boolean reaches = t.frames() > after;
      heads.add(reaches ? t.trimmed(0, t.frames() - after) : t);
      if (reaches) tails.add(t.trimmed(after, 0));
    }
    put(shot.withTakes(heads, shot.chosen()));
    trimsGoOn(shot.id(), newId, tails);
    return insert(index + 1, shot.withId(newId).withName(newCode).withTakes(tails, shot.chosen()));
  }

  /** A trim that shows in one of two shots as they are seen now and not in the other, or null. */
  Trim trimOfOneAlone(Shot a, Shot b) {
    String inA = Take.inShot(a.id(), a.chosen()), inB = Take.inShot(b.id(), b.chosen());
    if (!(s.get(a.take().camera()) instanceof Camera c)) return null;
    for (RigPart p : c.rig())
      if (p instanceof Trim t && t.takes().contains(inA) != t.takes().contains(inB)) return t;
    return null;
  }

  /** What is laid over takes of a shot alone is laid over what comes of them in another, too. */
  private void trimsGoOn(String shot, String other, List<Take> takes) {
    for (Camera c : s.all(Camera.class))
      for (RigPart p : c.rig()) {
        if (!(p instanceof Trim trim)) continue;
        List<String> all = new ArrayList<>(trim.takes());
        for (Take t : takes)
          if (all.contains(Take.inShot(shot, t.id()))) all.add(Take.inShot(other, t.id()));
        if (all.size() > trim.takes().size())
          s = s.with(((Camera) s.get(c.id())).withPart(trim.withTakes(all)));
      }
  }

  /** The action of a shot and of all behind it comes so many frames later in the scene. */
  Reel later(String id, int by) {
    int from = index(id);
    if (from > 0) trim(from - 1, 0, -by);
    for (int i = from; i < shots.size(); i++) {
      Take t = shots.get(i).take();
      put(i, t.withFirst(t.first() + by));
    }
    return this;
  }
}
