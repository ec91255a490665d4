package kite.core.rig.operator;

/**
 * What each way of holding a camera amounts to, in metres, degrees and hertz: rough figures of what
 * a person does, chosen by eye, not measured on anyone.
 *
 * @param swayM drift to each side, up and fore, at {@code swayHz}
 * @param turnDegrees pan and tilt, at {@code turnHz}
 * @param bobM rise and fall with each footfall; 0 stands still
 * @param joltDegrees tilt that follows a footfall and dies away
 * @param breathM rise with the breath, {@code BREATH_HZ} times a second
 */
record Gait(
    double swayM,
    double swayHz,
    double turnDegrees,
    double turnHz,
    double leanDegrees,
    double bobM,
    double joltDegrees,
    double breathM) {

  static final double BREATH_HZ = 0.26;

  static Gait of(Operator.Preset p) {
    return switch (p) {
      case ON_SHOULDER -> new Gait(0.012, 0.42, 0.30, 0.65, 0.16, 0, 0, 0.005);
      case STANDING -> new Gait(0.020, 0.38, 0.55, 0.80, 0.30, 0, 0, 0.007);
      case WALKING -> new Gait(0.035, 0.55, 0.80, 0.90, 0.50, 0.032, 0.35, 0.004);
      case RUNNING -> new Gait(0.055, 0.90, 1.90, 1.50, 1.30, 0.070, 1.20, 0.004);
      case STABILISED -> new Gait(0.014, 0.25, 0.12, 0.35, 0.05, 0.006, 0, 0.002);
    };
  }
}
