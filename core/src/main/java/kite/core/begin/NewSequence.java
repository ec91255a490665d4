package kite.core.begin;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.EntityCommand.Add;
import kite.core.command.EntityCommand.Remove;
import kite.core.command.ShotCommand.InsertShot;
import kite.core.document.AcceptedNote;
import kite.core.document.ActionLine;
import kite.core.document.Air;
import kite.core.document.Beginning;
import kite.core.document.Camera;
import kite.core.document.CameraPackage;
import kite.core.document.Channels;
import kite.core.document.CutEntry;
import kite.core.document.Entity;
import kite.core.document.Header;
import kite.core.document.Layer;
import kite.core.document.Light;
import kite.core.document.Mark;
import kite.core.document.Marker;
import kite.core.document.Measure;
import kite.core.document.Own;
import kite.core.document.Path;
import kite.core.document.Piece;
import kite.core.document.Plate;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.document.Shot;
import kite.core.document.Sound;
import kite.core.document.SoundTrack;
import kite.core.document.StandInKind;
import kite.core.document.Standards;
import kite.core.math.ArcTrig;
import kite.core.math.AxisOrder;
import kite.core.math.Trig;
import kite.core.optics.DeliveryWindow;
import kite.core.rig.base.Base;
import kite.core.rig.head.Head;

/** Documents that a sequence begins with. */
public final class NewSequence {
  private static final int SECONDS = 10;

  /** Six feet. */
  private static final double FIGURE_M = 1.83;

  /** How much of the first camera's frame it fills, from top to bottom. */
  private static final double FIGURE_SHARE = 0.72;

  private static final double USUAL_LENS_MM = Camera.FOCAL_LENGTH.initial();

  private NewSequence() {}

  /** A header that follows standards: ten seconds, with what they say sequences begin with. */
  public static Header header(String code, String title, Standards standards) {
    Beginning b = standards.beginning();
    int first = b.firstFrame();
    int last = first + (int) Math.round(SECONDS * standards.rate().perSecond()) - 1;
    return new Header(
        code, title, first, last, b.displayUnit(), b.gridM(), 10, standards, Own.NOTHING);
  }

  /** Nothing at all. */
  public static Sequence empty(Header header) {
    return Edit.apply(new Sequence(header, Map.of()), List.of());
  }

  /**
   * Something to look at: ground, sun, a six-foot figure for scale, and camera A that sees it whole
   * and is in the cut from the first frame.
   */
  public static Sequence withFirstSet(Header header) {
    List<Command> all = new ArrayList<>();
    all.add(new Add(standIn("ground", "Ground", StandInKind.PLANE, 60, 0, 60, "#8f9b68")));
    all.add(
        new Add(
            new Light(
                "sun",
                "Sun",
                "#fff1dc",
                "#6f9fd0",
                "#dfe6ea",
                Channels.NONE.with("heading", -35).with("elevation", 42))));
    all.add(new Add(standIn("adult", "Adult", StandInKind.ADULT, 0.52, FIGURE_M, 0.32, "#5c8fbf")));
    double away = distanceThatFits(header), eyes = 1.6;
    Channels base = Channels.NONE.with("y", eyes).with("z", away);
    double tilt = -Trig.degrees(ArcTrig.atan2(eyes - FIGURE_M / 2, away));
    all.add(
        new Add(
            new Camera(
                "cameraA",
                "Camera A",
                "A",
                "#f0785a",
                false,
                false,
                Channels.NONE.with("focusDistance", away),
                List.of(
                    new Base("base", true, null, Base.Takes.POSITION, base),
                    new Head("head", true, Channels.NONE.with("tilt", tilt))))));
    int frames = header.lastFrame() - header.firstFrame() + 1;
    all.add(
        new InsertShot(
            Shot.of("shot1", header.code() + "_0010", "cameraA", header.firstFrame(), frames),
            null));
    return Edit.apply(new Sequence(header, Map.of()), all);
  }

  /** Metres from which the usual lens has the figure over its share of the frame's height. */
  private static double distanceThatFits(Header header) {
    CameraPackage p = header.cameraPackage();
    DeliveryWindow w = DeliveryWindow.of(USUAL_LENS_MM, p.filmBack(), p.aspect(), p.fit(), 0, 0);
    return Math.round(FIGURE_M / FIGURE_SHARE / w.height() * 10) / 10.0;
  }

  private static Piece standIn(
      String id, String name, StandInKind kind, double w, double h, double d, String colour) {
    return new Piece(
        id,
        name,
        null,
        new Shape.StandIn(kind, w, h, d),
        colour,
        true,
        false,
        AxisOrder.PAN_TILT_ROLL,
        Channels.NONE);
  }

  /**
   * What is taken over from another sequence.
   *
   * @param set pieces, marks, paths, lights, layers, measures and the air
   * @param cameras with their rigs, and the plates behind them
   * @param cut which camera is live when; needs the cameras
   */
  public record Taken(boolean set, boolean cameras, boolean cut) {}

  /**
   * Another sequence's things, frames, units and grid, under standards of its own. What is not
   * taken is let go by what used it: a camera without the set keeps its stack and looks at nothing.
   */
  public static Sequence from(
      Sequence other, String code, String title, Standards standards, Taken taken) {
    Header header = other.header().withCode(code).withTitle(title).withStandards(standards);
    List<String> left = new ArrayList<>();
    for (Entity e : other.entities().values()) if (!isTaken(e, taken)) left.add(e.id());
    if (!taken.set()) header = header.withSets(List.of());
    Sequence renamed = other.with(header);
    return left.isEmpty()
        ? renamed
        : Edit.apply(renamed, List.of(new Remove(List.copyOf(left), true)));
  }

  private static boolean isTaken(Entity e, Taken taken) {
    if (e instanceof Camera || e instanceof Plate) return taken.cameras();
    if (e instanceof Shot
        || e instanceof Marker
        || e instanceof SoundTrack
        || e instanceof Sound
        || e instanceof AcceptedNote
        || e instanceof CutEntry) return taken.cameras() && taken.cut();
    if (e instanceof Piece
        || e instanceof Mark
        || e instanceof Path
        || e instanceof Light
        || e instanceof Layer
        || e instanceof Measure
        || e instanceof ActionLine
        || e instanceof Air) return taken.set();
    throw new IllegalStateException("A kind of thing that nobody has decided on: " + e.getClass());
  }
}
