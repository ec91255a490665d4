package kite.exchange.pack;

import java.util.List;
import kite.core.bake.Bake;
import kite.core.document.CameraPackage;
import kite.core.document.Plate;
import kite.core.document.Sequence;
import kite.core.evaluate.LensRow;
import kite.core.form.Words;
import kite.exchange.Json;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * What an effects shot has to know of its lens: film back, squeeze, the window on it, and the
 * plates that it is laid over, by {@code docs/schema/lens.json}.
 */
public final class LensSheet {
  private LensSheet() {}

  /** The text of the file, UTF-8. */
  public static byte[] write(Sequence s, Bake bake) {
    CameraPackage p = s.header().packageOf(bake.camera());
    ObjectNode root = Json.MAPPER.createObjectNode();
    root.put("format", "jolly-kite lens").put("version", 1);
    root.put("camera", bake.camera().letter()).put("name", bake.camera().name());
    root.putObject("filmBack")
        .put("widthMm", p.filmBack().widthMm())
        .put("heightMm", p.filmBack().heightMm())
        .put("squeeze", p.filmBack().squeeze());
    root.putObject("delivery")
        .put("width", p.deliveryWidth())
        .put("height", p.deliveryHeight())
        .put("fit", Words.of(p.fit()));
    root.put("circleOfConfusionMm", p.circleMm());
    root.put(
        "measuredFrom",
        "Distances are metres along the optical axis from the entrance pupil, which is where the"
            + " camera stands.");
    ArrayNode frames = root.putArray("frames");
    for (int i = 0; i < bake.frames().length; i++) frame(frames.addObject(), bake, i);
    ArrayNode plates = root.putArray("plates");
    for (Plate plate : plates(s, bake)) plate(plates.addObject(), plate);
    return Json.MAPPER.writerWithDefaultPrettyPrinter().writeValueAsBytes(root);
  }

  /** The window is what of the film back is delivered, as slopes off the axis. */
  private static void frame(ObjectNode f, Bake bake, int i) {
    double[] l = bake.lens();
    int o = i * LensRow.SIZE;
    f.put("frame", bake.frames()[i])
        .put("focalLengthMm", l[o + LensRow.FOCAL])
        .put("fStop", l[o + LensRow.F_STOP])
        .put("focusM", l[o + LensRow.FOCUS])
        .put("shutterDegrees", l[o + LensRow.SHUTTER])
        .put("shiftXMm", l[o + LensRow.SHIFT_X])
        .put("shiftYMm", l[o + LensRow.SHIFT_Y]);
    f.putObject("window")
        .put("left", l[o + LensRow.LEFT])
        .put("right", l[o + LensRow.RIGHT])
        .put("bottom", l[o + LensRow.BOTTOM])
        .put("top", l[o + LensRow.TOP]);
  }

  private static List<Plate> plates(Sequence s, Bake bake) {
    String camera = bake.camera().id();
    return s.all(Plate.class).stream()
        .filter(p -> p.shown() && (p.camera() == null || p.camera().equals(camera)))
        .toList();
  }

  /** The image that is numbered 1 stands on its first frame. */
  private static void plate(ObjectNode to, Plate plate) {
    to.put("name", plate.name())
        .put("images", plate.frames().size())
        .put("firstFrame", plate.firstFrame())
        .put("after", Words.of(plate.after()))
        .put("fit", Words.of(plate.fit()))
        .put("inFront", plate.inFront());
  }
}
