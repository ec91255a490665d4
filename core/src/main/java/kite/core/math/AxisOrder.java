package kite.core.math;

/**
 * The order in which three angles are applied, outermost axis first. Pan turns about Y, tilt about
 * X, roll about Z; {@link #PAN_TILT_ROLL} is what a tripod head does.
 */
public enum AxisOrder {
  PAN_TILT_ROLL(1, 0, 2),
  PAN_ROLL_TILT(1, 2, 0),
  TILT_PAN_ROLL(0, 1, 2),
  TILT_ROLL_PAN(0, 2, 1),
  ROLL_PAN_TILT(2, 1, 0),
  ROLL_TILT_PAN(2, 0, 1);

  final int first;
  final int second;
  final int third;

  AxisOrder(int first, int second, int third) {
    this.first = first;
    this.second = second;
    this.third = third;
  }
}
