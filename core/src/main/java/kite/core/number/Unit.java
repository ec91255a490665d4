package kite.core.number;

/** What a channel's number measures. */
public enum Unit {
  METRES,
  MILLIMETRES,
  DEGREES,
  HERTZ,
  PERCENT,
  F_STOP,
  FACTOR,
  SHARE
}
