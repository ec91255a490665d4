package kite.core.naming;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import kite.core.cut.Programme;
import kite.core.document.Sequence;
import kite.core.document.Shot;

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
   * A free code for a shot that is put before the one at an index of the programme: the next ten
   * behind the last, and between two the roundest number between theirs (0030, 0035, 0040).
   */
  public static String next(Sequence s, int index) {
    List<Shot> shots = Programme.order(s);
    Set<String> names = new HashSet<>();
    int last = 0;
    for (Shot x : shots) {
      names.add(x.name());
      last = Math.max(last, numberOf(x.name()));
    }
    int before = index > 0 ? numberOf(shots.get(index - 1).name()) : 0;
    int after = index < shots.size() ? numberOf(shots.get(index).name()) : Integer.MAX_VALUE;
    int found = ten(last);
    if (after == Integer.MAX_VALUE) found = ten(Math.max(before, last));
    else if (after > before + 1) found = between(before, after);
    while (names.contains(named(s, found))) found++;
    return named(s, found);
  }

  /** A shot and the code it would have. */
  public record Renumbered(String id, String code, String better) {}

  /**
   * The codes the shots would have in tens in the order of the programme; those that keep theirs
   * stand in between as they are, and their codes are given to nobody else.
   *
   * @param keep ids of shots that keep theirs: what is approved is known by its code
   */
  public static List<Renumbered> inOrder(Sequence s, Set<String> keep) {
    List<Shot> shots = Programme.order(s);
    Set<String> taken = new HashSet<>();
    for (Shot x : shots) if (keep.contains(x.id())) taken.add(x.name());
    List<Renumbered> all = new ArrayList<>();
    int number = 0;
    for (Shot x : shots) {
      if (keep.contains(x.id())) {
        number = Math.max(number, numberOf(x.name()));
        continue;
      }
      number = ten(number);
      while (!taken.add(named(s, number))) number += STEP;
      String better = named(s, number);
      if (!better.equals(x.name())) all.add(new Renumbered(x.id(), x.name(), better));
    }
    return all;
  }

  private static String named(Sequence s, int number) {
    String pattern = s.header().standards().naming().shots();
    return NamingRules.numbered(pattern.isEmpty() ? USUAL : pattern, s.header().code(), number);
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
