package kite.core.curve;

/** What a curve does as it leaves a key and arrives at it. */
public enum KeyShape {
  /** Stays at this key's value until the next key. */
  HOLD,
  /** Goes straight to the next key. */
  STRAIGHT,
  /** Rounds through the key without ever passing its neighbours' values; flat at extremes. */
  SMOOTH,
  /** Uses the artist's own handles. */
  FREE
}
