package kite.core.curve;

/** What a curve does before its first and after its last key. */
public enum Extrapolation {
  HOLD,
  STRAIGHT,
  REPEAT,
  REPEAT_OFFSET
}
