package kite.core.cut;

import java.util.ArrayList;
import java.util.List;

/**
 * Places in an order, as words that sort: between any two there is another, so that putting
 * something between changes nothing but that. Digits of base 36; the first three count, the others
 * halve what is left (fractional indexing).
 */
public final class Ranks {
  private static final String DIGITS = "0123456789abcdefghijklmnopqrstuvwxyz";
  private static final int BASE = DIGITS.length();
  private static final int COUNTED = 3;
  private static final int ALL = BASE * BASE * BASE;

  /** Longer words are a sign of an order that was never made anew. */
  public static final int LONGEST = 200;

  private Ranks() {}

  /** So many, with the same room between all of them. */
  public static List<String> spread(int count) {
    List<String> all = new ArrayList<>();
    // those of a long order need more digits than are counted
    int room = 1 + count / (ALL / 2);
    for (int i = 0; i < count; i++) {
      long n = (long) (i + 1) * ALL * room / (count + 1);
      String word = counted((int) (n / room));
      all.add(room == 1 ? word : word + DIGITS.charAt(1 + (int) (n % room)));
    }
    return all;
  }

  /**
   * One between two, or null where there is none and the order has to be made anew.
   *
   * @param before null for none
   * @param after null for none
   */
  public static String between(String before, String after) {
    String found = found(before, after);
    boolean fits =
        found != null
            && found.length() <= LONGEST
            && (before == null || before.compareTo(found) < 0)
            && (after == null || found.compareTo(after) < 0);
    return fits ? found : null;
  }

  private static String found(String before, String after) {
    if (before == null && after == null) return counted(ALL / 2);
    if (after == null) {
      int n = number(before) + 1;
      return n < ALL ? counted(n) : before + DIGITS.charAt(BASE / 2);
    }
    if (before == null) {
      int n = number(after) - 1;
      return n > 0 ? counted(n) : halved("", after);
    }
    return halved(before, after);
  }

  private static String halved(String before, String after) {
    StringBuilder word = new StringBuilder();
    boolean open = false; // whether a digit above that of the later one may follow
    for (int i = 0; i <= LONGEST; i++) {
      int a = i < before.length() ? DIGITS.indexOf(before.charAt(i)) : 0;
      int b = open ? BASE : i < after.length() ? DIGITS.indexOf(after.charAt(i)) : -1;
      if (b < 0) return null;
      if (b - a > 1) return word.append(DIGITS.charAt((a + b) / 2)).toString();
      if (b - a == 1) open = true;
      else if (b < a) return null;
      word.append(DIGITS.charAt(a));
    }
    return null;
  }

  private static int number(String word) {
    int n = 0;
    for (int i = 0; i < COUNTED; i++)
      n = n * BASE + (i < word.length() ? DIGITS.indexOf(word.charAt(i)) : 0);
    return n;
  }

  private static String counted(int n) {
    return ""
        + DIGITS.charAt(n / BASE / BASE)
        + DIGITS.charAt(n / BASE % BASE)
        + DIGITS.charAt(n % BASE);
  }
}
