package kite.core.motion;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.DoublePredicate;
import kite.core.command.ChannelCommand;
import kite.core.command.Command;
import kite.core.command.CutCommand;
import kite.core.command.RigCommand;
import kite.core.cue.Cue;
import kite.core.curve.Channel;
import kite.core.curve.CurveEdits;
import kite.core.curve.Key;
import kite.core.cut.Cut;
import kite.core.document.Camera;
import kite.core.document.CutEntry;
import kite.core.document.Entity;
import kite.core.document.Focus;
import kite.core.document.Light;
import kite.core.document.Sequence;
import kite.core.number.NumberText;
import kite.core.rig.Cued;
import kite.core.rig.RigPart;
import kite.core.rig.trim.Trim;
import kite.core.rules.Refusal;

/** Moves keys, cues, trims and cuts of one thing in time, all alike. */
public final class MoveTogether {
  private MoveTogether() {}

  /** Frames on which anything of a thing stands: its keys and its cues. */
  public static List<Double> frames(Entity e) {
    TreeSet<Double> all = new TreeSet<>();
    for (String address : e.channelSpecs().keySet())
      if (e.channel(address) instanceof Channel.Curve c) for (Key k : c.keys()) all.add(k.frame());
    for (Cued cued : cuedOf(e)) for (Cue cue : cued.cues()) all.add(cue.frame());
    return List.copyOf(all);
  }

  /** First frames of the cut's entries that begin or end a stretch in which a camera is live. */
  public static List<Double> cuts(Sequence s, Entity camera) {
    TreeSet<Double> all = new TreeSet<>();
    for (CutEntry c : cutsOf(s, camera)) all.add((double) c.firstFrame());
    return List.copyOf(all);
  }

  private static List<CutEntry> cutsOf(Sequence s, Entity camera) {
    List<CutEntry> all = new ArrayList<>();
    String before = null;
    for (Cut.Span span : Cut.spans(s)) {
      CutEntry c = (CutEntry) s.get(span.id());
      if (camera.id().equals(c.camera()) || camera.id().equals(before)) all.add(c);
      before = c.camera();
    }
    return all;
  }

  /** The commands that move what stands on some frames. */
  public static List<Command> move(Entity e, List<Double> frames, double by) {
    return shifted(e, frames::contains, by);
  }

  /** The same, and the cuts to or from a camera that stand on those frames. */
  public static List<Command> moveWithCuts(Sequence s, Entity e, List<Double> frames, double by) {
    List<Command> all = new ArrayList<>(move(e, frames, by));
    for (CutEntry c : cutsOf(s, e))
      if (frames.contains((double) c.firstFrame()))
        all.add(new CutCommand.Roll(c.id(), (int) Math.round(c.firstFrame() + by)));
    return all;
  }

  /**
   * The commands that hold longer (or, with a negative number, shorter) on a frame: everything
   * after it is shifted.
   *
   * @param cuts whether cuts after it go along
   * @throws Refusal when something would pass the frame
   */
  public static List<Command> holdLonger(
      Sequence s, Entity e, double frame, double frames, boolean cuts) {
    for (double f : frames(e))
      if (f > frame && f + frames <= frame)
        throw new Refusal(
            "range",
            e.id(),
            "",
            "Something of “"
                + e.name()
                + "” stands on frame "
                + NumberText.plain(f)
                + ": it cannot come "
                + NumberText.plain(-frames)
                + " frames sooner.");
    List<Command> all = new ArrayList<>(); // spans first: a part is put as it is, keys and all
    if (e instanceof Camera c)
      for (RigPart p : c.rig())
        if (p instanceof Trim t && t.span() != null) {
          Trim.Span x = t.span();
          Trim.Span y =
              new Trim.Span(
                  x.first() > frame ? x.first() + frames : x.first(),
                  x.last() > frame ? x.last() + frames : x.last(),
                  x.fadeIn(),
                  x.fadeOut());
          if (!y.equals(x))
            all.add(
                new RigCommand.SetPart(
                    c.id(), new Trim(t.id(), t.on(), t.label(), y, t.channels())));
        }
    all.addAll(shifted(e, f -> f > frame, frames));
    if (cuts) {
      List<CutEntry> later = new ArrayList<>();
      for (CutEntry c : s.all(CutEntry.class)) if (c.firstFrame() > frame) later.add(c);
      later.sort((a, b) -> Integer.compare(a.firstFrame(), b.firstFrame()));
      if (!later.isEmpty())
        all.add(new CutCommand.Ripple(later.get(0).id(), later.get(0).firstFrame() + (int) frames));
    }
    return all;
  }

  private static List<Cued> cuedOf(Entity e) {
    List<Cued> all = new ArrayList<>();
    if (e instanceof Light l && l.attention() != null) all.add(l.attention());
    if (!(e instanceof Camera c)) return all;
    for (RigPart p : c.rig()) if (p instanceof Cued x) all.add(x);
    if (c.focus() != null) all.add(c.focus());
    return all;
  }

  private static List<Command> shifted(Entity e, DoublePredicate which, double by) {
    List<Command> all = new ArrayList<>();
    for (String address : e.channelSpecs().keySet()) {
      if (!(e.channel(address) instanceof Channel.Curve c)) continue;
      List<Double> frames = new ArrayList<>();
      for (Key k : c.keys()) if (which.test(k.frame())) frames.add(k.frame());
      if (!frames.isEmpty())
        all.add(new ChannelCommand.SetChannel(e.id(), address, CurveEdits.move(c, frames, by, 0)));
    }
    for (Cued cued : cuedOf(e)) {
      Cued next = cued.withCues(moved(e, cued.cues(), which, by));
      if (next.equals(cued)) continue;
      String part = next instanceof RigPart p ? p.id() : Focus.ID;
      all.add(new RigCommand.SetCues(e.id(), part, next.cues()));
    }
    return all;
  }

  /**
   * Cues after the move, sorted.
   *
   * @throws Refusal when one would land on another that stays
   */
  private static List<Cue> moved(Entity c, List<Cue> cues, DoublePredicate which, double by) {
    TreeMap<Double, Cue> sorted = new TreeMap<>();
    for (Cue q : cues) if (!which.test(q.frame())) sorted.put(q.frame(), q);
    for (Cue q : cues) {
      if (!which.test(q.frame())) continue;
      double to = q.frame() + by;
      if (sorted.put(to, new Cue(to, q.travel(), q.ease(), q.mix())) != null)
        throw new Refusal(
            "taken",
            c.id(),
            "",
            "Another cue stands on frame "
                + NumberText.plain(to)
                + ". Move these beside it, or take it along.");
    }
    return List.copyOf(sorted.values());
  }
}
