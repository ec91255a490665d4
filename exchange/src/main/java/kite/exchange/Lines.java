package kite.exchange;

import java.nio.charset.StandardCharsets;

/** The lines of a text file, one at a time, so that a file of blank lines costs nothing. */
public final class Lines {
  private final byte[] bytes;
  private final int longest;
  private final Budget budget;
  private int at;
  private int number;

  /**
   * @param longest bytes in a line
   */
  public Lines(byte[] bytes, int longest, Budget budget) {
    this.bytes = bytes;
    this.longest = longest;
    this.budget = budget;
  }

  /** The number of the line last given, from 1. */
  public int number() {
    return number;
  }

  /**
   * The next line that is not blank, without its end; null behind the last.
   *
   * @throws BadFile when a line is too long, or reading takes too long
   */
  public String next() throws BadFile {
    while (at < bytes.length) {
      budget.step();
      number++;
      int from = at;
      boolean blank = true;
      while (at < bytes.length && bytes[at] != '\n' && bytes[at] != '\r')
        blank &= bytes[at++] <= ' ' && bytes[at - 1] >= 0;
      int end = at;
      if (at < bytes.length && bytes[at++] == '\r' && at < bytes.length && bytes[at] == '\n') at++;
      if (blank) continue;
      if (end - from > longest)
        throw new BadFile(
            "Line " + number + " is longer than " + longest + " letters, which no real file has.");
      return new String(bytes, from, end - from, StandardCharsets.UTF_8);
    }
    return null;
  }
}
