package kite.core.rules;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import kite.core.cue.Cue;
import kite.core.document.AcceptedNote;
import kite.core.document.ActionLine;
import kite.core.document.Camera;
import kite.core.document.CutEntry;
import kite.core.document.Entity;
import kite.core.document.Focus;
import kite.core.document.Light;
import kite.core.document.Mark;
import kite.core.document.Measure;
import kite.core.document.Piece;
import kite.core.document.Plate;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.document.Shot;
import kite.core.document.Sound;
import kite.core.document.Take;
import kite.core.rig.RigPart;
import kite.core.rig.Subject;
import kite.core.rig.attention.Attention;

/** Who refers to whom, and letting go of what is taken away. */
public final class References {
  private References() {}

  /** Every use an entity makes of others, one for each place where it does. */
  public static List<Reference> of(Entity e) {
    List<Reference> all = new ArrayList<>();
    if (e instanceof Piece p) {
      add(all, p.parent(), Use.NESTED);
      if (p.shape() instanceof Shape.Instance i) add(all, i.of(), Use.REPEATS);
      add(all, p.layer(), Use.ON_LAYER);
    }
    if (e instanceof Mark m) {
      add(all, m.rides(), Use.RIDES);
      add(all, m.layer(), Use.ON_LAYER);
    }
    if (e instanceof CutEntry c) add(all, c.camera(), Use.CUTS_TO);
    if (e instanceof Shot x) for (Take t : x.takes()) add(all, t.camera(), Use.CUTS_TO);
    if (e instanceof Light l) {
      add(all, l.parent(), Use.CARRIED);
      add(all, l.layer(), Use.ON_LAYER);
      if (l.attention() != null) all.addAll(of(l.attention()));
    }
    if (e instanceof Sound x) add(all, x.track(), Use.ON_TRACK);
    if (e instanceof AcceptedNote n) add(all, n.of(), Use.SAID_OF);
    if (e instanceof ActionLine l) {
      add(all, l.first(), Use.DRAWN_THROUGH);
      add(all, l.second(), Use.DRAWN_THROUGH);
    }
    if (e instanceof Measure m) add(all, m.camera(), Use.TAKEN_FROM);
    if (e instanceof Plate p) add(all, p.camera(), Use.FIXED_TO);
    if (e instanceof Camera c) {
      add(all, c.layer(), Use.ON_LAYER);
      for (RigPart p : c.rig()) all.addAll(of(p));
      if (c.focus() != null)
        for (Subject s : c.focus().subjects()) add(all, s.entity(), Use.FOCUSES);
    }
    return all;
  }

  /** Every use a rig part makes of others. */
  public static List<Reference> of(RigPart part) {
    List<Reference> all = new ArrayList<>();
    PartRules.of(part).uses(part, (to, use) -> add(all, to, use));
    return all;
  }

  private static void add(List<Reference> all, String to, Use use) {
    if (to != null) all.add(new Reference(to, use));
  }

  /** Ids that an entity refers to, each once. */
  public static Set<String> ids(Entity e) {
    return ids(of(e));
  }

  /** Ids that a rig part refers to, each once. */
  public static Set<String> ids(RigPart part) {
    return ids(of(part));
  }

  private static Set<String> ids(List<Reference> all) {
    Set<String> ids = new LinkedHashSet<>();
    for (Reference r : all) ids.add(r.to());
    return ids;
  }

  /** One sentence for every use that others make of these entities. */
  public static List<String> users(Sequence s, List<String> ids) {
    Set<String> all = new LinkedHashSet<>();
    for (Entity e : s.entities().values()) {
      if (ids.contains(e.id())) continue;
      for (Reference r : of(e)) if (ids.contains(r.to())) all.add(said(s, e, r));
    }
    return List.copyOf(all);
  }

  private static String said(Sequence s, Entity e, Reference r) {
    return "“" + e.name() + "” " + r.use().words + " “" + s.get(r.to()).name() + "”";
  }

  /** Refuses a sequence in which something refers to what is not there or not of a fitting kind. */
  public static void check(Sequence s) {
    check(s, s.entities().values());
  }

  /** The same of some entities alone. */
  static void check(Sequence s, Collection<Entity> some) {
    for (Entity e : some) {
      for (Reference r : of(e)) {
        Entity target = s.get(r.to());
        if (target == null)
          throw new Refusal(
              "missing",
              e.id(),
              r.to(),
              "“"
                  + e.name()
                  + "” "
                  + r.use().words
                  + " something that is not in the sequence ("
                  + r.to()
                  + ").");
        if (!r.use().fits(e, target))
          throw new Refusal(
              "kind",
              e.id(),
              r.to(),
              "“"
                  + e.name()
                  + "” cannot be what “"
                  + target.name()
                  + "” serves: it "
                  + r.use().words
                  + " it, and it is of the wrong kind.");
      }
    }
  }

  /** The sequence without some entities; what referred to them lets go, or that is refused. */
  public static Sequence without(Sequence s, List<String> removed, boolean letGo) {
    Set<String> ids = withWhatGoes(s, removed, letGo);
    for (Entity e : s.entities().values()) {
      if (ids.contains(e.id())) continue;
      for (Reference r : of(e)) {
        if (!ids.contains(r.to())) continue;
        if (!letGo)
          throw new Refusal(
              "used",
              r.to(),
              e.id(),
              said(s, e, r) + ". Remove it all the same and “" + e.name() + "” lets go.");
      }
      s = s.with(released(s, e, ids));
    }
    for (String id : ids) s = s.without(id);
    return s;
  }

  /** Things, and what is nothing without them; a sound goes with its track only if that is said. */
  private static Set<String> withWhatGoes(Sequence s, List<String> removed, boolean letGo) {
    Set<String> ids = new HashSet<>(removed); // unlike a list's, its contains takes null
    Set<String> going = Set.copyOf(removed);
    while (!going.isEmpty()) {
      Set<String> more = new HashSet<>();
      for (Entity e : s.entities().values())
        for (Reference r : of(e))
          if (going.contains(r.to())
              && r.use().goesWith()
              && (letGo || r.use() != Use.ON_TRACK)
              && ids.add(e.id())) more.add(e.id());
      going = more;
    }
    return ids;
  }

  private static Entity released(Sequence s, Entity e, Set<String> gone) {
    if (e instanceof Piece p) {
      if (gone.contains(p.parent())) p = p.withParent(null);
      if (gone.contains(p.layer())) p = p.withLayer(null);
      if (p.shape() instanceof Shape.Instance i && gone.contains(i.of())) {
        Piece model = (Piece) s.get(i.of()); // becomes a piece of its own that looks the same
        p = p.withShape(model.shape()).withColour(model.colour());
      }
      return p;
    }
    if (e instanceof Mark m) {
      if (gone.contains(m.rides())) m = m.withRides(null).withAnchor(null);
      return gone.contains(m.layer()) ? m.withLayer(null) : m;
    }
    if (e instanceof CutEntry c && gone.contains(c.camera()))
      return new CutEntry(c.id(), c.name(), null, c.firstFrame());
    if (e instanceof Shot x) {
      for (Take t : x.takes()) if (gone.contains(t.camera())) x = x.withTake(t.withCamera(null));
      return x;
    }
    if (e instanceof Measure m && gone.contains(m.camera()))
      return new Measure(m.id(), m.name(), null, m.from(), m.to());
    if (e instanceof Plate p && gone.contains(p.camera())) return p.withCamera(null);
    if (e instanceof Light l) {
      if (gone.contains(l.parent())) l = l.withParent(null);
      if (gone.contains(l.layer())) l = l.withLayer(null);
      return l.attention() == null ? l : l.withAttention((Attention) without(l.attention(), gone));
    }
    if (e instanceof Camera c) {
      List<RigPart> rig = new ArrayList<>();
      for (RigPart p : c.rig()) rig.add(without(p, gone));
      if (!c.rig().equals(rig)) c = c.withRig(rig);
      if (gone.contains(c.layer())) c = c.withLayer(null);
      if (c.focus() == null) return c;
      Focus f = new Focus(left(c.focus().subjects(), gone), remaining(c.focus().cues(), gone));
      return f.equals(c.focus()) ? c : c.withFocus(f.subjects().isEmpty() ? null : f);
    }
    return e;
  }

  /** A camera whose stack lets go of all that the sequence does not hold. */
  public static Entity lettingGoOfTheMissing(Sequence s, Camera c) {
    Set<String> gone = new HashSet<>(ids(c));
    gone.removeIf(id -> s.get(id) != null);
    return gone.isEmpty() ? c : released(s, c, gone);
  }

  private static RigPart without(RigPart part, Set<String> gone) {
    return PartRules.of(part).without(part, gone);
  }

  /** Those of some subjects that stay. */
  public static List<Subject> left(List<Subject> subjects, Set<String> gone) {
    List<Subject> stay = new ArrayList<>(subjects);
    stay.removeIf(x -> gone.contains(x.entity()));
    return stay;
  }

  /** Cues without the shares of what is gone. */
  public static List<Cue> remaining(List<Cue> cues, Set<String> gone) {
    List<Cue> stay = new ArrayList<>();
    for (Cue cue : cues) {
      Map<String, Double> mix = new TreeMap<>(cue.mix());
      mix.keySet().removeAll(gone);
      stay.add(new Cue(cue.frame(), cue.travel(), cue.ease(), mix));
    }
    return stay;
  }
}
