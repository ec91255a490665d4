package kite.core.command;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import kite.core.cue.Cue;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.document.Camera;
import kite.core.document.ChannelSpec;
import kite.core.document.CutEntry;
import kite.core.document.Entity;
import kite.core.document.Header;
import kite.core.document.Path;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.math.Vec3;
import kite.core.number.NumberText;
import kite.core.path.PathPoint;
import kite.core.rig.Attention;
import kite.core.rig.RigPart;
import kite.core.rig.Subject;

/** What must hold in every sequence. Each breach is one {@link Refusal} in the artist's words. */
public final class Rules {
  public static final int MOST_ENTITIES = 20000;
  public static final int MOST_FRAMES = 200000;
  public static final int MOST_KEYS = 200000;
  private static final int LONGEST_NAME = 120;

  private Rules() {}

  /** Checks all references and loops, and everything else of what a change touched. */
  public static void check(Sequence s, Change change) {
    if (s.entities().size() > MOST_ENTITIES)
      throw new Refusal("many", "", "", "A sequence holds at most " + MOST_ENTITIES + " items.");
    if (change.headerAfter() != null) check(s.header());
    for (Entity e : change.after().values()) check(s, e);
    References.check(s);
    noLoops(s);
    distinctCuts(s);
  }

  private static void check(Header h) {
    if (h.lastFrame() < h.firstFrame())
      throw new Refusal(
          "range",
          "",
          "lastFrame",
          "The last frame ("
              + h.lastFrame()
              + ") comes before the first ("
              + h.firstFrame()
              + ").");
    if ((long) h.lastFrame() - h.firstFrame() >= MOST_FRAMES)
      throw new Refusal(
          "range", "", "lastFrame", "A sequence holds at most " + MOST_FRAMES + " frames.");
    if (h.rate().numerator() <= 0 || h.rate().denominator() <= 0 || h.rate().perSecond() > 1000)
      throw new Refusal(
          "range", "", "rate", "The frame rate must be above 0 and at most 1000 frames a second.");
    var p = h.cameraPackage();
    boolean film =
        positive(p.filmBack().widthMm())
            && positive(p.filmBack().heightMm())
            && positive(p.filmBack().squeeze());
    if (!film)
      throw new Refusal(
          "range", "", "filmBack", "Film back width, height and squeeze must be above 0.");
    if (p.deliveryWidth() < 16
        || p.deliveryHeight() < 16
        || p.deliveryWidth() > 16384
        || p.deliveryHeight() > 16384)
      throw new Refusal(
          "range", "", "delivery", "The delivery size must be 16 to 16384 pixels each way.");
    if (!(p.circleOfConfusionMm() >= 0))
      throw new Refusal(
          "range", "", "circleOfConfusionMm", "The circle of confusion cannot be negative.");
    if (!positive(h.gridM()))
      throw new Refusal("range", "", "gridM", "The grid cell must be above 0.");
    if (!List.of("m", "cm", "mm", "ft", "in").contains(h.displayUnit()))
      throw new Refusal("kind", "", "displayUnit", "Lengths are shown in m, cm, mm, ft or in.");
  }

  private static boolean positive(double v) {
    return v > 0 && v < 1e9;
  }

  private static void check(Sequence s, Entity e) {
    if (!e.id().matches("[A-Za-z0-9_-]{1,64}"))
      throw new Refusal("id", e.id(), "id", "An id is 1 to 64 letters, digits, - or _.");
    if (e.name().isBlank() || e.name().length() > LONGEST_NAME)
      throw new Refusal("name", e.id(), "name", "A name has 1 to " + LONGEST_NAME + " characters.");
    for (Map.Entry<String, ChannelSpec> c : e.channelSpecs().entrySet()) {
      checkChannel(e, c.getKey(), c.getValue(), e.channel(c.getKey()));
    }
    if (e instanceof Piece p) checkShape(p);
    if (e instanceof Path p) checkPath(p);
    if (e instanceof Camera c) checkCamera(c);
    if (e instanceof CutEntry c
        && (c.firstFrame() < s.header().firstFrame() || c.firstFrame() > s.header().lastFrame()))
      throw new Refusal(
          "range",
          c.id(),
          "firstFrame",
          "A cut must stand inside the sequence, frames "
              + s.header().firstFrame()
              + " to "
              + s.header().lastFrame()
              + ".");
  }

  private static void checkChannel(Entity e, String address, ChannelSpec spec, Channel channel) {
    if (channel instanceof Channel.Fixed f) {
      checkNumber(e, address, spec, f.value());
    } else if (channel instanceof Channel.Curve c) {
      if (c.keys().size() > MOST_KEYS)
        throw new Refusal(
            "many",
            e.id(),
            address,
            spec.label() + " of “" + e.name() + "” has more than " + MOST_KEYS + " keys.");
      for (Key k : c.keys()) checkNumber(e, address, spec, k.value());
    }
  }

  private static void checkNumber(Entity e, String address, ChannelSpec spec, double v) {
    if (v >= spec.least() && v <= spec.most()) return;
    String unit = NumberText.suffix(spec.unit());
    String text =
        Double.isFinite(v)
            ? spec.label()
                + " of “"
                + e.name()
                + "” must be "
                + NumberText.plain(spec.least())
                + " to "
                + NumberText.plain(spec.most())
                + unit
                + "; "
                + NumberText.plain(v)
                + unit
                + " is not."
            : spec.label() + " of “" + e.name() + "” must be a number.";
    throw new Refusal("range", e.id(), address, text);
  }

  private static void checkShape(Piece p) {
    if (!p.colour().matches("#[0-9a-f]{6}"))
      throw new Refusal(
          "colour", p.id(), "colour", "A colour is written #rrggbb in lower-case hexadecimal.");
    if (p.shape() instanceof Shape.StandIn s
        && !(positive(s.width()) && positive(s.depth()) && s.height() >= 0 && s.height() < 1e6))
      throw new Refusal(
          "range", p.id(), "shape", "Width and depth of “" + p.name() + "” must be above 0.");
    if (p.shape() instanceof Shape.Model m
        && !(m.asset().matches("[0-9a-f]{64}")
            && positive(m.unitM())
            && Double.isFinite(m.clipStart())
            && Double.isFinite(m.clipSpeed())))
      throw new Refusal(
          "range",
          p.id(),
          "shape",
          "The model of “"
              + p.name()
              + "” is not described fully: asset, unit and clip times are needed.");
  }

  private static void checkPath(Path p) {
    if (p.points().isEmpty() || p.points().size() > 10000)
      throw new Refusal(
          "path",
          p.id(),
          "points",
          "A path needs 1 to 10000 points; “" + p.name() + "” has " + p.points().size() + ".");
    Vec3 last = null;
    for (PathPoint q : p.points()) {
      double sum = q.at().length() + q.in().length() + q.out().length();
      if (!(sum < 3 * ChannelSpec.FAR_M))
        throw new Refusal(
            "range",
            p.id(),
            "points",
            "A point of “"
                + p.name()
                + "” is not at a finite place within "
                + NumberText.plain(ChannelSpec.FAR_M)
                + " m.");
      if (last != null && last.distance(q.at()) < 1e-6)
        throw new Refusal(
            "path",
            p.id(),
            "points",
            "Two points of “"
                + p.name()
                + "” that follow each other are at one place. Move or remove one.");
      last = q.at();
    }
  }

  private static void checkCamera(Camera c) {
    Set<String> ids = new HashSet<>();
    for (RigPart p : c.rig()) {
      if (!p.id().matches("[A-Za-z0-9_-]{1,64}") || !ids.add(p.id()))
        throw new Refusal(
            "id",
            c.id(),
            p.id(),
            "Each rig part of camera " + c.letter() + " needs an id of its own.");
      if (p instanceof Attention a) checkAttention(c, a);
    }
    if (!c.colour().matches("#[0-9a-f]{6}") || !c.letter().matches("[A-Z]{1,2}"))
      throw new Refusal(
          "name", c.id(), "letter", "A camera has a letter A to ZZ and a colour #rrggbb.");
    ordered(
        c,
        Camera.NEAR_CLIP,
        Camera.FAR_CLIP,
        1,
        "Near clip of camera " + c.letter() + " must be nearer than its far clip.");
    ordered(
        c,
        Camera.FOCAL_LENGTH,
        Camera.FOCUS,
        0.001,
        "Focus distance of camera " + c.letter() + " must be more than its focal length.");
  }

  /** Compares two channels at every key of either: the only frames where smooth curves turn. */
  private static void ordered(
      Camera c, ChannelSpec low, ChannelSpec high, double scale, String text) {
    Channel a = c.channel(low.name()), b = c.channel(high.name());
    List<Double> frames = new ArrayList<>(List.of(0.0));
    for (Channel x : List.of(a, b))
      if (x instanceof Channel.Curve k) for (Key key : k.keys()) frames.add(key.frame());
    for (double f : frames) {
      if (a.at(f) * scale >= b.at(f)) throw new Refusal("order", c.id(), high.name(), text);
    }
  }

  private static void checkAttention(Camera c, Attention a) {
    Set<String> subjects = new HashSet<>();
    for (Subject s : a.subjects()) {
      if (!subjects.add(s.entity()))
        throw new Refusal(
            "twice",
            c.id(),
            a.id(),
            "Attention of camera " + c.letter() + " names a subject twice.");
      if (s.entity().equals(c.id()))
        throw new Refusal(
            "loop", c.id(), a.id(), "Camera " + c.letter() + " cannot attend to itself.");
      if (!(s.offset().length() < ChannelSpec.FAR_M))
        throw new Refusal("range", c.id(), a.id(), "A subject's offset must be a finite length.");
    }
    double last = Double.NEGATIVE_INFINITY;
    for (Cue cue : a.cues()) {
      if (!Double.isFinite(cue.frame()) || !(cue.travel() >= 0 && cue.travel() < 1e7))
        throw new Refusal(
            "range", c.id(), a.id(), "A cue stands on a frame and travels 0 frames or more.");
      if (cue.frame() <= last)
        throw new Refusal(
            "order",
            c.id(),
            a.id(),
            "Two cues stand on frame " + NumberText.plain(cue.frame()) + ".");
      last = cue.frame();
      double sum = 0;
      for (Map.Entry<String, Double> share : cue.mix().entrySet()) {
        if (!subjects.contains(share.getKey()))
          throw new Refusal(
              "missing",
              c.id(),
              a.id(),
              "A cue of camera "
                  + c.letter()
                  + " gives a share to something that is not among its subjects.");
        if (!(share.getValue() >= 0 && share.getValue() <= 1))
          throw new Refusal("range", c.id(), a.id(), "A share is 0 to 1.");
        sum += share.getValue();
      }
      if (sum > 1 + 1e-9)
        throw new Refusal("range", c.id(), a.id(), "The shares of a cue add up to more than 1.");
    }
  }

  private static void distinctCuts(Sequence s) {
    Map<Integer, CutEntry> at = new HashMap<>();
    for (CutEntry c : s.all(CutEntry.class)) {
      CutEntry other = at.put(c.firstFrame(), c);
      if (other != null)
        throw new Refusal(
            "taken",
            c.id(),
            "firstFrame",
            "“" + other.name() + "” already begins on frame " + c.firstFrame() + ".");
    }
  }

  /** Refuses a sequence in which something depends on itself, spelling out the loop. */
  public static void noLoops(Sequence s) {
    Map<String, Integer> state = new HashMap<>();
    for (Entity e : s.entities().values()) visit(s, e, state, new ArrayList<>());
  }

  private static void visit(Sequence s, Entity e, Map<String, Integer> state, List<String> trail) {
    Integer seen = state.get(e.id());
    if (seen != null && seen == 2) return;
    if (seen != null) {
      List<String> loop = new ArrayList<>(trail.subList(trail.indexOf(e.name()), trail.size()));
      loop.add(e.name());
      throw new Refusal(
          "loop", e.id(), "", "That would make a loop: " + String.join(" → ", loop) + ".");
    }
    state.put(e.id(), 1);
    trail.add(e.name());
    for (String id : References.of(e).keySet()) {
      Entity target = s.get(id);
      if (target != null) visit(s, target, state, trail);
    }
    trail.remove(trail.size() - 1);
    state.put(e.id(), 2);
  }
}
