package kite.server.sequence;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import kite.core.command.SequenceCommand;
import kite.core.document.Sequence;
import kite.core.document.Standards;
import kite.core.document.StandardsChange;
import kite.core.form.StandardsJson;
import kite.server.CoreJson;
import kite.server.Problem;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** A production's standards, and every sequence that follows them. */
@Service
class StandardsStore {
  private final Productions productions;
  private final Sequences sequences;
  private final SequenceStore edits;
  private final OpenSequences open;

  StandardsStore(
      Productions productions, Sequences sequences, SequenceStore edits, OpenSequences open) {
    this.productions = productions;
    this.sequences = sequences;
    this.edits = edits;
    this.open = open;
  }

  /** What new standards would change in one sequence. */
  record Effect(UUID sequence, String code, String title, List<String> changes) {}

  /** A production with its standards; the version goes back with a change. */
  record Agreed(UUID production, String name, int version, CoreJson standards) {
    static Agreed in(Production p) {
      return new Agreed(p.id(), p.name(), p.version(), new CoreJson(p.standards()));
    }
  }

  @Transactional(readOnly = true)
  Agreed of(UUID sequence) {
    Production p =
        sequences.findById(sequence).orElseThrow(() -> Problem.missing("sequence")).production;
    return Agreed.in(p);
  }

  /** What these standards would change, sequence by sequence. */
  @Transactional(readOnly = true)
  List<Effect> effects(UUID production, String standards) {
    Standards next = StandardsJson.read(standards);
    List<Effect> all = new ArrayList<>();
    for (SequenceRow row : sequences.findByProductionIdOrderByCode(production)) {
      Sequence s = open.at(row).sequence();
      all.add(new Effect(row.id, row.code, row.title, StandardsChange.sentences(s, next)));
    }
    return all;
  }

  /** Agrees on new standards: every sequence follows in the same transaction, as an edit. */
  @Transactional
  Agreed agree(UUID production, int version, String standards, String author) {
    // held first, then read: who edits meanwhile waits a moment, and nothing is overtaken
    Production p = productions.hold(production).orElseThrow(() -> Problem.missing("production"));
    if (p.version() != version)
      throw new Problem(
          HttpStatus.CONFLICT,
          "changed",
          "Someone changed the standards meanwhile. Look at theirs, then change them again.");
    Standards next = StandardsJson.read(standards);
    p.agree(StandardsJson.write(next).toString());
    productions.saveAndFlush(p);
    for (UUID sequence : sequences.idsOf(production))
      edits.editNow(
          sequence, author, "Follow the standards", List.of(new SequenceCommand.Follow(next)));
    return Agreed.in(p);
  }
}
