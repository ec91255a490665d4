package kite.core.rules;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.document.AcceptedNote;
import kite.core.document.ActionLine;
import kite.core.document.Air;
import kite.core.document.Camera;
import kite.core.document.ChannelSpec;
import kite.core.document.CutEntry;
import kite.core.document.Entity;
import kite.core.document.Finish;
import kite.core.document.Header;
import kite.core.document.Layer;
import kite.core.document.Light;
import kite.core.document.Marker;
import kite.core.document.Measure;
import kite.core.document.Path;
import kite.core.document.Piece;
import kite.core.document.PlacedSet;
import kite.core.document.Plate;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.document.Shot;
import kite.core.document.Sound;
import kite.core.document.SoundTrack;
import kite.core.math.Vec3;
import kite.core.number.NumberText;
import kite.core.path.PathPoint;

/** What must hold in every sequence. Each breach is one {@link Refusal} in the artist's words. */
public final class Rules {
  /** Points of a path nearer to each other than this, metres, are in one place. */
  private static final double SAME_PLACE_M = 1e-6;

  public static final int MOST_ENTITIES = 20000;
  public static final int MOST_FRAMES = 200000;
  public static final int MOST_KEYS = 200000;

  /** Eleven hours at 24 frames a second. */
  public static final int MOST_PROGRAMME_FRAMES = 1000000;

  public static final int LONGEST_NAME = 120;

  private static final int MOST_SETS = 200;

  /** In what lengths can be shown. */
  static final List<String> UNITS = List.of("m", "cm", "mm", "ft", "in", "ft+in");

  private Rules() {}

  /** Checks what a change touched; references and loops all through when it changed any. */
  public static void check(Sequence s, Change change) {
    if (s.entities().size() > MOST_ENTITIES)
      throw new Refusal("many", "", "", "A sequence holds at most " + MOST_ENTITIES + " items.");
    if (change.headerAfter() != null) check(s.header());
    for (Entity e : change.after().values()) check(s, e);
    // what was there refers to nothing that has only come now
    Collection<Entity> linked =
        change.before().isEmpty() ? change.after().values() : s.entities().values();
    if (change.relinks()) {
      References.check(s, linked);
      noLoops(s, linked);
    }
    if (isAboutTheProgramme(change)) theProgramme(s);
  }

  private static boolean isAboutTheProgramme(Change change) {
    for (Entity e : change.after().values())
      if (e instanceof Shot || e instanceof CutEntry) return true;
    return false;
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
    StandardsRules.check(h.standards());
    StandardsRules.check(h.rate());
    StandardsRules.check(h.cameraPackage());
    if (!positive(h.gridM()))
      throw new Refusal("range", "", "gridM", "The grid cell must be above 0.");
    if (h.gridLines() < 1 || h.gridLines() > 100)
      throw new Refusal("range", "", "gridLines", "A grid cell has 1 to 100 lines.");
    if (h.sets().size() > MOST_SETS)
      throw new Refusal(
          "many", "", "sets", "At most " + MOST_SETS + " sets stand in one sequence.");
    for (PlacedSet p : h.sets())
      if (p.id().isBlank()
          || p.id().length() > LONGEST_NAME
          || p.set().length() > LONGEST_NAME
          || p.name().length() > LONGEST_NAME
          || p.version() < 1)
        throw new Refusal("range", "", "sets", "A placed set needs a name and a version from 1.");
    if (!UNITS.contains(h.displayUnit()))
      throw new Refusal(
          "kind", "", "displayUnit", "Lengths are shown in m, cm, mm, ft, in or ft+in.");
  }

  static boolean positive(double v) {
    return v > 0 && v < 1e9;
  }

  private static void check(Sequence s, Entity e) {
    if (!Words.isId(e.id()))
      throw new Refusal("id", e.id(), "id", "An id is 1 to 64 letters, digits, - or _.");
    if (e.name().isBlank() || e.name().length() > LONGEST_NAME)
      throw new Refusal("name", e.id(), "name", "A name has 1 to " + LONGEST_NAME + " characters.");
    for (Map.Entry<String, ChannelSpec> c : e.channelSpecs().entrySet()) {
      checkChannel(e, c.getKey(), c.getValue(), e.channel(c.getKey()));
    }
    if (e instanceof Piece p) {
      checkShape(p);
      if (p.finish() != null) checkFinish(p, p.finish());
    }
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
    if (e instanceof Camera c) CameraRules.check(s, c);
    if (e instanceof Shot x) ShotRules.check(x);
    if (e instanceof Marker m) checkMarker(s, m);
    if (e instanceof SoundTrack t) SoundRules.check(t);
    if (e instanceof Sound x) SoundRules.check(x);
    if (e instanceof AcceptedNote n) ShotRules.check(n);
    if (e instanceof ActionLine l) checkLine(s, l);
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

  private static void checkFinish(Piece p, Finish f) {
    if (!(f.roughness() >= 0 && f.roughness() <= 1 && f.metal() >= 0 && f.metal() <= 1))
      throw new Refusal(
          "range", p.id(), "finish", "Roughness and metal of “" + p.name() + "” are 0 to 1.");
    if (!(f.glow() >= 0 && f.glow() <= Finish.MOST_GLOW))
      throw new Refusal(
          "range",
          p.id(),
          "finish",
          "“"
              + p.name()
              + "” glows 0 to "
              + NumberText.plain(Finish.MOST_GLOW)
              + " times its colour.");
    if (f.picture() != null && !Words.isAsset(f.picture()))
      throw new Refusal(
          "asset",
          p.id(),
          "finish",
          "The picture of “" + p.name() + "” is no image of this studio.");
  }

  static void checkColour(String id, String colour) {
    if (!Words.isColour(colour))
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
      CameraRules.checkCues(l.id(), "“" + l.name() + "”", l.attention().id(), l.attention());
  }

  private static void checkMarker(Sequence s, Marker m) {
    checkColour(m.id(), m.colour());
    if (Math.abs((long) m.frame()) > MOST_PROGRAMME_FRAMES)
      throw new Refusal("range", m.id(), "frame", "A marker stands on a frame of the programme.");
    for (Marker other : s.all(Marker.class))
      if (other.frame() == m.frame() && !other.id().equals(m.id()))
        throw new Refusal(
            "taken",
            m.id(),
            "frame",
            "The marker “"
                + other.name()
                + "” stands on frame "
                + m.frame()
                + ". Put this one beside it, or write on that one.");
  }

  private static void checkLine(Sequence s, ActionLine l) {
    if (l.first().equals(l.second()))
      throw new Refusal(
          "range", l.id(), "second", "The line of action runs from one subject to another.");
    if (s.all(ActionLine.class).size() > 1)
      throw new Refusal(
          "twice", l.id(), "", "A sequence has one line of action. Change the one there is.");
  }

  private static void checkPlate(Plate p) {
    if (p.frames().isEmpty() || p.frames().size() > 20000)
      throw new Refusal("many", p.id(), "frames", "A plate has 1 to 20000 images.");
    for (String f : p.frames())
      if (!Words.isAsset(f))
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
        && !(Words.isAsset(m.asset())
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
      if (last != null && last.distance(q.at()) < SAME_PLACE_M)
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

  /** Its length; and entries of an earlier build's cut beside shots would be seen by nobody. */
  private static void theProgramme(Sequence s) {
    List<CutEntry> entries = s.all(CutEntry.class);
    List<Shot> shots = s.all(Shot.class);
    long frames = 0;
    for (Shot x : shots) frames += x.take().frames();
    if (frames > MOST_PROGRAMME_FRAMES)
      throw new Refusal(
          "many", "", "", "A programme lasts at most " + MOST_PROGRAMME_FRAMES + " frames.");
    if (!entries.isEmpty() && !shots.isEmpty())
      throw new Refusal(
          "kind",
          entries.get(0).id(),
          "",
          "“"
              + entries.get(0).name()
              + "” is a cut as earlier builds kept it, and this sequence has shots. Insert a shot"
              + " instead.");
  }

  /** Things that lean on each other in a row: deeper ones would be more than a stack holds. */
  public static final int MOST_DEEP = 500;

  /** Marks what is being looked at; what was has the length of the row below it. */
  private static final int UNDERWAY = 0;

  /**
   * Refuses a sequence in which something depends on itself, spelling out the loop, or in which
   * things are nested, or lean on each other otherwise, more than {@link #MOST_DEEP} deep.
   */
  public static void noLoops(Sequence s) {
    noLoops(s, s.entities().values());
  }

  /** The same of what some entities lean on alone. */
  private static void noLoops(Sequence s, Collection<Entity> some) {
    Map<String, Integer> depths = new HashMap<>();
    for (Entity e : some) visit(s, e, depths, new ArrayList<>());
  }

  private static int visit(Sequence s, Entity e, Map<String, Integer> depths, List<Entity> trail) {
    Integer seen = depths.get(e.id());
    if (seen != null && seen != UNDERWAY) return seen;
    if (seen != null) {
      List<String> loop = new ArrayList<>();
      for (Entity t : trail.subList(trail.indexOf(e), trail.size())) loop.add(t.name());
      loop.add(e.name());
      throw new Refusal(
          "loop", e.id(), "", "That would make a loop: " + String.join(" → ", loop) + ".");
    }
    depths.put(e.id(), UNDERWAY);
    trail.add(e);
    int below = 0;
    for (String id : References.ids(e)) {
      Entity target = s.get(id);
      if (target == null) continue;
      if (trail.size() > MOST_DEEP) throw tooDeep(e);
      below = Math.max(below, visit(s, target, depths, trail));
    }
    trail.remove(trail.size() - 1);
    if (below >= MOST_DEEP) throw tooDeep(e);
    depths.put(e.id(), below + 1);
    return below + 1;
  }

  private static Refusal tooDeep(Entity e) {
    return new Refusal(
        "deep",
        e.id(),
        "parent",
        "“"
            + e.name()
            + "” would be more than "
            + MOST_DEEP
            + " deep in what it is nested in or leans on. Take it out of some of that.");
  }
}
