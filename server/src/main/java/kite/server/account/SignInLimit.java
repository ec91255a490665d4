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
 * address, and a name from all addresses. A try counts from when it begins, so that a hundred at
 * once are a hundred.
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

  private static List<String> keys(String name, String address) {
    String n = counted(name);
    return List.of("both " + address + " " + n, "address " + address, "name " + n);
  }

  private static final int[] MOST = {TRIES, FROM_ADDRESS, FOR_NAME};

  /** Counts a try; false when there were too many and it may not be made. */
  synchronized boolean begins(String name, String address) {
    List<String> keys = keys(name, address);
    for (int i = 0; i < keys.size(); i++) if (now(keys.get(i)).count >= MOST[i]) return false;
    for (String k : keys) {
      Tries t = now(k);
      tries.put(k, new Tries(t.since, t.count + 1));
    }
    return true;
  }

  private Tries now(String key) {
    Tries t = tries.get(key);
    Instant at = clock.instant();
    return t == null || t.since.plus(WHILE).isBefore(at) ? new Tries(at, 0) : t;
  }

  /** A try that was right does not count. */
  synchronized void cameIn(String name, String address) {
    List<String> keys = keys(name, address);
    tries.remove(keys.get(0));
    for (String k : keys.subList(1, keys.size())) {
      Tries t = now(k);
      if (t.count > 0) tries.put(k, new Tries(t.since, t.count - 1));
    }
  }
}
