package kite.server.sequence;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import kite.core.codec.SavedRigJson;
import kite.server.CoreJson;
import kite.server.Problem;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The stacks a production keeps under names, for all of its sequences. */
@Service
class SavedRigStore {
  private static final int LONGEST_NAME = 80;
  private static final int LARGEST = 2 << 20;
  private static final int MOST = 500;

  private final Sequences sequences;
  private final SavedRigs rigs;
  private final Clock clock;

  SavedRigStore(Sequences sequences, SavedRigs rigs, Clock clock) {
    this.sequences = sequences;
    this.rigs = rigs;
    this.clock = clock;
  }

  record Saved(UUID id, String name, String author, Instant savedAt, CoreJson rig) {}

  @Transactional(readOnly = true)
  List<Saved> list(UUID sequence) {
    return rigs.findByProductionIdOrderByName(production(sequence)).stream()
        .map(SavedRigStore::saved)
        .toList();
  }

  /**
   * Saves a rig.
   *
   * @param replace whether one of that name gives way; else the name must be free
   */
  @Transactional
  Saved save(UUID sequence, String name, String rig, boolean replace, String author) {
    String called = name == null ? "" : name.strip();
    if (called.isEmpty() || called.length() > LONGEST_NAME)
      throw new Problem(
          HttpStatus.BAD_REQUEST,
          "name",
          "A saved rig needs a name of at most " + LONGEST_NAME + " characters.");
    if (rig == null || rig.length() > LARGEST)
      throw new Problem(HttpStatus.BAD_REQUEST, "request", "A saved rig is JSON of at most 2 MB.");
    String checked = SavedRigJson.write(SavedRigJson.read(rig));
    UUID production = production(sequence);
    SavedRigRow row = rigs.findByProductionIdAndName(production, called).orElse(null);
    if (row != null && !replace)
      throw new Problem(
          HttpStatus.CONFLICT,
          "taken",
          "The production has a rig “" + called + "”. Replace it, or choose another name.");
    if (row == null) {
      if (rigs.countByProductionId(production) >= MOST)
        throw new Problem(
            HttpStatus.CONFLICT, "many", "A production keeps at most " + MOST + " rigs.");
      row = new SavedRigRow();
      row.id = UUID.randomUUID();
      row.productionId = production;
      row.name = called;
    }
    row.author = author;
    row.savedAt = clock.instant();
    row.rig = checked;
    return saved(rigs.saveAndFlush(row));
  }

  @Transactional
  void forget(UUID sequence, UUID rig) {
    SavedRigRow row = rigs.findById(rig).orElseThrow(() -> Problem.missing("saved rig"));
    if (!row.productionId.equals(production(sequence))) throw Problem.missing("saved rig");
    rigs.delete(row);
  }

  private UUID production(UUID sequence) {
    return sequences
        .findById(sequence)
        .orElseThrow(() -> Problem.missing("sequence"))
        .production
        .id();
  }

  private static Saved saved(SavedRigRow r) {
    return new Saved(r.id, r.name, r.author, r.savedAt, new CoreJson(r.rig));
  }
}
