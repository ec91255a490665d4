package kite.core.frame;

import kite.core.command.ChannelCommand;
import kite.core.command.Command;
import kite.core.command.RigCommand;
import kite.core.document.Camera;
import kite.core.math.ArcTrig;
import kite.core.math.Powers;
import kite.core.math.Trig;
import kite.core.math.Vec3;
import kite.core.optics.DeliveryWindow;

/**
 * What a hand does to a camera in its own picture: drags, steps and turns of a wheel, with the
 * amounts that make them feel alike at any distance and with any lens.
 *
 * @param camera its id
 * @param focalMm the lens when the hand took hold
 * @param window what it saw then
 * @param about what it moves about
 * @param aboutM how far that is along the axis, metres
 * @param key whether what has no keys yet gets one
 */
public record LensDrag(
    String camera,
    double frame,
    double focalMm,
    DeliveryWindow window,
    Vec3 about,
    double aboutM,
    boolean key) {
  /** What a drag does. */
  public enum Tool {
    TURN,
    ORBIT,
    TRUCK,
    DOLLY,
    ROLL,
    ZOOM
  }

  /** A drag over the height of the frame dollies by so many times the distance. */
  private static final double DOLLY_REACH = 1.5;

  /** Degrees of a drag over the width of the frame, and over its height. */
  private static final double ROLL_DEGREES = 90, ORBIT_ACROSS_DEGREES = 180, ORBIT_UP_DEGREES = 90;

  /** A drag over the height of the frame changes the focal length by e to this power. */
  private static final double ZOOM_POWER = 1.6;

  /** A step of an arrow key: degrees of a turn, or this share of the frame of any other drag. */
  private static final double STEP_DEGREES = 1, STEP_SHARE = 0.02;

  /** A notch of the wheel: this share of the distance, but within these metres. */
  private static final double NOTCH_SHARE = 0.04, SHORTEST_NOTCH_M = 0.02, LONGEST_NOTCH_M = 5;

  /** A notch of the wheel changes the focal length by e to this power. */
  private static final double NOTCH_POWER = 0.04;

  /** Focal lengths are set to hundredths of a millimetre. */
  private static final double FINEST_PER_MM = 100;

  /**
   * A drag so far.
   *
   * @param across share of the frame's width, to the right
   * @param down share of its height
   */
  public Command drag(Tool tool, double across, double down) {
    return switch (tool) {
      case TRUCK ->
          walk(
              -across * (window.right() - window.left()) * aboutM,
              down * (window.top() - window.bottom()) * aboutM,
              0,
              0,
              0,
              0);
      case DOLLY -> walk(0, 0, -down * aboutM * DOLLY_REACH, 0, 0, 0);
      case ROLL -> walk(0, 0, 0, 0, 0, across * ROLL_DEGREES);
      case ZOOM -> lens(focalMm * Powers.exp(-down * ZOOM_POWER));
      case ORBIT ->
          new RigCommand.Orbit(
              camera, frame, about, -across * ORBIT_ACROSS_DEGREES, down * ORBIT_UP_DEGREES, key);
      case TURN ->
          walk(
              0,
              0,
              0,
              across * degrees(window.left(), window.right()),
              down * degrees(window.bottom(), window.top()),
              0);
    };
  }

  /**
   * Steps of the arrow keys so far. An arrow does what a drag to its side does; but truck and roll
   * go where it points.
   *
   * @param right presses to the right less those to the left
   * @param down presses down less those up
   */
  public Command steps(Tool tool, int right, int down) {
    if (tool == Tool.TURN) return walk(0, 0, 0, -right * STEP_DEGREES, -down * STEP_DEGREES, 0);
    boolean asDragged = tool == Tool.DOLLY || tool == Tool.ZOOM || tool == Tool.ORBIT;
    return drag(tool, -right * STEP_SHARE, down * STEP_SHARE * (asDragged ? 1 : -1));
  }

  /** Notches of the wheel so far: a longer lens with each, and a shorter one with each back. */
  public Command zoom(int notches) {
    return lens(focalMm * Powers.exp(notches * NOTCH_POWER));
  }

  /** Metres towards what is looked at. */
  public Command dolly(double metres) {
    return walk(0, 0, metres, 0, 0, 0);
  }

  /** The metres of a notch of the wheel where what is looked at is so far away. */
  public static double notchM(double alongM) {
    return Math.min(LONGEST_NOTCH_M, Math.max(SHORTEST_NOTCH_M, alongM * NOTCH_SHARE));
  }

  private Command walk(
      double truck, double pedestal, double dolly, double pan, double tilt, double roll) {
    return new RigCommand.Walk(camera, frame, truck, pedestal, dolly, pan, tilt, roll, key);
  }

  private Command lens(double mm) {
    double within = Math.max(Camera.FOCAL_LENGTH.least(), Math.min(Camera.FOCAL_LENGTH.most(), mm));
    return new ChannelCommand.SetValue(
        camera,
        Camera.FOCAL_LENGTH.name(),
        frame,
        Math.rint(within * FINEST_PER_MM) / FINEST_PER_MM,
        key);
  }

  private static double degrees(double from, double to) {
    return Trig.degrees(ArcTrig.atan(to) - ArcTrig.atan(from));
  }
}
