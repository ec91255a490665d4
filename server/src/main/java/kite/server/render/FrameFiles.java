package kite.server.render;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import javax.imageio.ImageIO;
import kite.core.document.Camera;
import kite.core.document.Header;
import kite.core.document.Sequence;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.math.Matrix;
import kite.core.number.Timecode;
import kite.exchange.picture.ExrFacts;
import kite.exchange.picture.ExrWriter;
import kite.exchange.picture.FinePng;
import kite.render.Picture;
import kite.render.Rendered;

/** Writes a frame's files into a folder of this machine, from where they are kept. */
final class FrameFiles {
  private FrameFiles() {}

  /** The picture that is looked at: 00001.png. */
  static String picture(int number) {
    return String.format("%05d.png", number);
  }

  /** The file in which a frame is handed on. */
  static String delivered(int number, Kept.Form form) {
    return String.format("%05d.%s", number, form.ending);
  }

  static void write(Picture p, Path folder, int number, Over over) throws IOException {
    BufferedImage image = new BufferedImage(p.width(), p.height(), BufferedImage.TYPE_INT_RGB);
    image.setRGB(0, 0, p.width(), p.height(), p.argb(), 0, p.width());
    over.draw(image);
    ImageIO.write(image, "png", folder.resolve(picture(number)).toFile());
  }

  /** Draws over a picture that is looked at. */
  interface Over {
    void draw(BufferedImage picture);
  }

  /** As above with what is kept beside it. */
  static void write(Rendered r, Path folder, int number, Kept.Form form, ExrFacts facts, Over over)
      throws IOException {
    Path file = folder.resolve(delivered(number, form));
    switch (form) {
      case PNG -> {
        // the picture that is looked at is what is handed on
      }
      case FINE_PNG ->
          FinePng.write(file, r.picture().width(), r.picture().height(), r.layers().get(0));
      case EXR, EXR_HALF -> ExrWriter.write(file, r, form == Kept.Form.EXR_HALF, facts);
    }
    write(r.picture(), folder, number, over);
  }

  /** What the header of a frame says; the plan is brought to the frame. */
  static ExrFacts facts(RenderJob job, Sequence s, Plan plan, Shot.At at) {
    Header h = s.header();
    String code = at.code() == null ? "" : at.code(), version = "v" + job.numbered;
    String time = Timecode.of(at.frame() - h.firstFrame(), h.rate());
    int[] rate = {h.rate().numerator(), h.rate().denominator()};
    if (at.camera() == null || at.board() != null)
      return new ExrFacts(
          h.code(), code, "", version, at.frame(), time, rate, 0, 0, 0, 0, null, null);
    plan.inTake(at.take()).evaluate(at.scene());
    Camera c = (Camera) s.get(at.camera());
    int slot = plan.slot(c.id()), o = slot * LensRow.SIZE;
    double[] l = plan.lens(), toCamera = Matrix.newInverse(plan.world(), slot * Matrix.SIZE);
    double[] toFrame = product(projection(l, o), toCamera);
    return new ExrFacts(
        h.code(),
        code,
        c.letter() + " " + c.name(),
        version,
        at.frame(),
        time,
        rate,
        l[o + LensRow.FOCAL],
        l[o + LensRow.F_STOP],
        l[o + LensRow.FOCUS],
        l[o + LensRow.SHUTTER],
        leftHanded(toCamera),
        toFrame);
  }

  /** OpenEXR's camera looks along +Z. */
  private static double[] leftHanded(double[] toCamera) {
    double[] m = toCamera.clone();
    for (int z : new int[] {Matrix.XZ, Matrix.YZ, Matrix.ZZ, Matrix.OZ}) m[z] = -m[z];
    return m;
  }

  /** a · b with all four rows, which transforms of places do without. */
  private static double[] product(double[] a, double[] b) {
    double[] out = new double[Matrix.SIZE];
    for (int column = 0; column < Matrix.SIZE; column += Matrix.COLUMN)
      for (int row = 0; row < Matrix.COLUMN; row++)
        for (int k = 0; k < Matrix.COLUMN; k++)
          out[column + row] += a[k * Matrix.COLUMN + row] * b[column + k];
    return out;
  }

  /** From the camera to the frame: 0 to 1 from the left and from the top, as OpenEXR has it. */
  private static double[] projection(double[] l, int o) {
    double left = l[o + LensRow.LEFT], right = l[o + LensRow.RIGHT];
    double bottom = l[o + LensRow.BOTTOM], top = l[o + LensRow.TOP];
    double near = l[o + LensRow.NEAR], far = l[o + LensRow.FAR];
    double[] m = new double[Matrix.SIZE];
    m[Matrix.XX] = 1 / (right - left);
    m[Matrix.YY] = -1 / (top - bottom);
    m[Matrix.ZX] = left / (right - left);
    m[Matrix.ZY] = -top / (top - bottom);
    m[Matrix.ZZ] = -(far + near) / (far - near);
    m[Matrix.ZW] = -1;
    m[Matrix.OZ] = -2 * far * near / (far - near);
    return m;
  }
}
