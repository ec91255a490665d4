package kite.core.document;

/**
 * How a production names its things.
 *
 * @param shots pattern of shot codes: {sequence} is the sequence's code, each # one digit of a
 *     number that rises in tens; empty for no rule
 * @param pieces how pieces and marks are written
 * @param cameras how cameras are written
 */
public record Naming(String shots, Style pieces, Style cameras) {
  public static final Naming FREE = new Naming("{sequence}_####", Style.AS_TYPED, Style.AS_TYPED);

  /** Ways to write a name of several words. */
  public enum Style {
    AS_TYPED,
    /** Runaway kite */
    SENTENCE,
    /** runaway_kite */
    UNDERSCORES,
    /** RunawayKite */
    JOINED
  }
}
