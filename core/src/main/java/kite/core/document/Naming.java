package kite.core.document;

import java.util.List;

/**
 * How a production names its things.
 *
 * @param shots pattern of shot codes: {sequence} is the sequence's code, each # one digit of a
 *     number that rises in tens; empty for no rule
 * @param pieces how pieces and marks are written
 * @param cameras how cameras are written
 * @param files ways to call rendered files, the usual one first; never none
 */
public record Naming(String shots, Style pieces, Style cameras, List<FileNames> files) {
  public Naming {
    files = files.isEmpty() ? List.of(FileNames.USUAL) : List.copyOf(files);
  }

  public Naming(String shots, Style pieces, Style cameras) {
    this(shots, pieces, cameras, List.of());
  }

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
