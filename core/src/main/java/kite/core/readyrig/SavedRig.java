package kite.core.readyrig;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.RigCommand;
import kite.core.curve.Channel;
import kite.core.curve.CurveEdits;
import kite.core.curve.Key;
import kite.core.document.Camera;
import kite.core.document.Entity;
import kite.core.document.Focus;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.core.form.EntityJson;
import kite.core.frame.Eye;
import kite.core.math.Rotation;
import kite.core.math.Trig;
import kite.core.model.Models;
import kite.core.rig.RigPart;
import kite.core.rig.framings.Framings;
import kite.core.rules.References;

/**
 * A stack kept for the whole production under a name.
 *
 * @param names what its parts refer to: names by id, for finding it again in another sequence
 */
public record SavedRig(List<RigPart> rig, Map<String, String> names) {
  public SavedRig {
    rig = List.copyOf(rig);
    names = Collections.unmodifiableMap(new TreeMap<>(names));
  }

  public static SavedRig of(Sequence s, Camera c) {
    Map<String, String> names = new TreeMap<>();
    for (String id : References.ids(c.withFocus((Focus) null))) names.put(id, s.get(id).name());
    return new SavedRig(c.rig(), names);
  }

  /**
   * @param missing names of what is not in this sequence: the parts let go of it
   */
  public record Loaded(List<Command> commands, List<String> missing) {}

  /**
   * The commands that put it on a camera so that the camera stays where it is at a frame: keyed
   * numbers keep their motion and are shifted as a whole. With framings in it, it stands where they
   * say.
   */
  public Loaded onto(Sequence s, Models models, Camera c, double frame) {
    List<String> missing = new ArrayList<>();
    List<RigPart> mine = found(s, c, missing);
    List<Command> all = new ArrayList<>(List.of(new RigCommand.SetRig(c.id(), mine)));
    if (mine.stream().noneMatch(p -> p.on() && p instanceof Framings)) {
      Camera shifted = shifted(s, models, c, c.withRig(mine), frame);
      all.set(0, new RigCommand.SetRig(c.id(), shifted.rig()));
    }
    return new Loaded(all, missing);
  }

  /** The parts, referring to what in this sequence has their ids, or else their names. */
  private List<RigPart> found(Sequence s, Camera c, List<String> missing) {
    Map<String, String> here = new HashMap<>();
    names.forEach(
        (id, name) -> {
          if (s.get(id) != null && !id.equals(c.id())) return;
          String other = "";
          for (Entity e : s.entities().values())
            if (e.name().equals(name) && !e.id().equals(c.id())) other = e.id();
          if (other.isEmpty()) missing.add(name);
          here.put(id, other.isEmpty() ? "missing-" + id : other);
        });
    return ((Camera) EntityJson.withIds(c.withRig(rig), here)).rig();
  }

  private static Camera shifted(
      Sequence s, Models models, Camera was, Camera loaded, double frame) {
    Plan plan = new Plan(s, models);
    plan.evaluate(frame);
    Eye eye = Eye.of(plan, was.id());
    double[] turn = Rotation.newPanTiltRoll(eye.world(), 0);
    Camera still = loaded;
    for (String a : loaded.channelSpecs().keySet())
      if (a.contains("/") && loaded.channel(a) instanceof Channel.Curve k)
        still = still.withChannel(a, Channel.fixed(k.at(frame)));
    Sequence placed =
        Edit.apply(
            s,
            List.of(
                new RigCommand.SetRig(was.id(), still.rig()),
                new RigCommand.PlaceCamera(
                    was.id(),
                    frame,
                    eye.place(),
                    Trig.degrees(turn[0]),
                    Trig.degrees(turn[1]),
                    Trig.degrees(turn[2]),
                    false)));
    Camera there = (Camera) placed.get(was.id());
    for (String a : loaded.channelSpecs().keySet()) {
      if (!a.contains("/")) continue;
      double now = there.channel(a).at(frame);
      Channel had = loaded.channel(a);
      loaded =
          loaded.withChannel(
              a, had instanceof Channel.Curve k ? by(k, now - k.at(frame)) : Channel.fixed(now));
    }
    return loaded;
  }

  private static Channel by(Channel.Curve c, double value) {
    return value == 0
        ? c
        : CurveEdits.move(c, c.keys().stream().map(Key::frame).toList(), 0, value);
  }
}
