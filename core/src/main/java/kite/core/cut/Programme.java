package kite.core.cut;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import kite.core.curve.CompiledCurve;
import kite.core.document.OrNull;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.document.Speed;
import kite.core.document.Take;

/**
 * The film as it is cut: which shot, and which frame of the scene, on a frame of the programme. The
 * programme's first frame has the number of the sequence's first.
 */
public final class Programme {
  /** The frame of the scene is looked for to this part of a frame. */
  private static final double NEAR = 1e-9;

  /**
   * A shot in its place, by its chosen take.
   *
   * @param shot its code
   * @param camera null for a gap
   * @param last the last frame of the programme it shows, included
   * @param sceneFirst the frame of the scene on its first frame
   * @param sceneLast the frame of the scene on its last frame
   * @param board the picture that is seen instead of what the camera sees; null for none
   */
  public record Placed(
      String id,
      String shot,
      String take,
      @OrNull String camera,
      int first,
      int last,
      double sceneFirst,
      double sceneLast,
      @OrNull String board) {
    public int frames() {
      return last - first + 1;
    }

    /** What its take is called among those of all shots. */
    public String inTake() {
      return Take.inShot(id, take);
    }
  }

  /** Where a frame of the scene is seen in the programme. */
  public record Seen(String id, double frame) {}

  private final int first;
  private final List<Shot> shots;
  private final List<Placed> placed = new ArrayList<>();
  private final List<CompiledCurve> curves = new ArrayList<>(); // null where the speed is steady

  private Programme(int first, List<Shot> shots) {
    this.first = first;
    this.shots = shots;
    int next = first;
    for (Shot s : shots) {
      Take t = s.take();
      CompiledCurve curve =
          t.speed() instanceof Speed.Curved c ? CompiledCurve.of(c.curve()) : null;
      curves.add(curve);
      double last =
          t.first()
              + (curve == null ? t.speed().action(t.frames() - 1) : curve.value(t.frames() - 1));
      placed.add(
          new Placed(
              s.id(),
              s.name(),
              t.id(),
              t.camera(),
              next,
              next + t.frames() - 1,
              t.scene(0),
              last,
              s.boardSeen()));
      next += t.frames();
    }
  }

  public static Programme of(Sequence s) {
    return new Programme(s.header().firstFrame(), order(s));
  }

  /** The shots in the order of the programme; those that an earlier cut becomes where it is one. */
  public static List<Shot> order(Sequence s) {
    List<Shot> shots = new ArrayList<>(s.all(Shot.class));
    if (shots.isEmpty()) return EarlierCut.shots(s);
    shots.sort(Comparator.comparing(Shot::place).thenComparing(Shot::id));
    return shots;
  }

  public List<Placed> placed() {
    return placed;
  }

  public List<Shot> shots() {
    return shots;
  }

  public boolean isEmpty() {
    return placed.isEmpty();
  }

  public int firstFrame() {
    return first;
  }

  /** The last frame, included; before the first where there is no shot. */
  public int lastFrame() {
    return placed.isEmpty() ? first - 1 : placed.get(placed.size() - 1).last();
  }

  /** The shot a frame of the programme falls in, by its place from 0; -1 outside. */
  public int indexAt(double frame) {
    if (!(frame >= first && frame < lastFrame() + 1)) return -1;
    int low = 0, high = placed.size() - 1;
    while (low < high) {
      int middle = (low + high + 1) >>> 1;
      if (placed.get(middle).first() <= frame) low = middle;
      else high = middle - 1;
    }
    return low;
  }

  /** The shot a frame of the programme falls in, or null outside. */
  public Placed at(double frame) {
    int i = indexAt(frame);
    return i < 0 ? null : placed.get(i);
  }

  /** A shot by its id, or null. */
  public Placed of(String id) {
    for (Placed p : placed) if (p.id().equals(id)) return p;
    return null;
  }

  /**
   * The frame of the scene that is seen on a frame of the programme, sub-frames too.
   *
   * @param index of the shot; the frame may lie before or behind it, in its handles
   */
  public double scene(int index, double frame) {
    double after = frame - placed.get(index).first();
    CompiledCurve curve = curves.get(index);
    Take t = shots.get(index).take();
    return t.first() + (curve == null ? t.speed().action(after) : curve.value(after));
  }

  /** The frame of the scene on a frame of the programme; NaN outside. */
  public double scene(double frame) {
    int i = indexAt(frame);
    return i < 0 ? Double.NaN : scene(i, frame);
  }

  /** Every place where a frame of the scene is seen, in order. */
  public List<Seen> showing(double scene) {
    List<Seen> all = new ArrayList<>();
    for (int i = 0; i < placed.size(); i++) {
      Placed p = placed.get(i);
      // the last frame lasts until the next begins
      if (scene < p.sceneFirst() || scene > scene(i, p.last() + 1 - NEAR)) continue;
      all.add(new Seen(p.id(), frame(i, scene)));
    }
    return all;
  }

  /**
   * The first frame of a shot on which a frame of the scene is seen, by halving: speeds only rise.
   */
  private double frame(int index, double scene) {
    Placed p = placed.get(index);
    double low = p.first(), high = p.last() + 1 - NEAR;
    if (curves.get(index) == null)
      return Math.min(high, low + (scene - p.sceneFirst()) / steady(index).rate());
    while (high - low > NEAR) {
      double middle = (low + high) / 2;
      if (scene(index, middle) < scene) low = middle;
      else high = middle;
    }
    return high;
  }

  private Speed.Steady steady(int index) {
    return (Speed.Steady) shots.get(index).take().speed();
  }
}
