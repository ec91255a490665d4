package kite.core.evaluate;

import kite.core.curve.CompiledCurve;
import kite.core.document.Channels;
import kite.core.document.Place;
import kite.core.math.Rotation;
import kite.core.math.Trig;

/** Pan, tilt and roll of what has them as channels, in degrees, ready for evaluation. */
public final class TurnCurves {
  private final CompiledCurve pan;
  private final CompiledCurve tilt;
  private final CompiledCurve roll;

  public TurnCurves(Channels c) {
    pan = c.compiled(Place.PAN);
    tilt = c.compiled(Place.TILT);
    roll = c.compiled(Place.ROLL);
  }

  /**
   * Writes the rotation at a frame; a transform's place is left as it is.
   *
   * @param share how much of each angle is taken
   */
  public void write(double frame, double share, double[] out) {
    Rotation.panTiltRoll(
        share * Trig.radians(pan.value(frame)),
        share * Trig.radians(tilt.value(frame)),
        share * Trig.radians(roll.value(frame)),
        out,
        0);
  }
}
