package kite.core.rules;

import java.util.ArrayList;
import java.util.List;
import kite.core.document.Beginning;
import kite.core.document.Camera;
import kite.core.document.CameraPackage;
import kite.core.document.ChannelSpec;
import kite.core.document.FileNames;
import kite.core.document.LimitsOfCuts;
import kite.core.document.Standards;
import kite.core.number.NumberText;
import kite.core.number.Rate;
import kite.core.optics.FilmBack;
import kite.core.optics.Lens;
import kite.core.optics.LensKit;

/**
 * What must hold of a production's standards and of any camera package. A fault names its field:
 * {@code deliveryWidth}, {@code filmBack.squeeze}, {@code kits/0/lenses/2/widestStop}.
 */
public final class StandardsRules {
  private static final int LEAST_PIXELS = 16, MOST_PIXELS = 16384;
  private static final double MOST_FRAMES_A_SECOND = 1000;

  /** A blur this wide, in mm, is larger than any film back's grain could ever ask for. */
  private static final double MOST_CIRCLE_MM = 10;

  private static final int MOST_FILE_NAMES = 20;
  private static final int MOST_KITS = 50, MOST_LENSES = 200;

  /** Ten seconds later is still a frame that everything counts with. */
  private static final int LARGEST_FIRST_FRAME = 1_000_000;

  /** Frames; nobody hands on more than a minute beside a shot. */
  private static final int LONGEST_HANDLES = 1440;

  private StandardsRules() {}

  /** Checks what a production has agreed on; refuses with the first fault. */
  public static void check(Standards s) {
    refuse(faults(s));
  }

  /** Everything that cannot be, each at its field; empty when all is well. */
  public static List<Refusal> faults(Standards s) {
    List<Refusal> all = new ArrayList<>(faults(s.rate()));
    all.addAll(faults(s.cameraPackage()));
    if (!(s.nearClipM() >= Camera.NEAR_CLIP.least()))
      all.add(range("", "nearClipM", "The usual near clip must be above 0."));
    if (!(s.farClipM() <= ChannelSpec.FAR_M))
      all.add(
          range(
              "",
              "farClipM",
              "The usual far clip is at most " + NumberText.plain(ChannelSpec.FAR_M) + " m."));
    else if (!(s.nearClipM() < s.farClipM()))
      all.add(range("", "farClipM", "The usual far clip must be farther than the near clip."));
    if (s.kits().size() > MOST_KITS)
      all.add(new Refusal("many", "", "kits", "At most " + MOST_KITS + " lens kits are kept."));
    for (int i = 0; i < s.kits().size(); i++) faults(s.kits().get(i), "kits/" + i, all);
    List<FileNames> files = s.naming().files();
    if (files.size() > MOST_FILE_NAMES)
      all.add(
          new Refusal(
              "many",
              "",
              "naming/files",
              "At most " + MOST_FILE_NAMES + " ways to call files are kept."));
    for (int i = 0; i < files.size(); i++) {
      String fault = FileNames.fault(files.get(i).pattern());
      if (!fault.isEmpty()) all.add(new Refusal("name", "", "naming/files/" + i, fault));
      if (files.get(i).name().isBlank() || files.get(i).name().length() > Rules.LONGEST_NAME)
        all.add(new Refusal("name", "", "naming/files/" + i, "A way to call files needs a name."));
    }
    Beginning b = s.beginning();
    if (!Rules.positive(b.gridM()))
      all.add(range("", "beginning/gridM", "The grid cell must be above 0."));
    if (Math.abs((long) b.firstFrame()) > LARGEST_FIRST_FRAME)
      all.add(
          range(
              "",
              "beginning/firstFrame",
              "The first frame lies between -"
                  + LARGEST_FIRST_FRAME
                  + " and "
                  + LARGEST_FIRST_FRAME
                  + "."));
    if (b.handleFrames() < 0 || b.handleFrames() > LONGEST_HANDLES)
      all.add(
          range(
              "",
              "beginning/handleFrames",
              "Handles are 0 to " + LONGEST_HANDLES + " frames at each end of a shot."));
    if (!Rules.UNITS.contains(b.displayUnit()))
      all.add(
          range(
              "",
              "beginning/displayUnit",
              "Lengths are shown in " + String.join(", ", Rules.UNITS) + "."));
    LimitsOfCuts c = s.cut();
    if (c.shortFrames() < 0 || c.shortFrames() > LONGEST_HANDLES)
      all.add(
          range("", "cut/shortFrames", "A short shot has 0 to " + LONGEST_HANDLES + " frames."));
    if (!(c.jumpDegrees() >= 0 && c.jumpDegrees() <= 180))
      all.add(range("", "cut/jumpDegrees", "Two cameras jump within 0° to 180°."));
    if (!(c.jumpShare() >= 0 && c.jumpShare() <= 1))
      all.add(range("", "cut/jumpShare", "A change of size is 0 to 1 of it."));
    if (!(c.leapShare() >= 0 && c.leapShare() <= 1))
      all.add(range("", "cut/leapShare", "A leap is 0 to 1 of the frame’s width."));
    if (!(c.screenDegrees() >= 5 && c.screenDegrees() <= 120))
      all.add(range("", "cut/screenDegrees", "A screen is seen as 5° to 120° wide."));
    if (s.naming().shots().length() > Rules.LONGEST_NAME)
      all.add(new Refusal("name", "", "naming", "The pattern of shot codes is too long."));
    return all;
  }

  private static void faults(LensKit k, String at, List<Refusal> all) {
    if (k.name().isBlank() || k.name().length() > Rules.LONGEST_NAME)
      all.add(
          new Refusal(
              "name",
              "",
              at + "/name",
              "A lens kit needs a name of 1 to " + Rules.LONGEST_NAME + " letters."));
    if (k.lenses().size() > MOST_LENSES)
      all.add(
          new Refusal(
              "many",
              "",
              at + "/lenses",
              "“" + k.name() + "” may have at most " + MOST_LENSES + " lenses."));
    if (!Rules.positive(k.squeeze()))
      all.add(range("", at + "/squeeze", "The squeeze of “" + k.name() + "” must be above 0."));
    for (int i = 0; i < k.lenses().size(); i++)
      faults(k.lenses().get(i), k.name(), at + "/lenses/" + i, all);
  }

  private static void faults(Lens l, String kit, String at, List<Refusal> all) {
    String whose = " of a lens of “" + kit + "” ";
    if (!(l.shortestMm() >= Camera.FOCAL_LENGTH.least()
        && l.shortestMm() <= Camera.FOCAL_LENGTH.most()))
      all.add(
          range(
              "",
              at + "/shortestMm",
              "The focal length" + whose + "is " + within(Camera.FOCAL_LENGTH) + " mm."));
    if (!(l.longestMm() >= l.shortestMm() && l.longestMm() <= Camera.FOCAL_LENGTH.most()))
      all.add(
          range(
              "",
              at + "/longestMm",
              "The longest focal length" + whose + "cannot be under its shortest."));
    if (!(l.widestStop() >= Camera.F_STOP.least() && l.widestStop() <= Camera.F_STOP.most()))
      all.add(
          range(
              "",
              at + "/widestStop",
              "The widest stop" + whose + "is f/" + within(Camera.F_STOP) + "."));
    if (!(l.closestFocusM() * 1000 > l.shortestMm()))
      all.add(
          range(
              "",
              at + "/closestFocusM",
              "The closest focus" + whose + "must be farther away than the lens is long."));
  }

  static void check(Rate r) {
    refuse(faults(r));
  }

  private static List<Refusal> faults(Rate r) {
    return r.numerator() > 0 && r.denominator() > 0 && r.perSecond() <= MOST_FRAMES_A_SECOND
        ? List.of()
        : List.of(
            range("", "rate", "The frame rate must be above 0 and at most 1000 frames a second."));
  }

  static void check(CameraPackage p) {
    refuse(faults(p));
  }

  private static List<Refusal> faults(CameraPackage p) {
    List<Refusal> all = new ArrayList<>(faults(p.filmBack(), ""));
    if (p.deliveryWidth() < LEAST_PIXELS || p.deliveryWidth() > MOST_PIXELS)
      all.add(range("", "deliveryWidth", "The delivery is 16 to 16384 pixels across."));
    if (p.deliveryHeight() < LEAST_PIXELS || p.deliveryHeight() > MOST_PIXELS)
      all.add(range("", "deliveryHeight", "The delivery is 16 to 16384 pixels down."));
    if (!(p.circleOfConfusionMm() >= 0 && p.circleOfConfusionMm() < MOST_CIRCLE_MM))
      all.add(
          range(
              "",
              "circleOfConfusionMm",
              "The circle of confusion is 0 (for the usual one) to 10 mm."));
    return all;
  }

  static void check(FilmBack b, String entity) {
    refuse(faults(b, entity));
  }

  private static List<Refusal> faults(FilmBack b, String entity) {
    List<Refusal> all = new ArrayList<>();
    if (!Rules.positive(b.widthMm()))
      all.add(range(entity, "filmBack.widthMm", "The film back must be wider than 0 mm."));
    if (!Rules.positive(b.heightMm()))
      all.add(range(entity, "filmBack.heightMm", "The film back must be higher than 0 mm."));
    if (!Rules.positive(b.squeeze()))
      all.add(range(entity, "filmBack.squeeze", "The squeeze of the film back must be above 0."));
    return all;
  }

  private static String within(ChannelSpec spec) {
    return NumberText.plain(spec.least()) + " to " + NumberText.plain(spec.most());
  }

  private static Refusal range(String entity, String field, String text) {
    return new Refusal("range", entity, field, text);
  }

  private static void refuse(List<Refusal> faults) {
    if (!faults.isEmpty()) throw faults.get(0);
  }
}
