package kite.server.sequence;

import java.security.Principal;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import kite.core.begin.NewSequence;
import kite.core.begin.StartingPoint;
import kite.core.document.Beginning;
import kite.server.Problem;
import kite.server.rights.May;
import kite.server.rights.Rights;
import kite.server.rights.Role;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Productions and sequences as the Home page has them. */
@RestController
@RequestMapping("/api")
class LibraryApi {
  private static final int LONGEST_FIND = 200, MOST_PAGES = 10_000;
  private final Library library;
  private final Carrying carrying;
  private final Rights rights;

  LibraryApi(Library library, Carrying carrying, Rights rights) {
    this.carrying = carrying;
    this.library = library;
    this.rights = rights;
  }

  /** A starting point with what it sets, in a line. */
  record StartShown(String id, String name, String says) {}

  @GetMapping("/starting-points")
  @May.HaveAnAccount
  List<StartShown> startingPoints() {
    return StartingPoint.ALL.stream().map(p -> new StartShown(p.id(), p.name(), p.says())).toList();
  }

  @GetMapping("/productions")
  @May.HaveAnAccount
  List<Library.ProductionShown> productions() {
    return library.productions(rights.productions());
  }

  /**
   * @param start id of a starting point, null for the first; not looked at when {@code from} is
   *     given
   * @param from another production whose standards it begins with, or null
   * @param beginning what its sequences begin with; null for what the standards say
   */
  record ProductionAsked(
      String name, String code, String start, UUID from, BeginningAsked beginning) {}

  /**
   * @param handleFrames the usual where it is left out
   */
  record BeginningAsked(String displayUnit, double gridM, int firstFrame, Integer handleFrames) {
    Beginning beginning() {
      int handles = handleFrames == null ? Beginning.USUAL.handleFrames() : handleFrames;
      return new Beginning(displayUnit, gridM, firstFrame, handles);
    }
  }

  @PostMapping("/productions")
  @May.Administer
  Library.ProductionShown begin(@RequestBody ProductionAsked asked) {
    if (asked.from() != null) rights.production(asked.from(), Role.REVIEWER.name());
    return library.begin(
        asked.name(),
        asked.code(),
        asked.start(),
        asked.from(),
        asked.beginning() == null ? null : asked.beginning().beginning());
  }

  /**
   * One page of at most 60 sequences.
   *
   * @param find part of a code or title
   * @param where {@code here}, {@code archive} or {@code bin}
   * @param status one of them, or "" for any
   * @param favourites whether one's own favourites alone are wanted
   * @param sort {@code code} or {@code recent}
   */
  @GetMapping("/sequences")
  @May.HaveAnAccount
  List<Sequences.Listed> list(
      @RequestParam(required = false) UUID production,
      @RequestParam(defaultValue = "") String find,
      @RequestParam(defaultValue = "here") String where,
      @RequestParam(defaultValue = "") String status,
      @RequestParam(defaultValue = "false") boolean favourites,
      @RequestParam(defaultValue = "code") String sort,
      @RequestParam(defaultValue = "0") int page,
      Principal who) {
    if (find.length() > LONGEST_FIND || page < 0 || page > MOST_PAGES)
      throw new Problem(
          HttpStatus.BAD_REQUEST,
          "request",
          "Look for less than 200 characters, on a page from 0.");
    Set<UUID> all = rights.productions().keySet();
    if (production != null && !all.contains(production)) throw Problem.missing("production");
    return library.list(
        production == null ? all : Set.of(production),
        find,
        where(where),
        status.isEmpty() ? null : status(status),
        favourites,
        who.getName(),
        sort.equals("recent"),
        page);
  }

  private static Sequences.Where where(String text) {
    return switch (text == null ? "" : text) {
      case "here" -> Sequences.Where.HERE;
      case "archive" -> Sequences.Where.ARCHIVE;
      case "bin" -> Sequences.Where.BIN;
      default ->
          throw new Problem(
              HttpStatus.BAD_REQUEST,
              "request",
              "Sequences are here, in the archive or in the bin.");
    };
  }

  private static Status status(String text) {
    for (Status s : Status.values()) if (s.key().equals(text)) return s;
    throw new Problem(
        HttpStatus.BAD_REQUEST,
        "request",
        "A sequence is begun, in work, for review, approved or handed on.");
  }

  /**
   * @param status {@code begun}, {@code in-work}, {@code for-review}, {@code approved} or {@code
   *     handed-on}
   */
  record StatusAsked(String status) {}

  @PostMapping("/sequences/{id}/status")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @May.EditSequence
  void say(@PathVariable UUID id, @RequestBody StatusAsked asked) {
    library.say(id, status(asked.status()));
  }

  /** The code that the production's next sequence would have. */
  record CodeShown(String code) {}

  @GetMapping("/productions/{id}/next-code")
  @May.EditProduction
  CodeShown nextCode(@PathVariable UUID id) {
    return new CodeShown(library.nextCode(id));
  }

  /** What is taken over from another sequence. */
  record TakenAsked(boolean set, boolean cameras, boolean cut) {}

  /**
   * @param begin {@code firstSet}, {@code empty} or {@code another}
   * @param another the sequence it begins with, for {@code another}
   */
  record SequenceAsked(String code, String title, String begin, UUID another, TakenAsked taken) {}

  /** The id of what was made. */
  record Made(UUID id) {}

  @PostMapping("/productions/{id}/sequences")
  @May.EditProduction
  Made begin(@PathVariable UUID id, @RequestBody SequenceAsked asked) {
    Library.Begin begin =
        switch (asked.begin() == null ? "" : asked.begin()) {
          case "firstSet" -> Library.Begin.FIRST_SET;
          case "empty" -> Library.Begin.EMPTY;
          case "another" -> Library.Begin.ANOTHER;
          default ->
              throw new Problem(
                  HttpStatus.BAD_REQUEST,
                  "request",
                  "A sequence begins with a first set, empty, or from another.");
        };
    if (begin == Library.Begin.ANOTHER && (asked.another() == null || asked.taken() == null))
      throw new Problem(
          HttpStatus.BAD_REQUEST, "request", "Say which other sequence, and what of it.");
    if (begin == Library.Begin.ANOTHER) rights.sequence(asked.another(), Role.REVIEWER.name());
    TakenAsked t = asked.taken();
    NewSequence.Taken taken =
        t == null ? null : new NewSequence.Taken(t.set(), t.cameras(), t.cut());
    return new Made(library.begin(id, asked.code(), asked.title(), begin, asked.another(), taken));
  }

  /** A sequence's code and title. */
  record NamesAsked(String code, String title) {}

  @PostMapping("/sequences/{id}/names")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @May.EditSequence
  void rename(@PathVariable UUID id, @RequestBody NamesAsked asked, Principal who) {
    library.rename(id, asked.code(), asked.title(), who.getName());
  }

  /**
   * @param to {@code here}, {@code archive} or {@code bin}
   */
  record PlaceAsked(String to) {}

  @PostMapping("/sequences/{id}/place")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @May.EditSequence
  void move(@PathVariable UUID id, @RequestBody PlaceAsked asked) {
    library.move(id, where(asked.to()));
  }

  record ProductionOf(UUID production) {}

  /** Moves a sequence into another production, whose standards it follows from then on. */
  @PostMapping("/sequences/{id}/production")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @May.EditSequence
  void moveInto(@PathVariable UUID id, @RequestBody ProductionOf asked, Principal who) {
    rights.production(into(asked), Role.ARTIST.name());
    carrying.moveInto(id, asked.production(), who.getName());
  }

  /** What the standards of another production would change in a sequence; changes nothing. */
  @PostMapping("/sequences/{id}/production/effects")
  @May.EditSequence
  List<String> effects(@PathVariable UUID id, @RequestBody ProductionOf asked) {
    rights.production(into(asked), Role.ARTIST.name());
    return carrying.differences(id, asked.production());
  }

  private static UUID into(ProductionOf asked) {
    if (asked.production() != null) return asked.production();
    throw new Problem(HttpStatus.BAD_REQUEST, "request", "Say into which production.");
  }

  /** Takes a sequence away for good that was in the bin for its time; its code is typed for it. */
  @DeleteMapping("/sequences/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @May.LeadSequence
  void remove(@PathVariable UUID id, @RequestParam(defaultValue = "") String code) {
    library.remove(id, code);
  }
}
