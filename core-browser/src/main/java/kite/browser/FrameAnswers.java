package kite.browser;

import java.util.ArrayList;
import java.util.List;
import kite.bridge.Answers;
import kite.core.command.Command;
import kite.core.command.MarkInPlace;
import kite.core.document.Camera;
import kite.core.document.CameraPackage;
import kite.core.document.Guide;
import kite.core.document.OrNull;
import kite.core.evaluate.Plan;
import kite.core.frame.Composition;
import kite.core.frame.Eye;
import kite.core.frame.Guides;
import kite.core.frame.PlaceSubject;
import kite.core.frame.SubjectRoute;
import kite.core.frame.WhatIsSeen;
import kite.core.math.Vec3;
import kite.core.number.Rate;
import kite.core.optics.FilmBacks;
import kite.core.report.FrameReport;
import kite.core.rig.Subject;
import org.teavm.jso.typedarrays.Float64Array;

/** What a camera's frame holds: who is in it, where and how large, and what puts them there. */
@Answers
final class FrameAnswers {
  private FrameAnswers() {}

  /** What is in force, for a camera or for the sequence. */
  record Settings(Rate rate, CameraPackage cameraPackage, String filmBackName, double circleMm) {}

  /**
   * Rate and camera package in force.
   *
   * @param camera "" for the sequence
   */
  public static Settings settings(String camera) {
    var h = Opened.shown().header();
    CameraPackage p = Opened.thing(camera) instanceof Camera c ? h.packageOf(c) : h.cameraPackage();
    return new Settings(h.rate(), p, FilmBacks.nameOf(p.filmBack()), p.circleMm());
  }

  /** A piece in frame that a clip cuts. */
  record CutOff(String id, String name, boolean near, boolean far) {}

  /**
   * @param whyEmpty why the picture is empty, or ""
   * @param clipsHide whether it is the clips that hide everything
   * @param widestBlur the widest disc in the picture, as a share of the delivered height
   */
  record InFrame(List<CutOff> cut, String whyEmpty, boolean clipsHide, double widestBlur) {}

  /** Which pieces in frame the clips cut, and why the picture is empty. */
  public static InFrame seen(String camera) {
    Camera c = Opened.camera(camera);
    List<CutOff> cut = new ArrayList<>();
    double nearestM = Double.POSITIVE_INFINITY;
    for (WhatIsSeen.Seen x : WhatIsSeen.of(Opened.shown(), Opened.plan(), c)) {
      nearestM = Math.min(nearestM, x.extent().nearM());
      if (x.cutNear() || x.cutFar())
        cut.add(new CutOff(x.piece().id(), x.piece().name(), x.cutNear(), x.cutFar()));
    }
    WhatIsSeen.Why why = WhatIsSeen.whyEmpty(Opened.shown(), Opened.plan(), c);
    return new InFrame(cut, why.text(), why.clips(), LensAnswers.widestBlur(camera, nearestM));
  }

  /** Where a point is to a camera: in the world, along its axis and straight, and in its frame. */
  record Sighting(
      double x,
      double y,
      double z,
      double alongM,
      double straightM,
      @OrNull double across,
      @OrNull double down) {}

  /**
   * Where a subject stands to a camera at the frame last evaluated; null where one has no place.
   *
   * @param anchor "" for its usual point
   */
  @OrNull
  public static Sighting sighting(String camera, String subject, String anchor) {
    Plan plan = Opened.plan();
    if (plan.slot(camera) < 0 || plan.slot(subject) < 0) return null;
    double[] p = new double[3];
    plan.anchor(subject, anchor.isEmpty() ? null : anchor, p);
    return pointSighting(camera, p[0], p[1], p[2]);
  }

  /** Where a world point stands to a camera at the frame last evaluated. */
  public static Sighting pointSighting(String camera, double x, double y, double z) {
    Eye eye = Eye.of(Opened.plan(), camera);
    Vec3 seen = eye.seen(new Vec3(x, y, z));
    return new Sighting(
        x,
        y,
        z,
        -seen.z(),
        seen.length(),
        eye.window().across(seen.x(), seen.z()),
        eye.window().down(seen.y(), seen.z()));
  }

  /** A point of a thing that others look at, and where it is in the world. */
  record LookedAt(Subject where, double x, double y, double z) {}

  /** The points of a thing that others look at, focus on or size. */
  public static List<LookedAt> lookedAt(String id) {
    List<LookedAt> all = new ArrayList<>();
    double[] at = new double[3];
    for (Subject s : MarkInPlace.points(Opened.shown(), id)) {
      Opened.plan().subject(s, at);
      all.add(new LookedAt(s, at[0], at[1], at[2]));
    }
    return all;
  }

  /** Headroom and lead room of a piece, as shares of the frame; null when it is not ahead. */
  @OrNull
  public static Composition composition(String camera, String subject) {
    return Composition.of(Opened.plan(), Opened.thing(subject), Eye.of(Opened.plan(), camera));
  }

  /**
   * @param lines polylines: across and down in shares of the frame, point after point
   */
  record GuideDrawn(Guide.Rule form, String colour, double strength, List<double[]> lines) {}

  /** A camera's guides. */
  public static List<GuideDrawn> guideLines(String camera) {
    Camera c = Opened.camera(camera);
    double aspect = Opened.shown().header().cameraPackage().aspect();
    Eye eye = Eye.of(Opened.plan(), camera);
    List<GuideDrawn> all = new ArrayList<>();
    for (Guide g : c.guides())
      all.add(new GuideDrawn(g.form(), g.colour(), g.strength(), Guides.lines(g, aspect, eye)));
    return all;
  }

  /**
   * The commands that put a subject at a place and size of the frame.
   *
   * @param anchor "" for its usual point
   * @param size share of the frame's height, or 0 to leave it
   */
  public static List<Command> placeSubject(
      String camera,
      String subject,
      String anchor,
      double across,
      double down,
      double size,
      PlaceSubject.By by,
      double frame,
      boolean key) {
    return placing(camera, frame, key)
        .at(Opened.thing(subject), anchor.isEmpty() ? null : anchor, across, down, size, by);
  }

  private static PlaceSubject placing(String camera, double frame, boolean key) {
    return new PlaceSubject(Opened.shown(), Opened::rig, Opened.camera(camera), frame, key);
  }

  /** The commands that change the lens and dolly so that a subject keeps its size. */
  public static List<Command> keepSize(
      String camera, String subject, double focalLengthMm, double frame, boolean key) {
    return placing(camera, frame, key).keepingSize(Opened.thing(subject), null, focalLengthMm);
  }

  /**
   * What a camera sees of each subject over some frames, one number each per frame; the bits of
   * {@code seen} are those of {@link FrameReport}.
   */
  public static List<FrameReport.Row> frameReport(
      String camera, double first, double step, int count) {
    return FrameReport.of(
        Opened.shown(), Opened.apart(), Opened.camera(camera), first, step, count);
  }

  /**
   * Where a subject falls in a camera's frame over time: across and down as shares of the frame,
   * two numbers a row; NaN where it is behind the lens.
   */
  public static void subjectRoute(
      String camera, String subject, double first, double step, Float64Array out) {
    SubjectRoute route = new SubjectRoute(Opened.apart(), camera, subject);
    for (int i = 0; i < out.getLength() / 2; i++) {
      double[] at = route.at(first + i * step);
      out.set(i * 2, at[0]);
      out.set(i * 2 + 1, at[1]);
    }
  }

  /** Frames on which a subject's own place has keys. */
  public static List<Double> subjectKeys(String subject) {
    return List.copyOf(new SubjectRoute(Opened.plan(), "", subject).keys());
  }

  /**
   * The commands that carry a subject by shares of a camera's frame from where it stands on a frame
   * without the preview.
   */
  public static List<Command> carrySubject(
      String camera, String subject, double frame, double across, double down, boolean key) {
    return new SubjectRoute(Opened.apartFromPreview(), camera, subject)
        .carry(frame, across, down, key);
  }
}
