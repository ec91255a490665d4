package kite.core.command;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import kite.core.cue.Cue;
import kite.core.document.Camera;
import kite.core.document.Entity;
import kite.core.document.Focus;
import kite.core.document.Light;
import kite.core.document.Mark;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.evaluate.Placement;
import kite.core.rig.RigPart;
import kite.core.rig.Subject;
import kite.core.rig.attention.Attention;
import kite.core.rig.base.Base;
import kite.core.rig.dollyzoom.DollyZoom;
import kite.core.rules.References;

/**
 * Marks that stand where something was looked at, so that what looked at it goes on looking there
 * once it is gone. Each point that was looked at (an anchor and an offset from it) has a mark.
 */
public final class MarkInPlace {
  private MarkInPlace() {}

  /** The points of an entity that aims, focuses and dolly zooms use, each once, in order of use. */
  public static List<Subject> points(Sequence s, String id) {
    Set<Subject> all = new LinkedHashSet<>();
    for (Entity e : s.entities().values()) {
      if (e instanceof Light l && l.attention() != null) all.addAll(l.attention().subjects());
      if (!(e instanceof Camera c)) continue;
      for (RigPart p : c.rig()) {
        if (p instanceof Attention a) all.addAll(a.subjects());
        if (p instanceof DollyZoom z && z.subject() != null) all.add(z.subject());
      }
      if (c.focus() != null) all.addAll(c.focus().subjects());
    }
    all.removeIf(x -> !x.entity().equals(id));
    return List.copyOf(all);
  }

  static Sequence apply(Sequence before, EntityCommand.Substitute command) {
    String id = command.id();
    Entity gone = Command.need(before, id, Entity.class);
    Sequence s = before;
    for (EntityCommand.Stood m : command.marks()) {
      s = new EntityCommand.Add(m.mark()).applyTo(s);
      String rides = carrier(before, gone);
      if (rides != null)
        s =
            new EntityCommand.Attach(m.mark().id(), rides, anchor(gone), command.frame())
                .applyTo(s);
    }
    Instead instead = new Instead(id, command.marks());
    for (Entity e : s.entities().values()) s = s.with(instead.in(e));
    return Placement.keepCarried(s, References.without(s, List.of(id), true), command.frame());
  }

  /** What a thing is carried by, which its marks ride in its place; null when it stands free. */
  private static String carrier(Sequence s, Entity e) {
    if (e instanceof Piece p) return p.parent();
    if (e instanceof Mark m) return m.rides();
    if (e instanceof Camera c)
      for (RigPart p : c.rig())
        if (p instanceof Base b && b.on() && b.rides() != null)
          // no mark rides a mark: what that one rides carries both
          return s.get(b.rides()) instanceof Mark m ? m.rides() : b.rides();
    return null;
  }

  private static String anchor(Entity e) {
    return e instanceof Mark m ? m.anchor() : null;
  }

  /** Takes marks for subjects, wherever they are used. */
  private record Instead(String old, List<EntityCommand.Stood> marks) {
    Entity in(Entity e) {
      if (e instanceof Light l && l.attention() != null) return l.withAttention(in(l.attention()));
      if (!(e instanceof Camera c)) return e;
      List<RigPart> rig = new ArrayList<>();
      for (RigPart p : c.rig()) rig.add(p instanceof Attention a ? in(a) : in(p));
      if (!c.rig().equals(rig)) c = c.withRig(rig);
      if (c.focus() == null) return c;
      List<Subject> was = c.focus().subjects();
      return c.withFocus(new Focus(in(was), in(was, c.focus().cues())));
    }

    private RigPart in(RigPart p) {
      return p instanceof DollyZoom z && z.subject() != null
          ? z.withHeld(in(z.subject()), z.mmPerM())
          : p;
    }

    private Attention in(Attention a) {
      return a.withSubjects(in(a.subjects()), in(a.subjects(), a.cues()));
    }

    private List<Subject> in(List<Subject> all) {
      List<Subject> next = new ArrayList<>(all);
      next.replaceAll(this::in);
      return next;
    }

    private Subject in(Subject s) {
      if (!s.entity().equals(old) || marks.isEmpty()) return s;
      for (EntityCommand.Stood m : marks) if (m.where().equals(s)) return Subject.of(m.mark().id());
      return new Subject(marks.get(0).mark().id(), null, s.offset());
    }

    /** Cues name their subjects by id. */
    private List<Cue> in(List<Subject> were, List<Cue> cues) {
      List<Cue> next = new ArrayList<>();
      for (Cue cue : cues) {
        Map<String, Double> mix = new TreeMap<>();
        for (Map.Entry<String, Double> share : cue.mix().entrySet()) {
          String now = share.getKey();
          for (Subject s : were) if (s.entity().equals(share.getKey())) now = in(s).entity();
          mix.put(now, share.getValue());
        }
        next.add(new Cue(cue.frame(), cue.travel(), cue.ease(), mix));
      }
      return next;
    }
  }
}
