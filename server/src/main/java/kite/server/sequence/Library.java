package kite.server.sequence;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import kite.core.begin.GivenNames;
import kite.core.begin.NewSequence;
import kite.core.begin.NextCode;
import kite.core.begin.StartingPoint;
import kite.core.command.SequenceCommand;
import kite.core.document.Beginning;
import kite.core.document.Header;
import kite.core.document.Sequence;
import kite.core.document.Standards;
import kite.core.form.StandardsJson;
import kite.core.rules.StandardsRules;
import kite.server.Problem;
import kite.server.rights.Role;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Productions and their sequences: beginning them, finding them, and where they are. */
@Service
public class Library {
  /** Sequences that a list gives at a time. */
  static final int PAGE = 60;

  /** How long what is in the bin can be brought back. */
  static final Duration KEPT_IN_BIN = Duration.ofDays(30);

  private final Productions productions;
  private final Sequences sequences;
  private final HeldSequences held;
  private final SequenceStore store;
  private final Removing removing;
  private final Clock clock;

  Library(
      Productions productions,
      Sequences sequences,
      HeldSequences held,
      SequenceStore store,
      Removing removing,
      Clock clock) {
    this.productions = productions;
    this.sequences = sequences;
    this.held = held;
    this.store = store;
    this.removing = removing;
    this.clock = clock;
  }

  /** A production as a list shows it. */
  record ProductionShown(UUID id, String name, String code, long sequences, Role role) {}

  /**
   * Those productions that somebody sees.
   *
   * @param seen with their role there
   */
  @Transactional(readOnly = true)
  List<ProductionShown> productions(Map<UUID, Role> seen) {
    Map<UUID, Long> counts = new HashMap<>();
    for (Object[] c : sequences.counts()) counts.put((UUID) c[0], (Long) c[1]);
    return productions.named().stream()
        .filter(p -> seen.containsKey(p.id()))
        .map(
            p ->
                new ProductionShown(
                    p.id(), p.name(), p.code(), counts.getOrDefault(p.id(), 0L), seen.get(p.id())))
        .toList();
  }

  /**
   * One page of sequences.
   *
   * @param in the productions that are looked through
   * @param find part of a code or title; "" for all
   * @param status null for any
   * @param favourites whether only those that {@code me} likes to have first
   * @param recent whether those edited last come first, else by production and code
   */
  @Transactional(readOnly = true)
  List<Sequences.Listed> list(
      Set<UUID> in,
      String find,
      Sequences.Where where,
      Status status,
      boolean favourites,
      String me,
      boolean recent,
      int page) {
    if (in.isEmpty()) return List.of();
    String asked =
        find.strip()
            .toLowerCase(Locale.ROOT)
            .replace("!", "!!")
            .replace("%", "!%")
            .replace("_", "!_");
    String part = asked.isEmpty() ? "" : "%" + asked + "%";
    sequences.planForWhatIsAsked();
    int from = page * PAGE;
    if (recent)
      return sequences.lastFirst(in, part, where.name(), status, favourites, me, from, PAGE);
    // only the productions that the page lies in are put in order: forty thousand take too long
    List<UUID> at = new ArrayList<>();
    long found = 0;
    for (Object[] c : sequences.wanted(in, part, where.name(), status, favourites, me)) {
      long count = (Long) c[1];
      if (at.isEmpty() && from >= count) {
        from -= (int) count;
        continue;
      }
      at.add((UUID) c[0]);
      found += count;
      if (found >= from + PAGE) break;
    }
    return at.isEmpty()
        ? List.of()
        : sequences.byCode(at, part, where.name(), status, favourites, me, from, PAGE);
  }

  /** What a production is called. */
  @Transactional(readOnly = true)
  public String nameOf(UUID production) {
    return productions.findById(production).orElseThrow(() -> Problem.missing("production")).name();
  }

  /**
   * Begins a production.
   *
   * @param start id of a starting point, null for the first; not looked at when another production
   *     is given
   * @param from another production whose standards it begins with, or null
   * @param beginning what its sequences begin with; null for what the standards say
   */
  @Transactional
  ProductionShown begin(String name, String code, String start, UUID from, Beginning beginning) {
    String named = GivenNames.name("name", name), coded = GivenNames.code("code", code);
    if (productions.existsByNameIgnoreCase(named)) throw taken("name", named);
    if (productions.existsByCodeIgnoreCase(coded)) throw taken("code", coded);
    Standards standards =
        from != null
            ? StandardsJson.read(
                productions
                    .findById(from)
                    .orElseThrow(() -> Problem.missing("production"))
                    .standards())
            : startingPoint(start).standards();
    if (beginning != null) standards = standards.withBeginning(beginning);
    StandardsRules.check(standards);
    String text = StandardsJson.write(standards).toString();
    Production p = productions.saveAndFlush(new Production(UUID.randomUUID(), named, coded, text));
    return new ProductionShown(p.id(), p.name(), p.code(), 0, Role.LEAD);
  }

  /** Puts the demonstration's production, with its sequences, beside the others; gives its id. */
  @Transactional
  public UUID addDemonstration(String name, String code, Standards standards, List<Sequence> all) {
    String text = StandardsJson.write(standards).toString();
    Production p =
        productions.saveAndFlush(Production.ofDemonstration(UUID.randomUUID(), name, code, text));
    for (Sequence s : all) store.create(p.id(), s);
    return p.id();
  }

  private static StartingPoint startingPoint(String id) {
    if (id == null) return StartingPoint.ALL.get(0);
    return StartingPoint.ALL.stream()
        .filter(p -> p.id().equals(id))
        .findFirst()
        .orElseThrow(() -> Problem.missing("starting point"));
  }

  /** Takes the demonstration's production away for good, with all that belongs to it. */
  @Transactional
  public void removeDemonstration() {
    for (Production p : productions.findByDemoTrue()) {
      productions.hold(p.id());
      for (UUID sequence : sequences.idsOf(p.id())) removing.forGood(sequence);
      removing.production(p.id());
    }
  }

  /** The code that the next sequence of a production would have. */
  @Transactional(readOnly = true)
  String nextCode(UUID production) {
    Production p =
        productions.findById(production).orElseThrow(() -> Problem.missing("production"));
    return NextCode.after(p.code(), sequences.codesOf(production));
  }

  /** What a sequence begins with. */
  enum Begin {
    FIRST_SET,
    EMPTY,
    ANOTHER
  }

  /**
   * Begins a sequence.
   *
   * @param another the sequence it begins with, for {@link Begin#ANOTHER}
   * @param taken what of that is taken over
   */
  @Transactional
  UUID begin(
      UUID production,
      String code,
      String title,
      Begin begin,
      UUID another,
      NewSequence.Taken taken) {
    String coded = GivenNames.code("code", code), titled = GivenNames.title("title", title);
    // held, so that two who choose one code at once do not both get it
    Production p = productions.hold(production).orElseThrow(() -> Problem.missing("production"));
    Standards standards = StandardsJson.read(p.standards());
    Header header = NewSequence.header(coded, titled, standards);
    Sequence s =
        switch (begin) {
          case FIRST_SET -> NewSequence.withFirstSet(header);
          case EMPTY -> NewSequence.empty(header);
          case ANOTHER ->
              NewSequence.from(store.get(another).sequence(), coded, titled, standards, taken);
        };
    return store.create(production, s);
  }

  /** Gives a sequence another code and title, as an edit of its own. */
  @Transactional
  void rename(UUID id, String code, String title, String author) {
    String coded = GivenNames.code("code", code), titled = GivenNames.title("title", title);
    SequenceRow row = sequences.findById(id).orElseThrow(() -> Problem.missing("sequence"));
    SequenceStore.refuseAway(row);
    productions.hold(row.production.id());
    Header h = store.get(id).sequence().header();
    store.editNow(
        id,
        author,
        "Rename",
        List.of(new SequenceCommand.SetHeader(h.withCode(coded).withTitle(titled))));
  }

  private static Problem taken(String field, String what) {
    return new Problem(
        HttpStatus.UNPROCESSABLE_CONTENT,
        "taken",
        field,
        "“" + what + "” is taken already. Choose another.");
  }

  /** Says how far a sequence is. */
  @Transactional
  void say(UUID id, Status status) {
    held.findById(id).orElseThrow(() -> Problem.missing("sequence")).status = status;
  }

  /** Puts a sequence into the archive or the bin, or brings it back. */
  @Transactional
  void move(UUID id, Sequences.Where to) {
    SequenceRow row = held.findById(id).orElseThrow(() -> Problem.missing("sequence"));
    Instant now = clock.instant();
    switch (to) {
      case HERE -> {
        row.archivedAt = null;
        row.binnedAt = null;
      }
      case ARCHIVE -> {
        row.archivedAt = now;
        row.binnedAt = null;
      }
      case BIN -> row.binnedAt = now;
    }
  }

  /**
   * Takes a sequence away for good, with its journal, versions and renders: once it has been in the
   * bin for its time, and whoever asks has typed its code.
   */
  @Transactional
  void remove(UUID id, String typed) {
    SequenceRow row = held.findById(id).orElseThrow(() -> Problem.missing("sequence"));
    if (row.binnedAt == null)
      throw new Problem(
          HttpStatus.CONFLICT, "kept", row.code + " is not in the bin. Put it there first.");
    Instant until = row.binnedAt.plus(KEPT_IN_BIN);
    if (clock.instant().isBefore(until))
      throw new Problem(
          HttpStatus.CONFLICT,
          "kept",
          row.code
              + " is kept in the bin for "
              + KEPT_IN_BIN.toDays()
              + " days, until "
              + until.toString().substring(0, 10)
              + ". It can be deleted for good after that.");
    if (!row.code.equals(typed == null ? "" : typed.strip()))
      throw new Problem(
          HttpStatus.UNPROCESSABLE_CONTENT,
          "code",
          "code",
          "Type " + row.code + " to delete it for good.");
    removing.forGood(id);
  }
}
