package kite.server.people;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import kite.core.begin.GivenNames;
import kite.server.Problem;
import kite.server.account.Audit;
import kite.server.rights.RightsChanged;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Links by which somebody without an account looks at one sequence. */
@Service
class Guests {
  static final int MOST_DAYS = 365;
  private static final int MOST_LINKS = 200;

  private final GuestLinks links;
  private final Audit audit;
  private final ApplicationEventPublisher events;
  private final SecureRandom random;
  private final Clock clock;

  Guests(
      GuestLinks links,
      Audit audit,
      ApplicationEventPublisher events,
      SecureRandom random,
      Clock clock) {
    this.links = links;
    this.audit = audit;
    this.events = events;
    this.random = random;
    this.clock = clock;
  }

  /** A link as a list shows it. */
  record Shown(UUID id, String note, String by, Instant madeAt, Instant endsAt) {}

  @Transactional(readOnly = true)
  List<Shown> open(UUID sequence) {
    return links.open(sequence, clock.instant()).stream()
        .map(g -> new Shown(g.id, g.note, g.madeBy, g.madeAt, g.endsAt))
        .toList();
  }

  /** Makes a link; its secret is told this once. */
  @Transactional
  Coming.Made make(UUID sequence, String note, int days, String by) {
    if (days < 1 || days > MOST_DAYS)
      throw new Problem(
          HttpStatus.UNPROCESSABLE_CONTENT,
          "range",
          "days",
          "A link is good for 1 to " + MOST_DAYS + " days.");
    Instant now = clock.instant();
    if (links.open(sequence, now).size() >= MOST_LINKS)
      throw new Problem(
          HttpStatus.CONFLICT, "many", "A sequence has at most " + MOST_LINKS + " links.");
    String secret = Secret.made(random);
    GuestLink g = new GuestLink();
    g.id = UUID.randomUUID();
    g.secretSha256 = Secret.kept(secret);
    g.sequenceId = sequence;
    g.note = GivenNames.title("note", note);
    g.madeBy = by;
    g.madeAt = now;
    g.endsAt = now.plus(Duration.ofDays(days));
    links.save(g);
    audit.note(by, "made a guest's link", sequence + ": " + g.note, "");
    return new Coming.Made(g.id, secret, g.endsAt);
  }

  @Transactional
  void end(UUID sequence, UUID link, String by) {
    GuestLink g =
        links
            .findById(link)
            .filter(x -> x.sequenceId.equals(sequence))
            .orElseThrow(() -> Problem.missing("link"));
    if (g.endedAt == null) g.endedAt = clock.instant();
    audit.note(by, "ended a guest's link", sequence + ": " + g.note, "");
    events.publishEvent(new RightsChanged());
  }

  /** The link that a secret opens now. */
  @Transactional
  GuestLink open(String secret, String address) {
    GuestLink g =
        links
            .findBySecretSha256(Secret.kept(secret))
            .orElseThrow(
                () ->
                    new Problem(
                        HttpStatus.NOT_FOUND,
                        "missing",
                        "This link is not known here. Check that all of it was copied."));
    if (g.endedAt != null || g.endsAt.isBefore(clock.instant()))
      throw new Problem(
          HttpStatus.GONE, "ended", "This link has ended. Ask who sent it for another one.");
    audit.note(
        "guest " + g.note, "came by a link of " + g.madeBy, g.sequenceId.toString(), address);
    return g;
  }
}
