package kite.core.cue;

/** How a share of travel grows with a share of time. All start at 0 and end at 1. */
public enum Ease {
  EVEN,
  SLOW_START,
  SLOW_STOP,
  SLOW_BOTH;

  /** Travel done after a share {@code t} of the time; outside 0–1 it stays at its end. */
  public double at(double t) {
    if (t <= 0) return 0;
    if (t >= 1) return 1;
    return switch (this) {
      case EVEN -> t;
      case SLOW_START -> t * t;
      case SLOW_STOP -> t * (2 - t);
      case SLOW_BOTH -> t * t * (3 - 2 * t);
    };
  }
}
