package kite.core.bake;

import java.util.ArrayList;
import java.util.List;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.curve.KeyShape;
import kite.core.document.Camera;
import kite.core.document.CameraPackage;
import kite.core.document.Channels;
import kite.core.document.Sequence;
import kite.core.math.Matrix;
import kite.core.math.Vec3;
import kite.core.optics.AngleOfView;
import kite.core.optics.DeliveryWindow;
import kite.core.optics.FilmBack;
import kite.core.optics.Fit;
import kite.core.rig.base.Base;
import kite.core.rig.head.Head;

/**
 * A camera's motion as a file of another program gives it: one row per frame.
 *
 * @param world 16 numbers a row, column by column, in the file's units and axes; the camera looks
 *     along its −Z
 * @param focalLengthMm one a row, or empty when the file has none
 * @param verticalDegrees angle of view instead of a focal length, or 0
 * @param zUp whether the file says that its up is +Z
 * @param unitM metres per unit as the file says, or 1
 * @param filmBackMm width and height (0 where it is not said) that the focal lengths are for, or
 *     empty
 */
public record CameraTrack(
    String name,
    double[] frames,
    double[] world,
    double[] focalLengthMm,
    double verticalDegrees,
    boolean zUp,
    double unitM,
    double[] filmBackMm) {

  /** How the file's numbers are to be taken. */
  public record Taken(boolean zUp, double unitM, double firstFrame) {}

  /** World transforms in metres, +Y up, 16 numbers a row. */
  public double[] metres(Taken t) {
    double[] out = new double[world.length];
    for (int r = 0; r < frames.length; r++) {
      int o = r * Matrix.SIZE;
      for (int c = 0; c < 4; c++) {
        double x = world[o + c * 4], y = world[o + c * 4 + 1], z = world[o + c * 4 + 2];
        double k = c == 3 ? t.unitM() : 1;
        out[o + c * 4] = x * k;
        out[o + c * 4 + 1] = (t.zUp() ? z : y) * k;
        out[o + c * 4 + 2] = (t.zUp() ? -y : z) * k;
      }
      out[o + Matrix.OW] = 1;
      Matrix.makeRigid(out, o);
    }
    return out;
  }

  /** Where it is in metres, +Y up: x, y, z each. */
  public double[] places(Taken t) {
    double[] m = metres(t), places = new double[frames.length * 3];
    for (int r = 0; r < frames.length; r++) {
      Vec3 at = Matrix.newOrigin(m, r * Matrix.SIZE);
      places[r * 3] = at.x();
      places[r * 3 + 1] = at.y();
      places[r * 3 + 2] = at.z();
    }
    return places;
  }

  /** The camera that moves so: a base with a straight key on every frame, under a free head. */
  public Camera camera(Sequence s, Taken t, String id) {
    double[] m = metres(t), angles = new double[frames.length * 3];
    for (int r = 0; r < frames.length; r++) Bake.continuousAngles(m, angles, r);
    Channels base = Channels.NONE;
    String[] places = {"x", "y", "z"}, turns = {"pan", "tilt", "roll"};
    for (int i = 0; i < 3; i++) {
      int axis = i;
      base = base.with(places[i], curve(t, r -> m[r * Matrix.SIZE + Matrix.OX + axis]));
      base = base.with(turns[i], curve(t, r -> angles[r * 3 + axis]));
    }
    Channels lens = Channels.NONE;
    if (focalLengthMm.length == frames.length) {
      lens = lens.with("focalLength", curve(t, r -> focalLengthMm[r]));
    } else if (verticalDegrees > 0) {
      var p = s.header().cameraPackage();
      DeliveryWindow unit = DeliveryWindow.of(1, p.filmBack(), p.aspect(), p.fit(), 0, 0);
      lens = lens.with("focalLength", AngleOfView.focalLengthMm(unit.height(), verticalDegrees));
    }
    Camera made =
        new Camera(
            id,
            name.isBlank() ? "Tracked camera" : name,
            s.freeLetter(),
            COLOUR,
            false,
            false,
            lens,
            List.of(
                new Base("base", true, null, Base.Takes.POSITION, base),
                new Head("head", true, Channels.NONE)));
    FilmBack own = ownBack(s.header().cameraPackage());
    return own == null ? made : made.withFilmBack(own).withFit(Fit.WIDTH);
  }

  /** The file's film back where it is as wide as no picture of the sequence's; else null. */
  private FilmBack ownBack(CameraPackage p) {
    if (filmBackMm.length < 2 || !(filmBackMm[0] > 0)) return null;
    DeliveryWindow unit = DeliveryWindow.of(1, p.filmBack(), p.aspect(), p.fit(), 0, 0);
    double wide = filmBackMm[0], high = filmBackMm[1] > 0 ? filmBackMm[1] : wide / p.aspect();
    if (Math.abs((unit.right() - unit.left()) / wide - 1) < SAME_BACK) return null;
    return new FilmBack(wide, high, 1);
  }

  /** Film backs whose widths differ by less than this share are one. */
  private static final double SAME_BACK = 1e-3;

  private static final String COLOUR = "#7fb2f0";

  /** One number of a row. */
  private interface Row {
    double at(int row);
  }

  /** A curve over the frames; a fixed value where it never changes. */
  private Channel curve(Taken t, Row value) {
    List<Key> keys = new ArrayList<>();
    boolean same = true;
    for (int r = 0; r < frames.length; r++) {
      same &= value.at(r) == value.at(0);
      keys.add(Key.of(t.firstFrame() + frames[r] - frames[0], value.at(r), KeyShape.STRAIGHT));
    }
    return same ? Channel.fixed(value.at(0)) : new Channel.Curve(keys);
  }
}
