package kite.core.command;

import java.util.ArrayList;
import java.util.List;
import kite.core.cue.Cue;
import kite.core.document.Camera;
import kite.core.document.OrNull;
import kite.core.document.Sequence;
import kite.core.evaluate.Placement;
import kite.core.evaluate.Walking;
import kite.core.rig.Attention;
import kite.core.rig.Base;
import kite.core.rig.RigPart;

/** Commands on a camera's stack; {@code camera} and {@code part} are ids. */
public sealed interface RigCommand extends Command {

  /** Puts a part on the stack; index 0 is the ground. */
  record AddPart(String camera, RigPart part, int index) implements RigCommand {
    @Override
    public Sequence applyTo(Sequence s) {
      Camera c = Command.need(s, camera, Camera.class);
      if (c.part(part.id()) != null)
        throw new Refusal(
            "taken",
            camera,
            part.id(),
            "Camera " + c.letter() + " already has a part with the id " + part.id() + ".");
      List<RigPart> rig = new ArrayList<>(c.rig());
      rig.add(Math.max(0, Math.min(rig.size(), index)), part);
      return s.with(c.with(rig));
    }
  }

  record RemovePart(String camera, String part) implements RigCommand {
    @Override
    public Sequence applyTo(Sequence s) {
      Camera c = Command.need(s, camera, Camera.class);
      RigPart p = needPart(c, part, RigPart.class);
      List<RigPart> rig = new ArrayList<>(c.rig());
      rig.remove(p);
      return s.with(c.with(rig));
    }
  }

  record MovePart(String camera, String part, int index) implements RigCommand {
    @Override
    public Sequence applyTo(Sequence s) {
      Camera c = Command.need(s, camera, Camera.class);
      RigPart p = needPart(c, part, RigPart.class);
      List<RigPart> rig = new ArrayList<>(c.rig());
      rig.remove(p);
      rig.add(Math.max(0, Math.min(rig.size(), index)), p);
      return s.with(c.with(rig));
    }
  }

  record SwitchPart(String camera, String part, boolean on) implements RigCommand {
    @Override
    public Sequence applyTo(Sequence s) {
      Camera c = Command.need(s, camera, Camera.class);
      return s.with(c.with(needPart(c, part, RigPart.class).switched(on)));
    }
  }

  /**
   * Replaces a part's settings (its path, its subjects, its up …) with those of another of its
   * kind.
   */
  record SetPart(String camera, RigPart part) implements RigCommand {
    @Override
    public Sequence applyTo(Sequence s) {
      Camera c = Command.need(s, camera, Camera.class);
      needPart(c, part.id(), part.getClass());
      return s.with(c.with(part));
    }
  }

  /** Lets a base ride something, or stand free ({@code rides} null); the camera keeps its place. */
  record Ride(String camera, String part, @OrNull String rides, Base.Takes takes, double frame)
      implements RigCommand {
    @Override
    public Sequence applyTo(Sequence s) {
      Camera c = Command.need(s, camera, Camera.class);
      Base b = needPart(c, part, Base.class);
      Sequence riding = s.with(c.with(new Base(b.id(), b.on(), rides, takes, b.channels())));
      References.check(riding);
      Rules.noLoops(riding);
      return riding.with(Placement.keepBase(s, riding, c, b, frame));
    }
  }

  /** Adds a cue, in place of any on its frame. */
  record PutCue(String camera, String part, Cue cue) implements RigCommand {
    @Override
    public Sequence applyTo(Sequence s) {
      Camera c = Command.need(s, camera, Camera.class);
      Attention a = needPart(c, part, Attention.class);
      List<Cue> cues = new ArrayList<>(a.cues());
      cues.removeIf(k -> k.frame() == cue.frame());
      cues.add(cue);
      return withCues(s, c, a, cues);
    }
  }

  /** Moves the cue that stands on {@code frame} and sets how long it travels. */
  record MoveCue(String camera, String part, double frame, double toFrame, double travel)
      implements RigCommand {
    @Override
    public Sequence applyTo(Sequence s) {
      Camera c = Command.need(s, camera, Camera.class);
      Attention a = needPart(c, part, Attention.class);
      Cue old = cueAt(c, a, frame);
      List<Cue> cues = new ArrayList<>(a.cues());
      cues.remove(old);
      cues.removeIf(k -> k.frame() == toFrame);
      cues.add(new Cue(toFrame, travel, old.ease(), old.mix()));
      return withCues(s, c, a, cues);
    }
  }

  record RemoveCue(String camera, String part, double frame) implements RigCommand {
    @Override
    public Sequence applyTo(Sequence s) {
      Camera c = Command.need(s, camera, Camera.class);
      Attention a = needPart(c, part, Attention.class);
      List<Cue> cues = new ArrayList<>(a.cues());
      cues.remove(cueAt(c, a, frame));
      return withCues(s, c, a, cues);
    }
  }

  /**
   * Moves a camera as its operator would: metres along its own axes, degrees of pan, tilt and roll.
   * The amounts go to the parts that carry that motion; see {@link Walking}.
   *
   * @param key whether fixed channels get a key
   */
  record Walk(
      String camera,
      double frame,
      double truck,
      double pedestal,
      double dolly,
      double pan,
      double tilt,
      double roll,
      boolean key)
      implements RigCommand {
    @Override
    public Sequence applyTo(Sequence s) {
      Camera c = Command.need(s, camera, Camera.class);
      if (c.locked())
        throw new Refusal(
            "locked",
            camera,
            "",
            "Camera " + c.letter() + " is locked. Unlock it in the roster to move it.");
      return Walking.walk(s, c, this);
    }
  }

  /** Switches a camera's depth-of-field blur, in the lens view and the render alike. */
  record SetDepthOfField(String camera, boolean on) implements RigCommand {
    @Override
    public Sequence applyTo(Sequence s) {
      Camera c = Command.need(s, camera, Camera.class);
      return s.with(
          new Camera(
              c.id(), c.name(), c.letter(), c.colour(), c.locked(), on, c.channels(), c.rig()));
    }
  }

  private static <T extends RigPart> T needPart(Camera c, String id, Class<T> kind) {
    RigPart p = c.part(id);
    if (!kind.isInstance(p))
      throw new Refusal(
          "missing",
          c.id(),
          id,
          "Camera " + c.letter() + " has no such rig part any more (" + id + ").");
    return kind.cast(p);
  }

  private static Cue cueAt(Camera c, Attention a, double frame) {
    for (Cue k : a.cues()) if (k.frame() == frame) return k;
    throw new Refusal(
        "missing",
        c.id(),
        a.id(),
        "Camera " + c.letter() + " has no cue at frame " + frame + " any more.");
  }

  private static Sequence withCues(Sequence s, Camera c, Attention a, List<Cue> cues) {
    cues.sort((x, y) -> Double.compare(x.frame(), y.frame()));
    return s.with(c.with(a.with(a.subjects(), cues)));
  }
}
