package kite.core.number;

/** What a number measures. */
public enum Unit {
  METRES,
  MILLIMETRES,
  DEGREES,
  HERTZ,
  SECONDS,
  DECIBELS,
  PERCENT,
  F_STOP,
  FACTOR,
  SHARE
}
