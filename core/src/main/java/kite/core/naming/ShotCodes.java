package kite.core.naming;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import kite.core.cut.Cut;
import kite.core.document.Sequence;

/** Codes for new shots, by the production's pattern. */
public final class ShotCodes {
  /** What shots are called where the production has no rule. */
  private static final String USUAL = "{sequence}_####";

  private static final int STEP = 10;

  /** Between two shots the roundest number is taken. */
  private static final int[] ROUND = {10, 5, 1};

  private static final Pattern NUMBER = Pattern.compile("([0-9]+)[^0-9]*$");

  private ShotCodes() {}

  /**
   * A free code for a shot that begins on a frame: the next ten after the last shot, and between
   * two shots the roundest number between theirs (0030, 0035, 0040).
   */
  public static String next(Sequence s, int frame) {
    List<Cut.Span> spans = Cut.spans(s);
    Set<String> names = new HashSet<>();
    int before = 0, after = Integer.MAX_VALUE, last = 0;
    for (Cut.Span c : spans) {
      int n = numberOf(c.shot());
      names.add(c.shot());
      last = Math.max(last, n);
      if (c.first() <= frame) before = Math.max(before, n);
      else after = Math.min(after, n);
    }
    int found = ten(last);
    if (after == Integer.MAX_VALUE) found = ten(before);
    else if (after > before + 1) found = between(before, after);
    String pattern = s.header().standards().naming().shots();
    if (pattern.isEmpty()) pattern = USUAL;
    while (names.contains(NamingRules.numbered(pattern, s.header().code(), found))) found++;
    return NamingRules.numbered(pattern, s.header().code(), found);
  }

  private static int ten(int after) {
    return after / STEP * STEP + STEP;
  }

  private static int between(int before, int after) {
    double middle = (before + after) / 2.0;
    for (int step : ROUND) {
      int n = (int) Math.round(middle / step) * step;
      if (n > before && n < after) return n;
    }
    throw new IllegalStateException("no whole number between " + before + " and " + after);
  }

  /** The last number of a shot's name; 0 without one. */
  private static int numberOf(String shot) {
    Matcher m = NUMBER.matcher(shot);
    if (!m.find()) return 0;
    String digits = m.group(1);
    return Integer.parseInt(digits.length() > 8 ? digits.substring(digits.length() - 8) : digits);
  }
}
