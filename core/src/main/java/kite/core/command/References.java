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
import kite.core.document.Focus;
import kite.core.document.Layer;
import kite.core.document.Light;
import kite.core.document.Mark;
import kite.core.document.Measure;
import kite.core.document.Path;
import kite.core.document.Piece;
import kite.core.document.Plate;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.rig.Attention;
import kite.core.rig.Base;
import kite.core.rig.DollyZoom;
import kite.core.rig.Framings;
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
    if (e instanceof Piece p && p.shape() instanceof Shape.Instance i) uses.put(i.of(), "repeats");
    if (e instanceof Piece p && p.layer() != null) uses.put(p.layer(), "lies on");
    if (e instanceof Light l) {
      if (l.parent() != null) uses.put(l.parent(), "is carried by");
      if (l.layer() != null) uses.put(l.layer(), "lies on");
      if (l.attention() != null) uses.putAll(of(l.attention()));
    }
    if (e instanceof Measure m && m.camera() != null) uses.put(m.camera(), "is taken from");
    if (e instanceof Plate p && p.camera() != null) uses.put(p.camera(), "is fixed to");
    if (e instanceof Camera c) {
      for (RigPart p : c.rig()) uses.putAll(of(p));
      if (c.focus() != null)
        for (Subject s : c.focus().subjects()) uses.putIfAbsent(s.entity(), "focuses on");
    }
    return uses;
  }

  /** Ids a rig part refers to, with what it uses each for. */
  public static Map<String, String> of(RigPart part) {
    Map<String, String> uses = new LinkedHashMap<>();
    if (part instanceof Base b && b.rides() != null) uses.put(b.rides(), "rides");
    if (part instanceof Rail r && r.path() != null) uses.put(r.path(), "runs on");
    if (part instanceof Rail r && r.guide() != null) uses.putIfAbsent(r.guide(), "faces along");
    if (part instanceof Framings f)
      for (String c : f.cameras()) uses.put(c, "takes a framing from");
    if (part instanceof DollyZoom z && z.subject() != null)
      uses.put(z.subject().entity(), "holds the size of");
    if (part instanceof Attention a) {
      for (Subject s : a.subjects()) uses.put(s.entity(), "attends to");
      if (a.upPiece() != null) uses.put(a.upPiece(), "takes its up from");
    }
    return uses;
  }

  /** One sentence for every use that others make of these entities. */
  public static List<String> users(Sequence s, List<String> ids) {
    List<String> all = new ArrayList<>();
    for (Entity e : s.entities().values()) {
      if (ids.contains(e.id())) continue;
      for (Map.Entry<String, String> use : of(e).entrySet())
        if (ids.contains(use.getKey()))
          all.add("“" + e.name() + "” " + use.getValue() + " “" + s.get(use.getKey()).name() + "”");
    }
    return all;
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
      case "is nested in", "takes its up from", "is carried by" -> target instanceof Piece;
      case "repeats" -> target instanceof Piece p && !(p.shape() instanceof Shape.Instance);
      case "lies on" -> target instanceof Layer;
      case "cuts to", "is taken from", "is fixed to", "takes a framing from" ->
          target instanceof Camera;
      case "runs on", "faces along" -> target instanceof Path;
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
      s = s.with(released(s, e, ids));
    }
    for (String id : ids) s = s.without(id);
    return s;
  }

  private static Entity released(Sequence s, Entity e, Set<String> gone) {
    if (e instanceof Piece p) {
      if (gone.contains(p.parent())) p = p.under(null);
      if (gone.contains(p.layer())) p = p.onLayer(null);
      if (p.shape() instanceof Shape.Instance i && gone.contains(i.of())) {
        Piece model = (Piece) s.get(i.of()); // becomes a piece of its own that looks the same
        p = p.with(model.shape(), model.colour());
      }
      return p;
    }
    if (e instanceof Mark m && gone.contains(m.rides()))
      return new Mark(m.id(), m.name(), null, null, m.channels());
    if (e instanceof CutEntry c && gone.contains(c.camera()))
      return new CutEntry(c.id(), c.name(), null, c.firstFrame());
    if (e instanceof Measure m && gone.contains(m.camera()))
      return new Measure(m.id(), m.name(), null, m.from(), m.to());
    if (e instanceof Plate p && gone.contains(p.camera())) return p.seenBy(null);
    if (e instanceof Light l) {
      l =
          l.on(
              gone.contains(l.parent()) ? null : l.parent(),
              gone.contains(l.layer()) ? null : l.layer());
      return l.attention() == null ? l : l.with((Attention) released(l.attention(), gone));
    }
    if (e instanceof Camera c) {
      List<RigPart> rig = new ArrayList<>();
      for (RigPart p : c.rig()) rig.add(released(p, gone));
      if (!c.rig().equals(rig)) c = c.with(rig);
      if (c.focus() == null) return c;
      Focus f = new Focus(left(c.focus().subjects(), gone), remaining(c.focus().cues(), gone));
      return f.equals(c.focus()) ? c : c.with(f.subjects().isEmpty() ? null : f);
    }
    return e;
  }

  /** A camera whose stack lets go of all that the sequence does not hold. */
  static Entity lettingGoOfTheMissing(Sequence s, Camera c) {
    Set<String> gone = new HashSet<>(of(c).keySet());
    gone.removeIf(id -> s.get(id) != null);
    return gone.isEmpty() ? c : released(s, c, gone);
  }

  private static List<Subject> left(List<Subject> subjects, Set<String> gone) {
    List<Subject> stay = new ArrayList<>(subjects);
    stay.removeIf(x -> gone.contains(x.entity()));
    return stay;
  }

  private static List<Cue> remaining(List<Cue> cues, Set<String> gone) {
    List<Cue> stay = new ArrayList<>();
    for (Cue cue : cues) {
      Map<String, Double> mix = new TreeMap<>(cue.mix());
      mix.keySet().removeAll(gone);
      stay.add(new Cue(cue.frame(), cue.travel(), cue.ease(), mix));
    }
    return stay;
  }

  private static RigPart released(RigPart part, Set<String> gone) {
    if (part instanceof Base b && gone.contains(b.rides()))
      return new Base(b.id(), b.on(), null, b.takes(), b.channels());
    if (part instanceof Rail r)
      return new Rail(
          r.id(),
          r.on(),
          gone.contains(r.path()) ? null : r.path(),
          r.facing(),
          gone.contains(r.guide()) ? null : r.guide(),
          r.level(),
          r.channels());
    if (part instanceof Framings f) {
      List<String> stay = new ArrayList<>(f.cameras());
      stay.removeAll(gone);
      return f.with(stay, remaining(f.cues(), gone));
    }
    if (part instanceof DollyZoom z && z.subject() != null && gone.contains(z.subject().entity()))
      return z.holding(null, z.mmPerM());
    if (!(part instanceof Attention a)) return part;
    boolean lostUp = gone.contains(a.upPiece());
    return new Attention(
        a.id(),
        a.on(),
        lostUp ? Attention.Up.WORLD : a.up(),
        lostUp ? null : a.upPiece(),
        a.blend(),
        left(a.subjects(), gone),
        remaining(a.cues(), gone),
        a.channels());
  }

  /** The entity with whatever it used of {@code old} taken from {@code now} instead. */
  static Entity repointed(Entity e, String old, Mark now) {
    if (!of(e).containsKey(old)) return e;
    if (e instanceof Light l && l.attention() != null)
      return l.with((Attention) repointed(l.attention(), old, now.id()));
    if (!(e instanceof Camera c)) return e;
    List<RigPart> rig = new ArrayList<>();
    for (RigPart p : c.rig()) rig.add(repointed(p, old, now.id()));
    c = c.with(rig);
    return c.focus() == null
        ? c
        : c.with(
            new Focus(
                swapped(c.focus().subjects(), old, now.id()),
                retold(c.focus().cues(), old, now.id())));
  }

  private static RigPart repointed(RigPart part, String old, String now) {
    if (part instanceof DollyZoom z && z.subject() != null && z.subject().entity().equals(old))
      return z.holding(swapped(List.of(z.subject()), old, now).get(0), z.mmPerM());
    return part instanceof Attention a
        ? a.with(swapped(a.subjects(), old, now), retold(a.cues(), old, now))
        : part;
  }

  private static List<Subject> swapped(List<Subject> all, String old, String now) {
    List<Subject> next = new ArrayList<>(all);
    next.replaceAll(x -> x.entity().equals(old) ? new Subject(now, null, x.offset()) : x);
    return next;
  }

  private static List<Cue> retold(List<Cue> cues, String old, String now) {
    List<Cue> next = new ArrayList<>();
    for (Cue cue : cues) {
      Map<String, Double> mix = new TreeMap<>(cue.mix());
      Double share = mix.remove(old);
      if (share != null) mix.put(now, share);
      next.add(new Cue(cue.frame(), cue.travel(), cue.ease(), mix));
    }
    return next;
  }
}
