package kite.browser;

import java.util.List;
import kite.bridge.Answers;
import kite.core.command.Command;
import kite.core.document.Camera;
import kite.core.document.CameraPackage;
import kite.core.document.OrNull;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.frame.BeyondFilm;
import kite.core.frame.Clips;
import kite.core.frame.DepthRuler;
import kite.core.frame.HoldBoth;
import kite.core.frame.Opening;
import kite.core.math.Trig;
import kite.core.optics.AngleOfView;
import kite.core.optics.DeliveryWindow;
import kite.core.optics.DepthOfField;
import kite.core.optics.Exposure;
import kite.core.optics.FilmBack;
import kite.core.optics.FilmBacks;
import kite.core.optics.Fit;
import kite.core.rules.Refusal;
import org.teavm.jso.typedarrays.Float64Array;

/** A camera's lens at the frame last evaluated: angles, depth of field, clips. */
@Answers
final class LensAnswers {
  private LensAnswers() {}

  /** A camera's row of the plan, with its depth of field. */
  private record At(Camera camera, CameraPackage pack, double[] row, int at) {
    static At of(String id) {
      Plan plan = Opened.plan();
      Camera c = Opened.camera(id);
      return new At(
          c, Opened.shown().header().packageOf(c), plan.lens(), plan.slot(c.id()) * LensRow.SIZE);
    }

    double of(int what) {
      return row[at + what];
    }

    double widthMm() {
      return (of(LensRow.RIGHT) - of(LensRow.LEFT)) * of(LensRow.FOCAL);
    }

    double heightMm() {
      return (of(LensRow.TOP) - of(LensRow.BOTTOM)) * of(LensRow.FOCAL);
    }

    DepthOfField dof() {
      return new DepthOfField(
          of(LensRow.FOCAL), of(LensRow.F_STOP), pack.circleMm(), of(LensRow.FOCUS));
    }
  }

  /**
   * Angles of view and depth of field.
   *
   * @param farLimitM null when it is unbounded
   * @param circleShare the circle of confusion as a share of the delivered height
   * @param reach what the lens can hold, in words, with {@code note} on the lens kit
   * @param filmAcross share of the film back that is delivered, with {@code filmDown}
   */
  record LensReport(
      double horizontalDegrees,
      double verticalDegrees,
      double diagonalDegrees,
      double hyperfocalM,
      double nearLimitM,
      @OrNull double farLimitM,
      double circleMm,
      double circleShare,
      String filmBack,
      double squeeze,
      Fit fit,
      String reach,
      String note,
      double filmAcross,
      double filmDown,
      String beyondFilm) {}

  /** Angles of view and depth of field of a camera. */
  public static LensReport lensReport(String camera) {
    At l = At.of(camera);
    double focal = l.of(LensRow.FOCAL), w = l.widthMm(), h = l.heightMm();
    DepthOfField d = l.dof();
    BeyondFilm film = BeyondFilm.of(Opened.shown(), Opened.plan(), l.camera());
    return new LensReport(
        AngleOfView.degrees(w, focal),
        AngleOfView.degrees(h, focal),
        AngleOfView.degrees(Trig.hypot(w, h), focal),
        d.hyperfocalM(),
        d.nearLimitM(),
        d.farLimitM(),
        d.circleMm(),
        d.circleMm() / h,
        FilmBacks.nameOf(l.pack().filmBack()),
        l.pack().filmBack().squeeze(),
        l.pack().fit(),
        HoldBoth.reach(Opened.plan(), l.camera()),
        HoldBoth.lensNote(Opened.shown(), Opened.plan(), l.camera()),
        film.across(),
        film.down(),
        film.says());
  }

  /**
   * A camera's blur, which is even over the inverse of depth: the disc's diameter at a depth d is
   * {@code out[0] · |1 − 1 / (d · out[1])|}.
   *
   * @param out two numbers: the diameter infinitely far away, in shares of the delivery height; and
   *     the inverse of the focus distance
   */
  public static void blur(String camera, Float64Array out) {
    At l = At.of(camera);
    out.set(0, l.dof().endlessBlurMm() / l.heightMm());
    out.set(1, 1 / l.dof().focusM());
  }

  /**
   * When a camera's shutter is open on the frame last evaluated, in frames of the scene.
   *
   * @param rate frames of the scene that pass in one of the programme
   */
  public static Exposure exposure(String camera, double frame, double rate) {
    return Opening.of(Opened.shown(), Opened.plan(), Opened.camera(camera), frame, rate);
  }

  /** The wider of the blurs at a depth (no nearer than the near clip) and endlessly far. */
  static double widestBlur(String camera, double nearestM) {
    At l = At.of(camera);
    double near = l.dof().blurMm(Math.max(l.of(LensRow.NEAR), nearestM));
    double endless = l.dof().endlessBlurMm();
    return Math.max(endless, Double.isFinite(nearestM) ? near : 0) / l.heightMm();
  }

  /**
   * What the depth ruler shows, metres along the axis; the far limit is null when it is unbounded.
   */
  record DepthReading(
      List<DepthRuler.Bar> bars,
      double nearClipM,
      double farClipM,
      double focusM,
      double nearLimitM,
      @OrNull double farLimitM,
      double hyperfocalM) {}

  /** Clips, focus, sharp limits and the subjects' extents along a camera's axis. */
  public static DepthReading depthRuler(String camera) {
    At l = At.of(camera);
    DepthOfField d = l.dof();
    return new DepthReading(
        DepthRuler.bars(Opened.shown(), Opened.plan(), l.camera()),
        l.of(LensRow.NEAR),
        l.of(LensRow.FAR),
        l.of(LensRow.FOCUS),
        d.nearLimitM(),
        d.farLimitM(),
        d.hyperfocalM());
  }

  /** Whether two distances along the axis can be sharp at once. */
  public static HoldBoth.Answer holdBoth(String camera, double aM, double bM) {
    return HoldBoth.of(Opened.shown(), Opened.plan(), Opened.camera(camera), aM, bM);
  }

  /** The side of the delivered frame that an angle of view is of. */
  enum Side {
    ACROSS,
    UP,
    DIAGONAL
  }

  /**
   * The focal length in mm for an angle of view in degrees.
   *
   * @throws Refusal for an angle that no lens sees
   */
  public static double focalLengthFor(String camera, double degrees, Side side) throws Refusal {
    Camera c = Opened.camera(camera);
    if (!(degrees > 0 && degrees < 180))
      throw new Refusal(
          "range",
          c.id(),
          "focalLength",
          "A lens sees more than 0° and less than 180°. Type an angle between these.");
    CameraPackage p = Opened.shown().header().packageOf(c);
    DeliveryWindow unit = DeliveryWindow.of(1, p.filmBack(), p.aspect(), p.fit(), 0, 0);
    double size =
        switch (side) {
          case ACROSS -> unit.width();
          case UP -> unit.height();
          case DIAGONAL -> Trig.hypot(unit.width(), unit.height());
        };
    return AngleOfView.focalLengthMm(size, degrees);
  }

  /** The commands that set both clips so that nothing in frame is cut off over a run of frames. */
  public static List<Command> nothingCutOff(String camera, int first, int last) {
    return Clips.nothingCutOff(Opened.shown(), Opened::rig, Opened.camera(camera), first, last);
  }

  /** The trade's name of a film back; null for measures that have none. */
  @OrNull
  public static String filmBackName(FilmBack back) {
    return FilmBacks.tradeNameOf(back);
  }

  /** Film backs in common use. */
  public static List<FilmBacks.NamedBack> filmBacks() {
    return FilmBacks.ALL;
  }
}
