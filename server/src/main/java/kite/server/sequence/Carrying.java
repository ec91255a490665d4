package kite.server.sequence;

import java.io.IOException;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.function.Consumer;
import kite.core.begin.GivenNames;
import kite.core.begin.NextCode;
import kite.core.command.SequenceCommand;
import kite.core.document.Header;
import kite.core.document.Sequence;
import kite.core.document.StandardsChange;
import kite.core.form.StandardsJson;
import kite.exchange.BadFile;
import kite.server.Problem;
import kite.server.asset.ProductionAssets;
import kite.server.rights.RightsChanged;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Puts sequences from elsewhere into a production: from a file, or from another production. */
@Service
class Carrying {
  private final Productions productions;
  private final Sequences sequences;
  private final HeldSequences held;
  private final SequenceStore store;
  private final VersionStore versions;
  private final ProductionAssets assets;
  private final ApplicationEventPublisher events;

  Carrying(
      Productions productions,
      Sequences sequences,
      HeldSequences held,
      SequenceStore store,
      VersionStore versions,
      ProductionAssets assets,
      ApplicationEventPublisher events) {
    this.productions = productions;
    this.sequences = sequences;
    this.held = held;
    this.store = store;
    this.versions = versions;
    this.assets = assets;
    this.events = events;
  }

  /** The versions that come with a sequence, one after the other. */
  interface Versions {
    void each(Consumer<VersionStore.Brought> take) throws BadFile, IOException;
  }

  /**
   * Puts a sequence that came as a file into a production, as it is.
   *
   * @param code blank for its own, or the next one where that is taken
   * @param used the models and images that it and its versions show
   */
  @Transactional(rollbackFor = Exception.class)
  UUID takeIn(UUID production, String code, Sequence brought, Set<String> used, Versions kept)
      throws BadFile, IOException {
    Production p = productions.hold(production).orElseThrow(() -> Problem.missing("production"));
    List<String> taken = sequences.codesOf(production);
    Header h = brought.header();
    String own = h.code(), title = GivenNames.title("title", h.title());
    boolean free =
        taken.stream().noneMatch(c -> GivenNames.compared(c).equals(GivenNames.compared(own)));
    String coded =
        !code.isBlank()
            ? GivenNames.code("code", code)
            : free ? GivenNames.code("code", own) : NextCode.after(p.code(), taken);
    Sequence s = brought.with(h.withCode(coded).withTitle(title));
    UUID id = store.create(production, s);
    kept.each(v -> versions.takeIn(id, v));
    assets.give(production, used);
    return id;
  }

  /** What the standards of a production would change in a sequence that came into it. */
  @Transactional(readOnly = true)
  List<String> differences(UUID production, Sequence s) {
    Production p =
        productions.findById(production).orElseThrow(() -> Problem.missing("production"));
    return StandardsChange.sentences(s, StandardsJson.read(p.standards()));
  }

  /** As above, of a sequence that is here. */
  @Transactional(readOnly = true)
  List<String> differences(UUID sequence, UUID production) {
    return differences(production, store.get(sequence).sequence());
  }

  /** Moves a sequence into another production, whose standards it follows from then on. */
  @Transactional
  void moveInto(UUID id, UUID production, String author) {
    Production p = productions.hold(production).orElseThrow(() -> Problem.missing("production"));
    SequenceRow row = held.findById(id).orElseThrow(() -> Problem.missing("sequence"));
    SequenceStore.refuseAway(row);
    if (row.production.id().equals(production)) return;
    store.moveInto(row, p);
    store.editNow(
        id,
        author,
        "Move to " + p.name(),
        List.of(new SequenceCommand.Follow(StandardsJson.read(p.standards()))));
    events.publishEvent(new RightsChanged());
  }
}
