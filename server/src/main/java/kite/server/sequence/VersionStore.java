package kite.server.sequence;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import kite.core.form.SequenceJson;
import kite.server.Problem;
import kite.server.live.Happened;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps numbered, named versions of sequences. */
@Service
class VersionStore {
  private static final int LONGEST_NAME = 80;
  private static final int LONGEST_NOTE = 2000;

  /** More than a sequence sees in its life; it keeps a runaway script from filling the disk. */
  private static final int MOST = 2000;

  private final Sequences sequences;
  private final HeldSequences held;
  private final Versions versions;
  private final OpenSequences open;
  private final EntityManager database;
  private final ApplicationEventPublisher events;
  private final Clock clock;

  VersionStore(
      Sequences sequences,
      HeldSequences held,
      Versions versions,
      OpenSequences open,
      EntityManager database,
      ApplicationEventPublisher events,
      Clock clock) {
    this.events = events;
    this.database = database;
    this.sequences = sequences;
    this.held = held;
    this.open = open;
    this.versions = versions;
    this.clock = clock;
  }

  /** What a list of versions shows. */
  record Kept(int number, String name, String note, String author, Instant keptAt, long revision) {}

  @Transactional(readOnly = true)
  List<Kept> list(UUID sequence) {
    if (!sequences.existsById(sequence)) throw Problem.missing("sequence");
    return versions.list(sequence);
  }

  /** The document of a version, as it was kept. */
  @Transactional(readOnly = true)
  String document(UUID sequence, int number) {
    return versions
        .findBySequenceIdAndNumber(sequence, number)
        .orElseThrow(() -> Problem.missing("version"))
        .document;
  }

  /**
   * Keeps the sequence as it is stored now under the next number.
   *
   * @param revision the page's; where the sequence went on since, it is not kept unseen
   */
  @Transactional
  Kept keep(UUID sequence, long revision, String name, String note, String author) {
    SequenceRow row = held.findById(sequence).orElseThrow(() -> Problem.missing("sequence"));
    if (row.revision != revision)
      throw new Problem(
          HttpStatus.CONFLICT,
          "changed",
          "The sequence has changed meanwhile. Look at it, then keep the version again.");
    int number = versions.last(sequence) + 1;
    if (number > MOST)
      throw new Problem(
          HttpStatus.CONFLICT, "many", "A sequence keeps at most " + MOST + " versions.");
    VersionRow v = new VersionRow();
    v.id = UUID.randomUUID();
    v.sequenceId = sequence;
    v.number = number;
    v.name = text(name, LONGEST_NAME, "name");
    v.note = text(note, LONGEST_NOTE, "note");
    v.author = author;
    v.keptAt = clock.instant();
    v.revision = row.revision;
    v.document = SequenceJson.write(open.at(row).sequence());
    versions.save(v);
    events.publishEvent(
        new Happened(
            sequence,
            Happened.Kind.VERSION,
            author,
            Map.of("number", v.number, "name", v.name, "note", v.note, "revision", v.revision)));
    return new Kept(v.number, v.name, v.note, v.author, v.keptAt, v.revision);
  }

  /** A version as a file brings it. */
  record Brought(
      int number, String name, String note, String author, Instant keptAt, String document) {}

  /**
   * Keeps a version that came with a new sequence. Part of the transaction that asks for it, which
   * does not hold it in memory.
   */
  void takeIn(UUID sequence, Brought b) {
    VersionRow v = new VersionRow();
    v.id = UUID.randomUUID();
    v.sequenceId = sequence;
    v.number = b.number;
    v.name = text(b.name, LONGEST_NAME, "name");
    v.note = text(b.note, LONGEST_NOTE, "note");
    v.author = b.author;
    v.keptAt = b.keptAt;
    v.document = b.document;
    versions.saveAndFlush(v);
    database.detach(v);
  }

  private static String text(String t, int longest, String what) {
    String s = t == null ? "" : t.strip();
    if (s.length() > longest)
      throw new Problem(
          HttpStatus.BAD_REQUEST,
          "range",
          "The " + what + " of a version has at most " + longest + " characters.");
    return s;
  }
}
