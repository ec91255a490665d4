package kite.server.rights;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import kite.server.Problem;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.transaction.event.TransactionPhase;
import org.springframework.transaction.event.TransactionalEventListener;

/**
 * Tells what who asks may do. Each question is answered with true or ends in the sentence that says
 * why not; where somebody has no role, it is as if there were nothing.
 */
@Component("rights")
public class Rights {
  /** How long another server on the same database may take to hear of changed rights. */
  static final Duration REMEMBERED = Duration.ofSeconds(5);

  private static final int MOST_REMEMBERED = 20_000;

  private final Members members;
  private final Clock clock;

  private record Asked(String name, UUID sequence) {}

  private final Cache<Asked, Optional<Members.Standing>> remembered =
      Caffeine.newBuilder().expireAfterWrite(REMEMBERED).maximumSize(MOST_REMEMBERED).build();

  Rights(Members members, Clock clock) {
    this.members = members;
    this.clock = clock;
  }

  /** Before those who ask what has changed. */
  @Order(0)
  @TransactionalEventListener(phase = TransactionPhase.AFTER_COMMIT, fallbackExecution = true)
  public void changed(RightsChanged changed) {
    remembered.invalidateAll();
  }

  public boolean hasAccount() {
    Who who = Who.now();
    if (who.isGuest()) throw guestOnly(who);
    return true;
  }

  public boolean administers() {
    hasAccount();
    if (members.administers(Who.now().name()).orElse(false)) return true;
    throw refused("This is for those who administer the studio. Ask one of them.");
  }

  /**
   * @param least the name of the {@link Role} that is needed
   */
  public boolean sequence(UUID sequence, String least) {
    if (mayIn(Who.now(), sequence, Role.valueOf(least))) return true;
    throw Problem.missing("sequence");
  }

  /** Whether somebody may look at a sequence now; asked for those who listen, too. */
  public boolean sees(Who who, UUID sequence) {
    return who.isGuest()
        ? members.shownBy(who.link(), clock.instant()).filter(sequence::equals).isPresent()
        : standing(who.name(), sequence).map(Members.Standing::stands).isPresent();
  }

  /** The sequence that a guest who asks looks at; null for others, and when the link has ended. */
  public UUID guestOf() {
    Who who = Who.now();
    return who.isGuest() ? members.shownBy(who.link(), clock.instant()).orElse(null) : null;
  }

  /** What who asks may do in a sequence. */
  public Role roleIn(UUID sequence) {
    Who who = Who.now();
    if (who.isGuest()) return Role.GUEST;
    return standing(who.name(), sequence)
        .map(Members.Standing::stands)
        .orElseThrow(() -> Problem.missing("sequence"));
  }

  /** The production of a sequence that is there. */
  public UUID productionOf(UUID sequence) {
    return members.productionOf(sequence).orElseThrow(() -> Problem.missing("sequence"));
  }

  public boolean production(UUID production, String least) {
    hasAccount();
    Members.Standing s =
        members
            .inProduction(Who.now().name(), production)
            .filter(x -> x.stands() != null)
            .orElseThrow(() -> Problem.missing("production"));
    refuseUnder(s, Role.valueOf(least));
    return true;
  }

  /** The productions that who asks has a role in, with it. */
  public Map<UUID, Role> productions() {
    hasAccount();
    Map<UUID, Role> all = new HashMap<>();
    for (Members.Standing s : members.all(Who.now().name()))
      if (s.stands() != null) all.put(s.production(), s.stands());
    return all;
  }

  public boolean render(UUID render) {
    UUID sequence = members.sequenceOf(render).orElse(null);
    if (sequence != null && mayIn(Who.now(), sequence, Role.REVIEWER)) return true;
    throw Problem.missing("render");
  }

  public boolean asset(String sha) {
    Who who = Who.now();
    boolean theirs =
        who.isGuest() ? members.hasAsset(shown(who), sha) : members.hasAsset(who.name(), sha);
    if (theirs) return true;
    throw Problem.missing("model");
  }

  private boolean mayIn(Who who, UUID sequence, Role least) {
    if (who.isGuest()) {
      if (!shown(who).equals(sequence)) return false;
      if (least != Role.GUEST) throw guestOnly(who);
      return true;
    }
    Members.Standing s = standing(who.name(), sequence).orElse(null);
    if (s == null || s.stands() == null) return false;
    refuseUnder(s, least);
    return true;
  }

  private Optional<Members.Standing> standing(String name, UUID sequence) {
    return remembered.get(new Asked(name, sequence), a -> members.inSequence(a.name, a.sequence));
  }

  private static void refuseUnder(Members.Standing s, Role least) {
    if (s.stands().may(least)) return;
    throw refused(
        "You are "
            + s.stands().words()
            + " in "
            + s.name()
            + "; this takes "
            + least.words()
            + ". Ask someone who leads it.");
  }

  /** What a guest's link shows. */
  private UUID shown(Who who) {
    return members
        .shownBy(who.link(), clock.instant())
        .orElseThrow(
            () -> refused("The link you came by has ended. Ask who sent it for another one."));
  }

  private Problem guestOnly(Who who) {
    shown(who);
    return refused("You came by a link, to look. For this one has an account.");
  }

  private static Problem refused(String text) {
    return new Problem(HttpStatus.FORBIDDEN, "rights", text);
  }
}
