package kite.core.motion;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.DoublePredicate;
import kite.core.command.ChannelCommand;
import kite.core.command.Command;
import kite.core.command.RigCommand;
import kite.core.command.ShotCommand;
import kite.core.cue.Cue;
import kite.core.curve.Channel;
import kite.core.curve.CurveEdits;
import kite.core.curve.Key;
import kite.core.cut.Programme;
import kite.core.document.Camera;
import kite.core.document.Entity;
import kite.core.document.Focus;
import kite.core.document.Light;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.document.Take;
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

  /** Frames of the scene on which the cut goes to a camera or leaves it. */
  public static List<Double> cuts(Sequence s, Entity camera) {
    TreeSet<Double> all = new TreeSet<>();
    for (CutAt c : cutsOf(s, camera)) all.add(c.frame());
    return List.copyOf(all);
  }

  /** Where a shot begins, in the action of a camera that it or the one before it shows. */
  private record CutAt(Shot shot, double frame, Take seenIn) {}

  private static List<CutAt> cutsOf(Sequence s, Entity camera) {
    List<CutAt> all = new ArrayList<>();
    Take before = null;
    for (Shot shot : Programme.order(s)) {
      Take t = shot.take();
      if (camera.id().equals(t.camera())) all.add(new CutAt(shot, t.scene(0), t));
      else if (before != null && camera.id().equals(before.camera()))
        all.add(new CutAt(shot, before.scene(before.frames()), before));
      before = t;
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
    for (CutAt c : cutsOf(s, e))
      if (frames.contains(c.frame()))
        all.add(new ShotCommand.RollCut(c.shot().id(), inProgramme(c.seenIn(), by)));
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
                    c.id(), new Trim(t.id(), t.on(), t.label(), y, t.takes(), t.channels())));
        }
    all.addAll(shifted(e, f -> f > frame, frames));
    if (cuts)
      for (Shot shot : Programme.order(s)) {
        Take t = shot.take();
        if (t.scene(0) > frame) all.add(new ShotCommand.SlipShot(shot.id(), frames));
        else if (t.scene(t.frames()) > frame)
          all.add(new ShotCommand.TrimShot(shot.id(), 0, -inProgramme(t, frames)));
      }
    return all;
  }

  /** Frames of the programme in which so many of the scene pass, in a take at its mean speed. */
  private static int inProgramme(Take t, double by) {
    double rate = (t.scene(t.frames()) - t.scene(0)) / t.frames();
    return (int) Math.round(rate > 0 ? by / rate : by);
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
