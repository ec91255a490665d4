package kite.core.command;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import kite.core.cue.Cue;
import kite.core.document.Camera;
import kite.core.document.CutEntry;
import kite.core.document.Entity;
import kite.core.document.Mark;
import kite.core.document.Path;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.rig.Attention;
import kite.core.rig.Base;
import kite.core.rig.Rail;
import kite.core.rig.RigPart;
import kite.core.rig.Subject;

/** Who refers to whom, and letting go of what is taken away. */
public final class References {
  private References() {}

  /** Ids an entity refers to, with what it uses each for. */
  public static Map<String, String> of(Entity e) {
    Map<String, String> uses = new LinkedHashMap<>();
    if (e instanceof Piece p && p.parent() != null) uses.put(p.parent(), "is nested in");
    if (e instanceof Mark m && m.rides() != null) uses.put(m.rides(), "rides");
    if (e instanceof CutEntry c && c.camera() != null) uses.put(c.camera(), "cuts to");
    if (e instanceof Camera c) for (RigPart p : c.rig()) uses.putAll(of(p));
    return uses;
  }

  private static Map<String, String> of(RigPart part) {
    Map<String, String> uses = new LinkedHashMap<>();
    if (part instanceof Base b && b.rides() != null) uses.put(b.rides(), "rides");
    if (part instanceof Rail r && r.path() != null) uses.put(r.path(), "runs on");
    if (part instanceof Attention a) {
      for (Subject s : a.subjects()) uses.put(s.entity(), "attends to");
      if (a.upPiece() != null) uses.put(a.upPiece(), "takes its up from");
    }
    return uses;
  }

  /** Refuses a sequence in which something refers to what is not there or not of a fitting kind. */
  public static void check(Sequence s) {
    for (Entity e : s.entities().values()) {
      for (Map.Entry<String, String> use : of(e).entrySet()) {
        Entity target = s.get(use.getKey());
        if (target == null)
          throw new Refusal(
              "missing",
              e.id(),
              use.getKey(),
              "“"
                  + e.name()
                  + "” "
                  + use.getValue()
                  + " something that is not in the sequence ("
                  + use.getKey()
                  + ").");
        if (!fits(e, use.getValue(), target))
          throw new Refusal(
              "kind",
              e.id(),
              use.getKey(),
              "“"
                  + e.name()
                  + "” cannot be what “"
                  + target.name()
                  + "” serves: it "
                  + use.getValue()
                  + " it, and it is of the wrong kind.");
      }
    }
  }

  private static boolean fits(Entity e, String use, Entity target) {
    return switch (use) {
      case "is nested in", "takes its up from" -> target instanceof Piece;
      case "cuts to" -> target instanceof Camera;
      case "runs on" -> target instanceof Path;
      default ->
          target instanceof Piece
              || target instanceof Camera
              || target instanceof Mark && !(e instanceof Mark);
    };
  }

  /** The sequence without some entities; what referred to them lets go, or that is refused. */
  static Sequence without(Sequence s, List<String> removed, boolean letGo) {
    Set<String> ids = new HashSet<>(removed); // unlike a list's, its contains takes null
    for (Entity e : s.entities().values()) {
      if (ids.contains(e.id())) continue;
      for (Map.Entry<String, String> use : of(e).entrySet()) {
        if (!ids.contains(use.getKey())) continue;
        if (!letGo)
          throw new Refusal(
              "used",
              use.getKey(),
              e.id(),
              "“"
                  + e.name()
                  + "” "
                  + use.getValue()
                  + " “"
                  + s.get(use.getKey()).name()
                  + "”. Remove it all the same and “"
                  + e.name()
                  + "” lets go.");
      }
      s = s.with(released(e, ids));
    }
    for (String id : ids) s = s.without(id);
    return s;
  }

  private static Entity released(Entity e, Set<String> gone) {
    if (e instanceof Piece p && gone.contains(p.parent())) return p.under(null);
    if (e instanceof Mark m && gone.contains(m.rides()))
      return new Mark(m.id(), m.name(), null, m.channels());
    if (e instanceof CutEntry c && gone.contains(c.camera()))
      return new CutEntry(c.id(), c.name(), null, c.firstFrame());
    if (e instanceof Camera c) {
      List<RigPart> rig = new ArrayList<>();
      for (RigPart p : c.rig()) rig.add(released(p, gone));
      return c.rig().equals(rig) ? c : c.with(rig);
    }
    return e;
  }

  private static RigPart released(RigPart part, Set<String> gone) {
    if (part instanceof Base b && gone.contains(b.rides()))
      return new Base(b.id(), b.on(), null, b.takes(), b.channels());
    if (part instanceof Rail r && gone.contains(r.path()))
      return new Rail(r.id(), r.on(), null, r.facing(), r.level(), r.channels());
    if (!(part instanceof Attention a)) return part;
    List<Subject> subjects = new ArrayList<>(a.subjects());
    subjects.removeIf(x -> gone.contains(x.entity()));
    List<Cue> cues = new ArrayList<>();
    for (Cue cue : a.cues()) {
      Map<String, Double> mix = new TreeMap<>(cue.mix());
      mix.keySet().removeAll(gone);
      cues.add(new Cue(cue.frame(), cue.travel(), cue.ease(), mix));
    }
    boolean lostUp = gone.contains(a.upPiece());
    return new Attention(
        a.id(),
        a.on(),
        lostUp ? Attention.Up.WORLD : a.up(),
        lostUp ? null : a.upPiece(),
        a.blend(),
        subjects,
        cues,
        a.channels());
  }
}
