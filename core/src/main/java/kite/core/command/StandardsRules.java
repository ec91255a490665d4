package kite.core.command;

import kite.core.document.Camera;
import kite.core.document.CameraPackage;
import kite.core.document.ChannelSpec;
import kite.core.document.Rate;
import kite.core.document.Standards;
import kite.core.optics.FilmBack;
import kite.core.optics.Lens;
import kite.core.optics.LensKit;

/** What must hold of a production's standards and of any camera package. */
public final class StandardsRules {
  private StandardsRules() {}

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
    if (s.naming().shots().length() > Rules.LONGEST_NAME)
      throw new Refusal("name", "", "naming", "The pattern of shot codes is too long.");
  }

  private static void check(LensKit k) {
    if (k.name().isBlank() || k.name().length() > Rules.LONGEST_NAME || k.lenses().size() > 200)
      throw new Refusal("name", "", "kits", "A lens kit has a name and at most 200 lenses.");
    if (!Rules.positive(k.squeeze()))
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

  static void check(Rate r) {
    if (r.numerator() <= 0 || r.denominator() <= 0 || r.perSecond() > 1000)
      throw new Refusal(
          "range", "", "rate", "The frame rate must be above 0 and at most 1000 frames a second.");
  }

  static void check(CameraPackage p) {
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

  static void check(FilmBack b, String entity) {
    if (!(Rules.positive(b.widthMm())
        && Rules.positive(b.heightMm())
        && Rules.positive(b.squeeze())))
      throw new Refusal(
          "range", entity, "filmBack", "Film back width, height and squeeze must be above 0.");
  }
}
