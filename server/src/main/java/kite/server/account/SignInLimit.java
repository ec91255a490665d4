package kite.server.account;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import io.github.bucket4j.Bucket;
import io.github.bucket4j.TimeMeter;
import java.text.Normalizer;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Locale;
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

  private final TimeMeter time;

  /** Those that nobody has asked for in a while are full again. */
  private final Cache<String, Bucket> buckets =
      Caffeine.newBuilder().maximumSize(MOST_REMEMBERED).expireAfterAccess(WHILE).build();

  public SignInLimit(Clock clock) {
    time =
        new TimeMeter() {
          @Override
          public long currentTimeNanos() {
            return ChronoUnit.NANOS.between(Instant.EPOCH, clock.instant());
          }

          @Override
          public boolean isWallClockBased() {
            return true;
          }
        };
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
    for (Measure m : measures) if (bucket(m).getAvailableTokens() < 1) return false;
    for (Measure m : measures) bucket(m).tryConsume(1);
    return true;
  }

  private Bucket bucket(Measure m) {
    return buckets.get(
        m.key,
        k ->
            Bucket.builder()
                .addLimit(b -> b.capacity(m.most).refillIntervally(m.most, WHILE))
                .withCustomTimePrecision(time)
                .build());
  }

  /** A try that was right does not count. */
  public synchronized void cameIn(String name, String address, String browser) {
    List<Measure> measures = measures(name, address, browser);
    buckets.invalidate(measures.get(0).key);
    for (Measure m : measures.subList(1, measures.size())) bucket(m).addTokens(1);
  }
}
