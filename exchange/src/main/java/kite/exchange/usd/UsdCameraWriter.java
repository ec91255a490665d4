package kite.exchange.usd;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.IntToDoubleFunction;
import kite.core.bake.Bake;
import kite.core.bake.PlaceTrack;
import kite.core.document.Sequence;
import kite.core.evaluate.LensRow;
import kite.core.math.Matrix;

/**
 * A baked camera as OpenUSD text. Metres and +Y up; lens measures in tenths of a scene unit as the
 * UsdGeomCamera schema asks, so millimetres become mm / 100. The apertures are those of the
 * delivery window, so that a reader frames exactly what was delivered.
 */
public final class UsdCameraWriter {
  /**
   * UsdGeomCamera counts apertures and focal length in tenths of the stage's unit, here a metre.
   */
  private static final double MM_TO_USD = 0.01;

  private UsdCameraWriter() {}

  /**
   * The text of a .usda file; time samples are frames.
   *
   * @param guides places handed over beside the camera, each an Xform
   */
  public static String write(Sequence s, Bake bake, List<PlaceTrack> guides) {
    String doc = "Camera " + bake.camera().letter() + " of " + s.header().code();
    return UsdWords.head(s, name(bake), doc + ", baked by Jolly Kite", bake.frames())
        + prims(bake, guides);
  }

  private static String name(Bake bake) {
    return UsdWords.identifier(bake.camera().name());
  }

  /** The camera and the guides alone, as they stand in a layer or in a prim of one. */
  static String prims(Bake bake, List<PlaceTrack> guides) {
    StringBuilder b = new StringBuilder();
    double[] l = bake.lens();
    Set<String> taken = new HashSet<>();
    b.append("def Camera \"").append(UsdWords.free(name(bake), taken)).append("\"\n{\n");
    b.append("    token projection = \"perspective\"\n");
    double f0 = l[LensRow.FOCAL];
    b.append("    float horizontalAperture = ")
        .append(lens((l[LensRow.RIGHT] - l[LensRow.LEFT]) * f0 * MM_TO_USD))
        .append('\n');
    b.append("    float verticalAperture = ")
        .append(lens((l[LensRow.TOP] - l[LensRow.BOTTOM]) * f0 * MM_TO_USD))
        .append('\n');
    samples(
        b,
        bake,
        "float horizontalApertureOffset",
        i -> (l[i + LensRow.RIGHT] + l[i + LensRow.LEFT]) / 2 * l[i + LensRow.FOCAL] * MM_TO_USD);
    samples(
        b,
        bake,
        "float verticalApertureOffset",
        i -> (l[i + LensRow.TOP] + l[i + LensRow.BOTTOM]) / 2 * l[i + LensRow.FOCAL] * MM_TO_USD);
    samples(b, bake, "float focalLength", i -> l[i + LensRow.FOCAL] * MM_TO_USD);
    samples(b, bake, "float fStop", i -> bake.camera().depthOfField() ? l[i + LensRow.F_STOP] : 0);
    samples(b, bake, "float focusDistance", i -> l[i + LensRow.FOCUS]);
    clips(b, bake);
    samples(b, bake, "double shutter:close", i -> l[i + LensRow.SHUTTER] / 360);
    b.append("    double shutter:open = 0\n");
    transform(b, bake);
    b.append("    uniform token[] xformOpOrder = [\"xformOp:transform\"]\n}\n");
    for (PlaceTrack g : guides) guide(b, g, UsdWords.free(UsdWords.identifier(g.name()), taken));
    return b.toString();
  }

  private static void guide(StringBuilder b, PlaceTrack g, String name) {
    b.append("\ndef Xform \"").append(name).append("\"\n{\n");
    if (g.isStill()) {
      b.append("    double3 xformOp:translate = ").append(triple(g.places(), 0)).append('\n');
    } else {
      b.append("    double3 xformOp:translate.timeSamples = {\n");
      for (int i = 0; i < g.frames().length; i++)
        b.append("        ")
            .append(UsdWords.number(g.frames()[i]))
            .append(": ")
            .append(triple(g.places(), i * 3))
            .append(",\n");
      b.append("    }\n");
    }
    b.append("    uniform token[] xformOpOrder = [\"xformOp:translate\"]\n}\n");
  }

  private static void clips(StringBuilder b, Bake bake) {
    int n = bake.frames().length;
    String first = clip(bake, 0);
    boolean same = true;
    for (int i = 1; i < n; i++) same &= clip(bake, i).equals(first);
    if (same) {
      b.append("    float2 clippingRange = ").append(first).append('\n');
      return;
    }
    b.append("    float2 clippingRange.timeSamples = {\n");
    for (int i = 0; i < n; i++)
      b.append("        ")
          .append(UsdWords.number(bake.frames()[i]))
          .append(": ")
          .append(clip(bake, i))
          .append(",\n");
    b.append("    }\n");
  }

  private static String clip(Bake bake, int row) {
    double[] l = bake.lens();
    return "("
        + UsdWords.number(l[row * LensRow.SIZE + LensRow.NEAR])
        + ", "
        + UsdWords.number(l[row * LensRow.SIZE + LensRow.FAR])
        + ")";
  }

  private static String triple(double[] p, int at) {
    return "("
        + UsdWords.number(p[at])
        + ", "
        + UsdWords.number(p[at + 1])
        + ", "
        + UsdWords.number(p[at + 2])
        + ")";
  }

  /** One attribute; written once where it never changes. {@code value} is given a row's offset. */
  private static void samples(
      StringBuilder b, Bake bake, String attribute, IntToDoubleFunction value) {
    int n = bake.frames().length;
    double first = value.applyAsDouble(0);
    boolean same = true;
    for (int i = 1; i < n; i++) same &= value.applyAsDouble(i * LensRow.SIZE) == first;
    if (same) {
      b.append("    ").append(attribute).append(" = ").append(lens(first)).append('\n');
      return;
    }
    b.append("    ").append(attribute).append(".timeSamples = {\n");
    for (int i = 0; i < n; i++)
      b.append("        ")
          .append(UsdWords.number(bake.frames()[i]))
          .append(": ")
          .append(lens(value.applyAsDouble(i * LensRow.SIZE)))
          .append(",\n");
    b.append("    }\n");
  }

  private static void transform(StringBuilder b, Bake bake) {
    b.append("    matrix4d xformOp:transform.timeSamples = {\n");
    for (int i = 0; i < bake.frames().length; i++)
      b.append("        ")
          .append(UsdWords.number(bake.frames()[i]))
          .append(": ")
          .append(UsdWords.matrix(bake.world(), i * Matrix.SIZE))
          .append(",\n");
    b.append("    }\n");
    // for who reads no motion; behind it, since some keep the last of the two alone
    b.append("    matrix4d xformOp:transform = ")
        .append(UsdWords.matrix(bake.world(), 0))
        .append("\n");
  }

  /** A lens number, rounded to a billionth: its attributes are single precision. */
  private static String lens(double v) {
    return UsdWords.number(Math.rint(v * 1e9) / 1e9);
  }
}
