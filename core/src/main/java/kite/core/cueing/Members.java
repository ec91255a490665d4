package kite.core.cueing;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import kite.core.command.Command;
import kite.core.command.Cueing;
import kite.core.command.EntityCommand;
import kite.core.command.RigCommand;
import kite.core.cue.Cue;
import kite.core.cue.Ease;
import kite.core.document.Camera;
import kite.core.document.Entity;
import kite.core.document.Focus;
import kite.core.document.Light;
import kite.core.rig.Cued;
import kite.core.rig.Subject;
import kite.core.rig.attention.Attention;
import kite.core.rig.framings.Framings;
import kite.core.rules.Refusal;

/** Taking in whom cues share among, and letting them go. */
public final class Members {
  private Members() {}

  /**
   * Takes one more in, behind those that are there. Where there is no cue yet it is held from the
   * first frame on.
   *
   * @param owner a camera or a spot
   * @param part the id of its attention or framings, or {@link Focus#ID}
   */
  public static List<Command> take(Entity owner, String part, String member, double firstFrame) {
    Cued now = of(owner, part);
    List<Subject> members = with(now.subjects(), member);
    List<Cue> cues = now.cues().isEmpty() ? List.of(whole(firstFrame, 0, member)) : now.cues();
    return List.of(put(owner, now, members, cues));
  }

  /**
   * Lets one go: its shares go from every cue, and a cue that held nothing else goes with them. A
   * cue that holds nothing by itself stays: it is one that lets go.
   */
  public static List<Command> letGo(Entity owner, String part, String member) {
    Cued now = of(owner, part);
    List<Subject> members = new ArrayList<>(now.subjects());
    if (!members.removeIf(s -> s.entity().equals(member)))
      throw new Refusal(
          "missing", owner.id(), part, "“" + owner.name() + "” does not follow that any more.");
    List<Cue> cues = new ArrayList<>();
    for (Cue c : now.cues()) {
      if (!c.mix().containsKey(member)) {
        cues.add(c);
        continue;
      }
      Map<String, Double> mix = new TreeMap<>(c.mix());
      mix.remove(member);
      if (!mix.isEmpty()) cues.add(new Cue(c.frame(), c.travel(), c.ease(), mix));
    }
    return List.of(put(owner, now, members, cues));
  }

  /** What is cued; a camera whose focus follows nothing yet has focus without subjects. */
  static Cued of(Entity owner, String part) {
    Cued found = Cueing.of(owner, part);
    if (found != null) return found;
    if (owner instanceof Camera && part.equals(Focus.ID)) return new Focus(List.of(), List.of());
    throw new Refusal(
        "missing", owner.id(), part, "“" + owner.name() + "” has no such part any more.");
  }

  static List<Subject> with(List<Subject> members, String... more) {
    List<Subject> all = new ArrayList<>(members);
    for (String m : more)
      if (all.stream().noneMatch(s -> s.entity().equals(m))) all.add(Subject.of(m));
    return all;
  }

  /** A cue that goes to one alone. */
  static Cue whole(double frame, double travel, String member) {
    return new Cue(frame, travel, Ease.SLOW_BOTH, Map.of(member, 1.0));
  }

  private static Command put(Entity owner, Cued now, List<Subject> members, List<Cue> cues) {
    if (now instanceof Focus)
      return new RigCommand.SetFocus(
          owner.id(), members.isEmpty() ? null : new Focus(members, cues));
    if (owner instanceof Light l)
      return new EntityCommand.Replace(
          l.withAttention(((Attention) now).withSubjects(members, cues)));
    if (now instanceof Attention a)
      return new RigCommand.SetPart(owner.id(), a.withSubjects(members, cues));
    if (now instanceof Framings f)
      return new RigCommand.SetPart(
          owner.id(), f.withCameras(members.stream().map(Subject::entity).toList(), cues));
    throw new IllegalStateException("no cues: " + now.getClass());
  }
}
