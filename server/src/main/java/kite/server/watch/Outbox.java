package kite.server.watch;

import java.time.Clock;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import kite.exchange.Json;
import kite.server.live.EditMade;
import kite.server.live.Happened;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Writes down what watchers are to be told, in the transaction in which it happens. */
@Component
class Outbox {
  private final WatcherRows watchers;
  private final TellingRows tellings;
  private final Clock clock;

  Outbox(WatcherRows watchers, TellingRows tellings, Clock clock) {
    this.watchers = watchers;
    this.tellings = tellings;
    this.clock = clock;
  }

  /**
   * What is sent.
   *
   * @param type what happened, as {@code edit}
   * @param timestamp when
   * @param data where, by whom, and what there is to say of it
   */
  record Message(String type, String timestamp, Map<String, Object> data) {}

  record Named(UUID id, String code) {}

  record NamedSequence(UUID id, String code, String title) {}

  @EventListener
  @Transactional
  public void edited(EditMade edit) {
    happened(Happened.edit(edit));
  }

  @EventListener
  @Transactional
  public void happened(Happened what) {
    List<WatcherRows.Wanting> all = watchers.wanting(what.sequence(), what.kind().name());
    for (WatcherRows.Wanting w : all) {
      Map<String, Object> data = new LinkedHashMap<>();
      data.put("production", new Named(w.getProduction(), w.getProductionCode()));
      data.put(
          "sequence",
          new NamedSequence(what.sequence(), w.getSequenceCode(), w.getSequenceTitle()));
      data.put("by", what.by());
      data.putAll(what.more());
      add(w.getWatcher(), Words.of(what.kind()), data);
    }
  }

  /** Adds something to what a watcher is told; gives its id. */
  UUID add(UUID watcher, String kind, Map<String, Object> data) {
    Instant now = clock.instant();
    Telling t = new Telling();
    t.id = UUID.randomUUID();
    t.watcherId = watcher;
    t.kind = kind;
    t.body = Json.MAPPER.writeValueAsString(new Message(kind, now.toString(), data));
    t.happenedAt = now;
    t.state = Telling.State.WAITING;
    t.says = "";
    tellings.save(t);
    return t.id;
  }
}
