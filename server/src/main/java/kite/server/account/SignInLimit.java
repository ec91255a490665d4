package kite.server.account;

import java.text.Normalizer;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.springframework.stereotype.Component;

/**
 * How often a sign-in may be tried within a while: a name from one address, all names from one
 * address, and a name from all addresses. A browser in which the name has signed in before counts
 * for itself: others behind its address cannot lock it out. A try counts from when it begins, so
 * that a hundred at once are a hundred.
 */
@Component
public class SignInLimit {
  static final int TRIES = 8, FROM_ADDRESS = 40, FOR_NAME = 60;
  static final Duration WHILE = Duration.ofMinutes(2);

  /** The longest name that is told from others; no account has a longer one. */
  private static final int LONGEST_NAME = 120;

  private static final int MOST_REMEMBERED = 30_000;
  private final Clock clock;

  private record Tries(Instant since, int count) {}

  private final Map<String, Tries> tries =
      new LinkedHashMap<>(16, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<String, Tries> eldest) {
          return size() > MOST_REMEMBERED;
        }
      };

  public SignInLimit(Clock clock) {
    this.clock = clock;
  }

  /** A name as it is counted: however it is spaced, composed or capitalised. */
  private static String counted(String name) {
    String s = name == null ? "" : name;
    s = s.length() > LONGEST_NAME ? s.substring(0, LONGEST_NAME) : s;
    return Normalizer.normalize(s, Normalizer.Form.NFKC).strip().toLowerCase(Locale.ROOT);
  }

  /** One way in which tries are counted, and how many of them there may be. */
  private record Measure(String key, int most) {}

  private static List<Measure> measures(String name, String address, String browser) {
    String n = counted(name);
    if (browser != null) return List.of(new Measure("browser " + browser + " " + n, TRIES));
    return List.of(
        new Measure("both " + address + " " + n, TRIES),
        new Measure("address " + address, FROM_ADDRESS),
        new Measure("name " + n, FOR_NAME));
  }

  /**
   * Counts a try; false when there were too many and it may not be made.
   *
   * @param browser the number of a browser in which the name has signed in before, or null
   */
  public synchronized boolean begins(String name, String address, String browser) {
    List<Measure> measures = measures(name, address, browser);
    for (Measure m : measures) if (now(m.key).count >= m.most) return false;
    for (Measure m : measures) {
      Tries t = now(m.key);
      tries.put(m.key, new Tries(t.since, t.count + 1));
    }
    return true;
  }

  private Tries now(String key) {
    Tries t = tries.get(key);
    Instant at = clock.instant();
    return t == null || t.since.plus(WHILE).isBefore(at) ? new Tries(at, 0) : t;
  }

  /** A try that was right does not count. */
  public synchronized void cameIn(String name, String address, String browser) {
    List<Measure> measures = measures(name, address, browser);
    tries.remove(measures.get(0).key);
    for (Measure m : measures.subList(1, measures.size())) {
      Tries t = now(m.key);
      if (t.count > 0) tries.put(m.key, new Tries(t.since, t.count - 1));
    }
  }
}
