package kite.core.codec;

import kite.core.bake.CameraTrack;
import kite.core.form.Fields;
import kite.core.form.Out;
import kite.core.rules.Refusal;

/** Camera tracks, as the server hands them to the page. */
public final class TrackJson {
  private TrackJson() {}

  public static String write(CameraTrack t) {
    return new Out()
        .put("name", t.name())
        .put("frames", Out.numbers(t.frames()))
        .put("world", Out.numbers(t.world()))
        .put("focalLengthMm", Out.numbers(t.focalLengthMm()))
        .put("verticalDegrees", t.verticalDegrees())
        .put("zUp", t.zUp())
        .put("unitM", t.unitM())
        .put("filmBackMm", Out.numbers(t.filmBackMm()))
        .json
        .toString();
  }

  public static CameraTrack read(String text) {
    Fields f = Fields.parse(text);
    CameraTrack t =
        f.done(
            new CameraTrack(
                f.text("name"),
                f.numbers("frames"),
                f.numbers("world"),
                f.numbers("focalLengthMm"),
                f.number("verticalDegrees"),
                f.truth("zUp"),
                f.number("unitM"),
                f.numbers("filmBackMm")));
    if (t.frames().length == 0 || t.world().length != t.frames().length * 16)
      throw new Refusal("json", "", "$.world", "A camera track needs 16 numbers for every frame.");
    return t;
  }
}
