package kite.core.evaluate;

/** One rig part ready for evaluation: takes the transform below it and yields its own, in place. */
interface Step {
  void apply(double frame, Plan plan, Sight sight, double[] m);
}
