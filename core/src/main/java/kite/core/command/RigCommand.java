package kite.core.command;

import java.util.ArrayList;
import java.util.List;
import kite.core.cue.Cue;
import kite.core.document.Camera;
import kite.core.document.ChannelSpec;
import kite.core.document.Entity;
import kite.core.document.Focus;
import kite.core.document.OrNull;
import kite.core.document.Sequence;
import kite.core.evaluate.Placement;
import kite.core.evaluate.Walking;
import kite.core.math.Vec3;
import kite.core.number.NumberText;
import kite.core.optics.DepthOfField;
import kite.core.optics.FilmBack;
import kite.core.optics.Fit;
import kite.core.rig.Cued;
import kite.core.rig.RigPart;
import kite.core.rig.base.Base;
import kite.core.rules.References;
import kite.core.rules.Refusal;
import kite.core.rules.Rules;

/** Commands on a camera's stack; {@code camera} and {@code part} are ids. */
public sealed interface RigCommand extends Command {

  /** Puts a part on the stack; index 0 is the ground. */
  record AddPart(String camera, RigPart part, int index) implements RigCommand {
    public static final String KIND = "addPart";

    @Override
    public String kind() {
      return KIND;
    }

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
      return s.with(c.withRig(rig));
    }
  }

  record RemovePart(String camera, String part) implements RigCommand {
    public static final String KIND = "removePart";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      Camera c = Command.need(s, camera, Camera.class);
      RigPart p = needPart(c, part, RigPart.class);
      List<RigPart> rig = new ArrayList<>(c.rig());
      rig.remove(p);
      return s.with(c.withRig(rig));
    }
  }

  record MovePart(String camera, String part, int index) implements RigCommand {
    public static final String KIND = "movePart";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      Camera c = Command.need(s, camera, Camera.class);
      RigPart p = needPart(c, part, RigPart.class);
      List<RigPart> rig = new ArrayList<>(c.rig());
      rig.remove(p);
      rig.add(Math.max(0, Math.min(rig.size(), index)), p);
      return s.with(c.withRig(rig));
    }
  }

  record SwitchPart(String camera, String part, boolean on) implements RigCommand {
    public static final String KIND = "switchPart";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      Camera c = Command.need(s, camera, Camera.class);
      return s.with(c.withPart(needPart(c, part, RigPart.class).withOn(on)));
    }
  }

  /**
   * Replaces a part's settings (its path, its subjects, its up …) with those of another of its
   * kind.
   */
  record SetPart(String camera, RigPart part) implements RigCommand {
    public static final String KIND = "setPart";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      Camera c = Command.need(s, camera, Camera.class);
      needPart(c, part.id(), part.getClass());
      return s.with(c.withPart(part));
    }
  }

  /** Gives a camera another stack; what in it refers to nothing in the sequence lets go. */
  record SetRig(String camera, List<RigPart> rig) implements RigCommand {
    public static final String KIND = "setRig";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      Camera c = unlocked(s, camera).withRig(rig);
      return s.with(References.lettingGoOfTheMissing(s, c));
    }
  }

  /** Lets a base ride something, or stand free ({@code rides} null); the camera keeps its place. */
  record Ride(String camera, String part, @OrNull String rides, Base.Takes takes, double frame)
      implements RigCommand {
    public static final String KIND = "ride";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      Camera c = Command.need(s, camera, Camera.class);
      Base b = needPart(c, part, Base.class);
      Sequence riding = s.with(c.withPart(new Base(b.id(), b.on(), rides, takes, b.channels())));
      References.check(riding);
      Rules.noLoops(riding);
      return riding.with(Placement.keepBase(s, riding, c, b, frame));
    }
  }

  /** Adds a cue, in place of any on its frame; {@code camera} may be a light that is aimed. */
  record PutCue(String camera, String part, Cue cue) implements RigCommand {
    public static final String KIND = "putCue";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      Entity c = Cueing.owner(s, camera);
      Cued a = Cueing.need(c, part);
      List<Cue> cues = new ArrayList<>(a.cues());
      cues.removeIf(k -> k.frame() == cue.frame());
      cues.add(cue);
      return Cueing.with(s, c, part, cues);
    }
  }

  /** Moves the cue that stands on {@code frame} and sets how long it travels. */
  record MoveCue(String camera, String part, double frame, double toFrame, double travel)
      implements RigCommand {
    public static final String KIND = "moveCue";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      Entity c = Cueing.owner(s, camera);
      Cued a = Cueing.need(c, part);
      Cue old = Cueing.at(c, part, a, frame);
      List<Cue> cues = new ArrayList<>(a.cues());
      cues.remove(old);
      if (cues.stream().anyMatch(k -> k.frame() == toFrame))
        throw new Refusal(
            "taken",
            camera,
            part,
            "Another cue stands on frame "
                + NumberText.plain(toFrame)
                + ". Move this one beside it, or remove that one first.");
      cues.add(new Cue(toFrame, travel, old.ease(), old.mix()));
      return Cueing.with(s, c, part, cues);
    }
  }

  /** Puts other cues in place of all there were. */
  record SetCues(String camera, String part, List<Cue> cues) implements RigCommand {
    public static final String KIND = "setCues";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      Entity c = Cueing.owner(s, camera);
      Cueing.need(c, part);
      return Cueing.with(s, c, part, new ArrayList<>(cues));
    }
  }

  record RemoveCue(String camera, String part, double frame) implements RigCommand {
    public static final String KIND = "removeCue";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      Entity c = Cueing.owner(s, camera);
      Cued a = Cueing.need(c, part);
      List<Cue> cues = new ArrayList<>(a.cues());
      cues.remove(Cueing.at(c, part, a, frame));
      return Cueing.with(s, c, part, cues);
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
    public static final String KIND = "walk";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      return Walking.walk(
          s,
          unlocked(s, camera),
          frame,
          new Walking.Step(truck, pedestal, dolly, pan, tilt, roll),
          key);
    }
  }

  /**
   * Puts a camera at a place in the world, looking a way, through the parts that carry it; see
   * {@link Walking}. An aim that a part holds stays held.
   *
   * @param pan degrees in the world, with {@code tilt} and {@code roll}
   */
  record PlaceCamera(
      String camera, double frame, Vec3 at, double pan, double tilt, double roll, boolean key)
      implements RigCommand {
    public static final String KIND = "placeCamera";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      return Walking.place(s, unlocked(s, camera), frame, at, new Vec3(pan, tilt, roll), key);
    }
  }

  /**
   * Moves a camera about a point, keeping its distance and its way of looking at it.
   *
   * @param across degrees about the world's up; positive carries the camera to its right
   * @param up degrees towards overhead; it stops short of straight above and below
   */
  record Orbit(String camera, double frame, Vec3 about, double across, double up, boolean key)
      implements RigCommand {
    public static final String KIND = "orbit";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      return Walking.orbit(s, unlocked(s, camera), frame, about, across, up, key);
    }
  }

  /** Takes the roll out of a camera's picture at a frame. */
  record Level(String camera, double frame, boolean key) implements RigCommand {
    public static final String KIND = "level";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      return Walking.level(s, unlocked(s, camera), frame, key);
    }
  }

  /** Switches a camera's depth-of-field blur, in the lens view and the render alike. */
  record SetDepthOfField(String camera, boolean on) implements RigCommand {
    public static final String KIND = "setDepthOfField";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      return s.with(Command.need(s, camera, Camera.class).withDepthOfField(on));
    }
  }

  /** Switches a camera's motion blur, in the lens view at rest and the render alike. */
  record SetMotionBlur(String camera, boolean on) implements RigCommand {
    public static final String KIND = "setMotionBlur";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      return s.with(Command.need(s, camera, Camera.class).withMotionBlur(on));
    }
  }

  /** Gives a camera a film back or fit of its own; null follows the sequence again. */
  record SetBack(String camera, @OrNull FilmBack filmBack, @OrNull Fit fit) implements RigCommand {
    public static final String KIND = "setBack";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      return s.with(Command.need(s, camera, Camera.class).withFilmBack(filmBack).withFit(fit));
    }
  }

  /** Lets focus follow subjects, or nothing (null). Cues that name no subject any more let go. */
  record SetFocus(String camera, @OrNull Focus focus) implements RigCommand {
    public static final String KIND = "setFocus";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      return s.with(Command.need(s, camera, Camera.class).withFocus(focus));
    }
  }

  /**
   * Sets focus distance and f-stop so that the sharp band has just these limits.
   *
   * @param farM beyond {@link ChannelSpec#FAR_M} means endless
   */
  record SetLimits(String camera, double frame, double nearM, double farM, boolean key)
      implements RigCommand {
    public static final String KIND = "setLimits";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      Camera c = unlocked(s, camera);
      double f = c.channel("focalLength").at(frame);
      double far = farM > ChannelSpec.FAR_M ? Double.POSITIVE_INFINITY : farM;
      if (!(nearM > f / 1000 && nearM < far))
        throw new Refusal(
            "range",
            camera,
            "focusDistance",
            "The near limit must be beyond the focal length and nearer than the far limit.");
      double[] solved = DepthOfField.forLimits(f, s.header().packageOf(c).circleMm(), nearM, far);
      if (solved[1] > Camera.F_STOP.most() || solved[1] < Camera.F_STOP.least())
        throw new Refusal(
            "range",
            camera,
            "fStop",
            "A "
                + NumberText.rounded(f, 1)
                + " mm lens cannot be sharp from "
                + NumberText.rounded(nearM, 2)
                + " m to "
                + (Double.isInfinite(far) ? "infinity" : NumberText.rounded(far, 2) + " m")
                + ": it would need f/"
                + NumberText.rounded(solved[1], 1)
                + ".");
      s = new ChannelCommand.SetValue(camera, "focusDistance", frame, solved[0], key).applyTo(s);
      return new ChannelCommand.SetValue(camera, "fStop", frame, solved[1], key).applyTo(s);
    }
  }

  private static Camera unlocked(Sequence s, String id) {
    Camera c = Command.need(s, id, Camera.class);
    if (c.locked())
      throw new Refusal(
          "locked",
          id,
          "",
          "Camera " + c.letter() + " is locked. Unlock it in the roster to move it.");
    return c;
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

  /** What holds cues under a part's id: an attention part, or the camera's focus. */
}
