package kite.server.sequence;

import java.security.Principal;
import java.util.List;
import java.util.UUID;
import kite.core.begin.NewSequence;
import kite.core.begin.StartingPoint;
import kite.server.Problem;
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

  LibraryApi(Library library) {
    this.library = library;
  }

  /** A starting point with what it sets, in a line. */
  record StartShown(String id, String name, String says) {}

  @GetMapping("/starting-points")
  List<StartShown> startingPoints() {
    return StartingPoint.ALL.stream().map(p -> new StartShown(p.id(), p.name(), p.says())).toList();
  }

  @GetMapping("/productions")
  List<Library.ProductionShown> productions() {
    return library.productions();
  }

  /**
   * @param start id of a starting point; not looked at when {@code from} is given
   * @param from another production whose standards it begins with, or null
   */
  record ProductionAsked(String name, String code, String start, UUID from) {}

  @PostMapping("/productions")
  Library.ProductionShown begin(@RequestBody ProductionAsked asked) {
    return library.begin(asked.name(), asked.code(), asked.start(), asked.from());
  }

  /**
   * One page of at most 60 sequences.
   *
   * @param find part of a code or title
   * @param where {@code here}, {@code archive} or {@code bin}
   * @param sort {@code code} or {@code recent}
   */
  @GetMapping("/sequences")
  List<Sequences.Listed> list(
      @RequestParam(required = false) UUID production,
      @RequestParam(defaultValue = "") String find,
      @RequestParam(defaultValue = "here") String where,
      @RequestParam(defaultValue = "code") String sort,
      @RequestParam(defaultValue = "0") int page) {
    if (find.length() > LONGEST_FIND || page < 0 || page > MOST_PAGES)
      throw new Problem(
          HttpStatus.BAD_REQUEST,
          "request",
          "Look for less than 200 characters, on a page from 0.");
    return library.list(production, find, where(where), sort.equals("recent"), page);
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

  /** The code that the production's next sequence would have. */
  record CodeShown(String code) {}

  @GetMapping("/productions/{id}/next-code")
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
    TakenAsked t = asked.taken();
    NewSequence.Taken taken =
        t == null ? null : new NewSequence.Taken(t.set(), t.cameras(), t.cut());
    return new Made(library.begin(id, asked.code(), asked.title(), begin, asked.another(), taken));
  }

  /** A sequence's code and title. */
  record NamesAsked(String code, String title) {}

  @PostMapping("/sequences/{id}/names")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void rename(@PathVariable UUID id, @RequestBody NamesAsked asked, Principal who) {
    library.rename(id, asked.code(), asked.title(), who.getName());
  }

  /**
   * @param to {@code here}, {@code archive} or {@code bin}
   */
  record PlaceAsked(String to) {}

  @PostMapping("/sequences/{id}/place")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void move(@PathVariable UUID id, @RequestBody PlaceAsked asked) {
    library.move(id, where(asked.to()));
  }

  /** Takes a sequence away for good that was in the bin for its time; its code is typed for it. */
  @DeleteMapping("/sequences/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void remove(@PathVariable UUID id, @RequestParam(defaultValue = "") String code) {
    library.remove(id, code);
  }
}
