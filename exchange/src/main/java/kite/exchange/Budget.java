package kite.exchange;

import java.time.Duration;
import java.util.function.LongSupplier;

/**
 * What reading one file may cost. Memory is asked for by the sizes a file declares, before it is
 * taken; time is looked at between steps. For one reading on one thread.
 */
public final class Budget {
  /** More than a film's largest models need, and a server's heap holds several at once. */
  public static final long MOST_BYTES = 512L << 20;

  /** A file of the largest size that is honest takes a few seconds. */
  public static final Duration LONGEST = Duration.ofSeconds(20);

  /** Steps between two looks at the clock: some microseconds of work. */
  private static final int STEPS_PER_LOOK = 256;

  private final long most;
  private final long longestNanos;
  private final LongSupplier nanos;
  private final long began;
  private long taken;
  private int steps;

  /**
   * @param mostBytes what may be held at once
   * @param nanos a clock that counts nanoseconds
   */
  public Budget(long mostBytes, Duration longest, LongSupplier nanos) {
    this.most = mostBytes;
    this.longestNanos = longest.toNanos();
    this.nanos = nanos;
    this.began = nanos.getAsLong();
  }

  public static Budget usual() {
    return new Budget(MOST_BYTES, LONGEST, System::nanoTime);
  }

  /**
   * Asks for memory before it is used.
   *
   * @param bytes not negative
   * @param what what it is for, as a sentence begins with it: “Image 3 of the model”
   * @throws BadFile when the file would take more than it may
   */
  public void take(long bytes, String what) throws BadFile {
    if (bytes > most - taken)
      throw new BadFile(
          what
              + " would take more memory than one file may ("
              + (most >> 20)
              + " MB when it is open). Bring a lighter version.");
    taken += bytes;
  }

  /** Gives memory back that is not used any more. */
  public void giveBack(long bytes) {
    taken -= bytes;
  }

  /**
   * To be called between pieces of work of about a microsecond.
   *
   * @throws BadFile when the reading has lasted too long
   */
  public void step() throws BadFile {
    if (++steps % STEPS_PER_LOOK == 0) look();
  }

  /** As above, between pieces of work that last longer. */
  public void look() throws BadFile {
    if (nanos.getAsLong() - began > longestNanos)
      throw new BadFile(
          "Reading the file takes longer than "
              + longestNanos / 1_000_000_000
              + " seconds, so it was left. Bring a lighter version.");
  }
}
