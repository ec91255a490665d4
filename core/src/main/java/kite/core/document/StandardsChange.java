package kite.core.document;

import java.util.ArrayList;
import java.util.List;
import kite.core.number.NumberText;
import kite.core.number.Rate;
import kite.core.optics.FilmBacks;

/** What new standards change in a sequence, and what they leave because it decides for itself. */
public final class StandardsChange {
  private StandardsChange() {}

  /** Short sentences, the sequence's own first; empty when nothing changes. */
  public static List<String> sentences(Sequence s, Standards next) {
    Header now = s.header(), then = now.withStandards(next);
    List<String> all = new ArrayList<>();
    compare(all, "Frame rate", rate(now.rate()), rate(then.rate()));
    CameraPackage a = now.cameraPackage(), b = then.cameraPackage();
    compare(
        all,
        "Delivery",
        a.deliveryWidth() + " × " + a.deliveryHeight(),
        b.deliveryWidth() + " × " + b.deliveryHeight());
    compare(
        all, "Handles", frames(now.standards().beginning()), frames(then.standards().beginning()));
    compare(all, "Circle of confusion", mm(a.circleMm()), mm(b.circleMm()));
    int backs = 0, fits = 0, near = 0, far = 0, keep = 0;
    for (Camera c : s.all(Camera.class)) {
      if (!now.packageOf(c).filmBack().equals(then.packageOf(c).filmBack())) backs++;
      if (now.packageOf(c).fit() != then.packageOf(c).fit()) fits++;
      if (!now.channel(c, Camera.NEAR_CLIP).equals(then.channel(c, Camera.NEAR_CLIP))) near++;
      if (!now.channel(c, Camera.FAR_CLIP).equals(then.channel(c, Camera.FAR_CLIP))) far++;
      if (c.filmBack() != null && !a.filmBack().equals(b.filmBack())) keep++;
    }
    if (!a.filmBack().equals(b.filmBack()))
      all.add(
          "Film back "
              + FilmBacks.nameOf(a.filmBack())
              + " → "
              + FilmBacks.nameOf(b.filmBack())
              + " on "
              + cameras(backs)
              + (keep > 0 ? "; " + cameras(keep) + " keep their own" : ""));
    if (fits > 0) all.add("Fit on " + cameras(fits));
    if (near > 0) all.add("Near clip on " + cameras(near));
    if (far > 0) all.add("Far clip on " + cameras(far));
    return all;
  }

  private static void compare(List<String> all, String what, String from, String to) {
    if (!from.equals(to)) all.add(what + " " + from + " → " + to);
  }

  private static String frames(Beginning b) {
    return b.handleFrames() == 1 ? "1 frame" : b.handleFrames() + " frames";
  }

  private static String cameras(int n) {
    return n == 1 ? "1 camera" : n + " cameras";
  }

  private static String rate(Rate r) {
    return NumberText.rounded(r.perSecond(), 3) + " fps";
  }

  private static String mm(double v) {
    return NumberText.rounded(v, 4) + " mm";
  }
}
