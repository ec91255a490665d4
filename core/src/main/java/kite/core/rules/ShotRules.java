package kite.core.rules;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import kite.core.curve.CompiledCurve;
import kite.core.curve.Key;
import kite.core.document.Accepted;
import kite.core.document.AcceptedNote;
import kite.core.document.Shot;
import kite.core.document.Speed;
import kite.core.document.Take;

/** What must hold of a shot and its takes. */
final class ShotRules {
  private static final int MOST_TAKES = 50;
  private static final int LONGEST_NOTES = 4000;
  private static final int MOST_HANDLES = 1000;

  /** Frames of the scene that an action can lie away from its first. */
  private static final double FARTHEST_FRAME = 1e7;

  /** Slower or faster than this is a slip of the hand. */
  private static final int MOST_SPEED = 50;

  private static final int MOST_IN_SPEED = 100000;

  /** Where a curve is looked at between two keys. */
  private static final int LOOKS = 32;

  /** Frames that a curve may fall by: what rounding leaves of one that stands still. */
  private static final double STANDS_STILL = 1e-6;

  private ShotRules() {}

  static void check(Shot s) {
    if (!Words.isPlace(s.place()))
      throw bad(s, "place", "“" + s.name() + "” has no place among the shots.");
    if (s.takes().isEmpty() || s.takes().size() > MOST_TAKES)
      throw bad(s, "takes", "“" + s.name() + "” has 1 to " + MOST_TAKES + " takes.");
    Set<String> ids = new HashSet<>();
    for (Take t : s.takes()) {
      if (!Words.isId(t.id()) || !ids.add(t.id()))
        throw bad(s, "takes", "Each take of “" + s.name() + "” has an id of its own.");
      check(s, t);
    }
    if (!ids.contains(s.chosen()))
      throw bad(s, "chosen", "“" + s.name() + "” has no such take any more. Choose another.");
    if (s.handles() != null && (s.handles() < 0 || s.handles() > MOST_HANDLES))
      throw bad(s, "handles", "Handles are 0 to " + MOST_HANDLES + " frames.");
    if (s.colour() != null) Rules.checkColour(s.id(), s.colour());
    checkAccepted(s);
    if (s.board() != null && !Words.isAsset(s.board().picture()))
      throw bad(s, "board", "The board of “" + s.name() + "” is no image of this studio.");
    if (s.notes().length() > LONGEST_NOTES)
      throw bad(s, "notes", "Notes on a shot have up to " + LONGEST_NOTES + " characters.");
  }

  static void check(AcceptedNote n) {
    if (n.about().isBlank() || n.about().length() > Rules.LONGEST_NAME)
      throw new Refusal("range", n.id(), "about", "What is accepted has a word of its own.");
  }

  private static void checkAccepted(Shot s) {
    Set<String> about = new HashSet<>();
    for (Accepted a : s.accepted())
      if (!about.add(a.about())
          || a.about().length() > Rules.LONGEST_NAME
          || a.word().isBlank()
          || a.word().length() > Rules.LONGEST_NAME)
        throw bad(
            s,
            "accepted",
            "Say in 1 to " + Rules.LONGEST_NAME + " characters why it stays, once for each.");
  }

  private static void check(Shot s, Take t) {
    if (t.name().isBlank() || t.name().length() > Rules.LONGEST_NAME)
      throw bad(s, "takes", "A take’s name has 1 to " + Rules.LONGEST_NAME + " characters.");
    if (t.frames() < 1 || t.frames() > Rules.MOST_FRAMES)
      throw bad(
          s,
          "frames",
          "“"
              + s.name()
              + "” would last "
              + t.frames()
              + " frames. A shot has 1 to "
              + Rules.MOST_FRAMES
              + ".");
    if (!(Math.abs(t.first()) <= FARTHEST_FRAME))
      throw bad(s, "first", "“" + s.name() + "” would begin far from any action.");
    check(s, t.speed());
  }

  private static void check(Shot s, Speed speed) {
    if (speed instanceof Speed.Steady x
        && !(x.scene() >= 1
            && x.programme() >= 1
            && x.scene() <= MOST_IN_SPEED
            && x.programme() <= MOST_IN_SPEED
            && x.rate() <= MOST_SPEED
            && x.rate() * MOST_SPEED >= 1))
      throw bad(
          s,
          "speed",
          "“"
              + s.name()
              + "” runs between a "
              + MOST_SPEED
              + "th of its speed and "
              + MOST_SPEED
              + " times it, forwards.");
    if (speed instanceof Speed.Curved c) check(s, c);
  }

  private static void check(Shot s, Speed.Curved speed) {
    List<Key> keys = speed.curve().keys();
    if (keys.size() > Rules.MOST_KEYS)
      throw bad(
          s,
          "speed",
          "A speed has up to " + Rules.MOST_KEYS + " keys; “" + s.name() + "” has more.");
    CompiledCurve curve = CompiledCurve.of(speed.curve());
    for (int i = 0; i + 1 < keys.size(); i++) {
      double from = keys.get(i).frame(), to = keys.get(i + 1).frame(), was = curve.value(from);
      for (int k = 1; k <= LOOKS; k++) {
        double now = curve.value(from + (to - from) * k / LOOKS);
        if (now < was - STANDS_STILL)
          throw bad(
              s,
              "speed",
              "“"
                  + s.name()
                  + "” would run backwards between two keys of its speed. Let the later one be"
                  + " further on in the action.");
        was = now;
      }
    }
  }

  private static Refusal bad(Shot s, String field, String text) {
    return new Refusal("range", s.id(), field, text);
  }
}
