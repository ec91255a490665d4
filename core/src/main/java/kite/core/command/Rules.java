package kite.core.command;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import kite.core.cue.Cue;
import kite.core.cue.Cued;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.document.Air;
import kite.core.document.Camera;
import kite.core.document.CameraPackage;
import kite.core.document.ChannelSpec;
import kite.core.document.CutEntry;
import kite.core.document.Entity;
import kite.core.document.Focus;
import kite.core.document.Guide;
import kite.core.document.Header;
import kite.core.document.Layer;
import kite.core.document.Light;
import kite.core.document.Measure;
import kite.core.document.Path;
import kite.core.document.Piece;
import kite.core.document.Plate;
import kite.core.document.Rate;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.document.Standards;
import kite.core.math.Vec3;
import kite.core.number.NumberText;
import kite.core.optics.FilmBack;
import kite.core.optics.Lens;
import kite.core.optics.LensKit;
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
    check(h.standards());
    check(h.rate());
    check(h.cameraPackage());
    if (!positive(h.gridM()))
      throw new Refusal("range", "", "gridM", "The grid cell must be above 0.");
    if (h.gridLines() < 1 || h.gridLines() > 100)
      throw new Refusal("range", "", "gridLines", "A grid cell has 1 to 100 lines.");
    if (!List.of("m", "cm", "mm", "ft", "in", "ft+in").contains(h.displayUnit()))
      throw new Refusal(
          "kind", "", "displayUnit", "Lengths are shown in m, cm, mm, ft, in or ft+in.");
  }

  /** Checks what a production has agreed on. */
  public static void check(Standards s) {
    check(s.rate());
    check(s.cameraPackage());
    if (!(s.nearClipM() >= Camera.NEAR_CLIP.least()
        && s.farClipM() <= ChannelSpec.FAR_M
        && s.nearClipM() < s.farClipM()))
      throw new Refusal(
          "range", "", "nearClipM", "The usual near clip must be above 0 and nearer than the far.");
    if (s.kits().size() > 50)
      throw new Refusal("many", "", "kits", "At most 50 lens kits are kept.");
    for (LensKit k : s.kits()) check(k);
    if (s.naming().shots().length() > LONGEST_NAME)
      throw new Refusal("name", "", "naming", "The pattern of shot codes is too long.");
  }

  private static void check(LensKit k) {
    if (k.name().isBlank() || k.name().length() > LONGEST_NAME || k.lenses().size() > 200)
      throw new Refusal("name", "", "kits", "A lens kit has a name and at most 200 lenses.");
    if (!positive(k.squeeze()))
      throw new Refusal("range", "", "kits", "The squeeze of “" + k.name() + "” must be above 0.");
    for (Lens l : k.lenses()) {
      boolean fits =
          l.shortestMm() >= Camera.FOCAL_LENGTH.least()
              && l.longestMm() >= l.shortestMm()
              && l.longestMm() <= Camera.FOCAL_LENGTH.most()
              && l.widestStop() >= Camera.F_STOP.least()
              && l.widestStop() <= Camera.F_STOP.most()
              && l.closestFocusM() * 1000 > l.shortestMm();
      if (!fits)
        throw new Refusal(
            "range",
            "",
            "kits",
            "A lens of “"
                + k.name()
                + "” cannot be: focal lengths rise from 1 mm, the stop is f/0.5 to f/128, and it"
                + " focuses farther away than it is long.");
    }
  }

  private static void check(Rate r) {
    if (r.numerator() <= 0 || r.denominator() <= 0 || r.perSecond() > 1000)
      throw new Refusal(
          "range", "", "rate", "The frame rate must be above 0 and at most 1000 frames a second.");
  }

  private static void check(CameraPackage p) {
    check(p.filmBack(), "");
    if (p.deliveryWidth() < 16
        || p.deliveryHeight() < 16
        || p.deliveryWidth() > 16384
        || p.deliveryHeight() > 16384)
      throw new Refusal(
          "range", "", "delivery", "The delivery size must be 16 to 16384 pixels each way.");
    if (!(p.circleOfConfusionMm() >= 0 && p.circleOfConfusionMm() < 10))
      throw new Refusal(
          "range",
          "",
          "circleOfConfusionMm",
          "The circle of confusion is 0 (for the usual one) to 10 mm.");
  }

  private static void check(FilmBack b, String entity) {
    if (!(positive(b.widthMm()) && positive(b.heightMm()) && positive(b.squeeze())))
      throw new Refusal(
          "range", entity, "filmBack", "Film back width, height and squeeze must be above 0.");
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
    if (e instanceof Light l) checkLight(l);
    if (e instanceof Layer l) checkColour(l.id(), l.colour());
    if (e instanceof Air a) {
      checkColour(a.id(), a.colour());
      if (a.background() != null) checkColour(a.id(), a.background());
      if (s.all(Air.class).size() > 1)
        throw new Refusal(
            "twice", a.id(), "", "A sequence has one air. Change the one there is instead.");
    }
    if (e instanceof Measure m && !(m.from().length() + m.to().length() < 3 * ChannelSpec.FAR_M))
      throw new Refusal("range", m.id(), "to", "A measurement runs between finite places.");
    if (e instanceof Plate p) checkPlate(p);
    if (e instanceof Path p) checkPath(p);
    if (e instanceof Camera c) checkCamera(s, c);
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

  private static void checkColour(String id, String colour) {
    if (!colour.matches("#[0-9a-f]{6}"))
      throw new Refusal(
          "colour", id, "colour", "A colour is written #rrggbb in lower-case hexadecimal.");
  }

  private static void checkLight(Light l) {
    for (String c : List.of(l.colour(), l.shadowTint(), l.sky(), l.horizon()))
      checkColour(l.id(), c);
    if (!(l.kelvin() == 0 || l.kelvin() >= 1000 && l.kelvin() <= 40000))
      throw new Refusal(
          "range", l.id(), "kelvin", "A colour temperature is 1000 to 40000 K, or 0 for a swatch.");
    if (l.form() == Light.Form.SUN && l.parent() != null)
      throw new Refusal("kind", l.id(), "parent", "The sun is not carried by anything.");
    if (l.attention() != null && l.form() != Light.Form.SPOT)
      throw new Refusal("kind", l.id(), "attention", "Only a spot can be kept aimed.");
    if (l.attention() != null)
      checkCues(l.id(), "“" + l.name() + "”", l.attention().id(), l.attention());
  }

  private static void checkPlate(Plate p) {
    if (p.frames().isEmpty() || p.frames().size() > 20000)
      throw new Refusal("many", p.id(), "frames", "A plate has 1 to 20000 images.");
    for (String f : p.frames())
      if (!f.matches("[0-9a-f]{64}"))
        throw new Refusal("id", p.id(), "frames", "A plate's image is named by its SHA-256.");
  }

  private static void checkStance(Piece p, Shape.Stance s) {
    for (double d : new double[] {s.headTurn(), s.headTilt(), s.leftArm(), s.rightArm(), s.lean()})
      if (!(Math.abs(d) <= 360))
        throw new Refusal(
            "range",
            p.id(),
            "stance",
            "The stance of “" + p.name() + "” is given in degrees up to 360.");
  }

  private static void checkShape(Piece p) {
    checkColour(p.id(), p.colour());
    if (p.shape() instanceof Shape.StandIn s
        && !(positive(s.width()) && positive(s.depth()) && s.height() >= 0 && s.height() < 1e6))
      throw new Refusal(
          "range", p.id(), "shape", "Width and depth of “" + p.name() + "” must be above 0.");
    if (p.shape() instanceof Shape.StandIn s && s.stance() != null) checkStance(p, s.stance());
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

  private static void checkCamera(Sequence s, Camera c) {
    Set<String> ids = new HashSet<>();
    for (RigPart p : c.rig()) {
      if (!p.id().matches("[A-Za-z0-9_-]{1,64}") || !ids.add(p.id()))
        throw new Refusal(
            "id",
            c.id(),
            p.id(),
            "Each rig part of camera " + c.letter() + " needs an id of its own.");
      if (p instanceof Attention a) {
        for (Subject x : a.subjects()) notItself(c, a.id(), x);
        checkCues(c.id(), "camera " + c.letter(), a.id(), a);
      }
    }
    if (c.focus() != null) {
      for (Subject x : c.focus().subjects()) notItself(c, Focus.ID, x);
      checkCues(c.id(), "camera " + c.letter(), Focus.ID, c.focus());
    }
    if (c.filmBack() != null) check(c.filmBack(), c.id());
    if (!(c.iconSize() >= 0.05 && c.iconSize() <= 20))
      throw new Refusal("range", c.id(), "iconSize", "An icon is drawn 0.05 to 20 times its size.");
    if (!(c.surround() >= 0 && c.surround() <= 1))
      throw new Refusal("range", c.id(), "surround", "The surround's darkness is 0 to 1.");
    if (c.guides().size() > 30)
      throw new Refusal("many", c.id(), "guides", "A camera has at most 30 guides.");
    for (Guide g : c.guides()) checkGuide(c, g);
    if (!c.colour().matches("#[0-9a-f]{6}") || !c.letter().matches("[A-Z]{1,2}"))
      throw new Refusal(
          "name", c.id(), "letter", "A camera has a letter A to ZZ and a colour #rrggbb.");
    ordered(
        s,
        c,
        Camera.NEAR_CLIP,
        Camera.FAR_CLIP,
        1,
        "Near clip of camera " + c.letter() + " must be nearer than its far clip.");
    ordered(
        s,
        c,
        Camera.FOCAL_LENGTH,
        Camera.FOCUS,
        0.001,
        "Focus distance of camera " + c.letter() + " must be more than its focal length.");
  }

  /** Compares two channels at every key of either: the only frames where smooth curves turn. */
  private static void ordered(
      Sequence s, Camera c, ChannelSpec low, ChannelSpec high, double scale, String text) {
    Channel a = s.header().channel(c, low), b = s.header().channel(c, high);
    List<Double> frames = new ArrayList<>(List.of(0.0));
    for (Channel x : List.of(a, b))
      if (x instanceof Channel.Curve k) for (Key key : k.keys()) frames.add(key.frame());
    for (double f : frames) {
      if (a.at(f) * scale >= b.at(f)) throw new Refusal("order", c.id(), high.name(), text);
    }
  }

  private static void checkGuide(Camera c, Guide g) {
    checkColour(c.id(), g.colour());
    boolean counts =
        g.form() == Guide.Rule.GRID || g.form() == Guide.Rule.ASPECT
            ? g.across() > 0 && g.down() > 0 && g.across() <= 100 && g.down() <= 100
            : g.across() >= 0 && g.across() <= 1 && g.down() >= 0 && g.down() <= 1;
    if (!(counts && g.turn() >= 0 && g.turn() <= 3 && g.strength() >= 0 && g.strength() <= 1))
      throw new Refusal(
          "range",
          c.id(),
          "guides",
          "A guide of camera "
              + c.letter()
              + " cannot be: columns, rows and ratios are 0 to 100, safe areas and strength 0 to 1.");
  }

  private static void notItself(Camera c, String part, Subject s) {
    if (s.entity().equals(c.id()))
      throw new Refusal(
          "loop",
          c.id(),
          part,
          "Camera "
              + c.letter()
              + (part.equals(Focus.ID) ? " cannot focus on itself." : " cannot attend to itself."));
  }

  private static void checkCues(String owner, String name, String part, Cued a) {
    Set<String> subjects = new HashSet<>();
    for (Subject s : a.subjects()) {
      if (!subjects.add(s.entity()))
        throw new Refusal(
            "twice",
            owner,
            part,
            (part.equals(Focus.ID) ? "Focus of " : "Attention of ")
                + name
                + " names a subject twice.");
      if (!(s.offset().length() < ChannelSpec.FAR_M))
        throw new Refusal("range", owner, part, "A subject's offset must be a finite length.");
    }
    double last = Double.NEGATIVE_INFINITY;
    for (Cue cue : a.cues()) {
      if (!Double.isFinite(cue.frame()) || !(cue.travel() >= 0 && cue.travel() < 1e7))
        throw new Refusal(
            "range", owner, part, "A cue stands on a frame and travels 0 frames or more.");
      if (cue.frame() <= last)
        throw new Refusal(
            "order", owner, part, "Two cues stand on frame " + NumberText.plain(cue.frame()) + ".");
      last = cue.frame();
      double sum = 0;
      for (Map.Entry<String, Double> share : cue.mix().entrySet()) {
        if (!subjects.contains(share.getKey()))
          throw new Refusal(
              "missing",
              owner,
              part,
              "A cue of " + name + " gives a share to something that is not among its subjects.");
        if (!(share.getValue() >= 0 && share.getValue() <= 1))
          throw new Refusal("range", owner, part, "A share is 0 to 1.");
        sum += share.getValue();
      }
      if (sum > 1 + 1e-9)
        throw new Refusal("range", owner, part, "The shares of a cue add up to more than 1.");
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
