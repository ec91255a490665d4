package kite.core.report;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import kite.core.document.Camera;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.rules.Reference;
import kite.core.rules.References;
import kite.core.rules.Use;

/**
 * What a shot list says of a shot beside its place.
 *
 * @param lens at its first frame, and {@code lastLens} at its last
 * @param move as a crew would say it ({@link MoveInWords})
 * @param subjects in frame, those that fill most of it for longest first
 * @param size in words ({@link ShotSize}), of the first of them that is a figure or that the camera
 *     looks at, or else the first; empty where there is none
 */
public record ShotFacts(
    LensThere lens,
    LensThere lastLens,
    List<String> move,
    List<SubjectSeen> subjects,
    String size) {
  public ShotFacts {
    move = List.copyOf(move);
    subjects = List.copyOf(subjects);
  }

  /** Focal length in mm, f-stop, and focus distance along the axis in metres. */
  public record LensThere(double focalMm, double fStop, double focusM) {}

  /**
   * A subject that is in frame.
   *
   * @param share of the shot's frames on which it is, 0 to 1
   */
  public record SubjectSeen(String id, String name, double share) {}

  /** How much of a figure the frame's height holds; named from the nearest. */
  enum ShotSize {
    /** Less than a head. */
    EXTREME_CLOSE("Extreme close-up", 0.12),
    /** Head and shoulders. */
    CLOSE("Close-up", 0.35),
    /** Down to the waist or the knees. */
    MEDIUM("Medium", 0.8),
    /** All of it, and little else. */
    FULL("Full", 1.6),
    /** It in its place. */
    WIDE("Wide", 5),
    /** The place, with it somewhere. */
    VERY_WIDE("Very wide", Double.POSITIVE_INFINITY);

    /** The most of a figure's height, or of its heights, that the frame holds. */
    private final double most;

    /** What it is called. */
    final String words;

    ShotSize(String words, double most) {
      this.words = words;
      this.most = most;
    }

    /**
     * @param height what a figure fills of the frame's height; above 1 when it is cut
     */
    static ShotSize of(double height) {
      for (ShotSize s : values()) if (1 / height <= s.most) return s;
      throw new IllegalArgumentException("no size for " + height);
    }
  }

  /** Frames looked at for who is in the picture. */
  private static final int MOST_LOOKS = 25;

  /**
   * @param plan any plan of the sequence; it is left at one of the frames
   * @param last included
   */
  public static ShotFacts of(Sequence s, Plan plan, Camera camera, int first, int last) {
    int looks = Math.min(MOST_LOOKS, last - first + 1);
    double step = looks == 1 ? 1 : (double) (last - first) / (looks - 1);
    List<FrameReport.Row> rows =
        new ArrayList<>(FrameReport.of(s, plan, camera, first, step, looks));
    rows.sort(Comparator.comparingDouble(ShotFacts::weight).reversed());
    List<SubjectSeen> subjects = new ArrayList<>();
    for (FrameReport.Row r : rows)
      subjects.add(new SubjectSeen(r.id(), r.name(), (double) frames(r) / looks));
    return new ShotFacts(
        lens(plan, camera, first),
        lens(plan, camera, last),
        MoveInWords.of(s, plan, camera, first, last),
        subjects,
        size(s, camera, rows));
  }

  private static LensThere lens(Plan plan, Camera camera, int frame) {
    plan.evaluateOnly(camera.id(), frame);
    int o = plan.slot(camera.id()) * LensRow.SIZE;
    double[] l = plan.lens();
    return new LensThere(l[o + LensRow.FOCAL], l[o + LensRow.F_STOP], l[o + LensRow.FOCUS]);
  }

  private static int frames(FrameReport.Row r) {
    int n = 0;
    for (int seen : r.seen()) if (seen != 0) n++;
    return n;
  }

  /** How much of the frame something fills, summed over the frames. */
  private static double weight(FrameReport.Row r) {
    double sum = 0;
    for (double h : r.height()) sum += Math.min(1, h);
    return sum;
  }

  private static String size(Sequence s, Camera camera, List<FrameReport.Row> rows) {
    if (rows.isEmpty()) return "";
    FrameReport.Row of = rows.get(0);
    for (FrameReport.Row r : rows)
      if (isWhoItIsAbout(s, camera, r.id())) {
        of = r;
        break;
      }
    double sum = 0;
    for (double h : of.height()) sum += h;
    return ShotSize.of(sum / frames(of)).words;
  }

  /** A figure, or what the camera looks at or focuses on. */
  static boolean isWhoItIsAbout(Sequence s, Camera camera, String id) {
    if (Plan.shapeOf(s, (Piece) s.get(id)) instanceof Shape.StandIn f && f.form().isFigure())
      return true;
    for (Reference r : References.of(camera))
      if (r.to().equals(id) && (r.use() == Use.ATTENDS || r.use() == Use.FOCUSES)) return true;
    return false;
  }
}
