package kite.core.begin;

import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The code that a production's next sequence would have. */
public final class NextCode {
  private static final Pattern NUMBERED = Pattern.compile("(.*?)(\\d+)(\\D*)");
  private static final int TENS = 10;

  /** Digits of the first number when there is nothing to go by. */
  private static final int DIGITS = 3;

  private NextCode() {}

  /**
   * Goes on from the highest of the codes that end in a number as the last one does: in tens where
   * all of them are tens, else by one, with as many digits.
   *
   * @param production the production's short code: what the first sequence's begins with
   * @param codes in any order
   */
  public static String after(String production, List<String> codes) {
    String head = production, tail = "";
    int digits = DIGITS;
    long most = 0;
    boolean tens = true;
    for (String code : codes) {
      Matcher m = NUMBERED.matcher(code);
      if (!m.matches() || m.group(2).length() > 9) continue;
      long number = Long.parseLong(m.group(2));
      tens &= number % TENS == 0;
      if (number < most) continue;
      most = number;
      head = m.group(1);
      digits = m.group(2).length();
      tail = m.group(3);
    }
    String number = Long.toString(tens ? most + TENS : most + 1);
    return head + "0".repeat(Math.max(0, digits - number.length())) + number + tail;
  }
}
