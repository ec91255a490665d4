package kite.server.sequence;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import kite.core.delta.DeltaJson;
import kite.core.document.Sequence;
import kite.core.form.SequenceJson;
import kite.server.Problem;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;

/**
 * Documents in memory, each under the revision it is at and the edit that made it. The database has
 * the last word: what is held is held against the sequence's row each time, brought up to it with
 * the journal when another server was quicker, and made anew from the snapshot when it does not
 * fit.
 */
@Component
class OpenSequences implements DisposableBean {
  private static final Logger LOG = LoggerFactory.getLogger(OpenSequences.class);

  /** Edits after which a snapshot is renewed: a document costs each of them so much less. */
  static final int SNAPSHOT_EVERY = 300;

  /** What a character of a document's JSON comes to in memory, about. */
  private static final int BYTES_A_CHARACTER = 8;

  /** The share of the heap that open documents may fill. */
  private static final int HEAP_SHARE = 4;

  /** A journal is read in pages of so many. */
  private static final int PAGE = 500;

  private final Snapshots snapshots;
  private final Edits edits;
  private final Cache<UUID, Open> open =
      Caffeine.newBuilder()
          .maximumWeight(Runtime.getRuntime().maxMemory() / HEAP_SHARE)
          .weigher((UUID id, Open o) -> (int) Math.min(Integer.MAX_VALUE, o.bytes()))
          .build();
  private final ExecutorService renewing =
      Executors.newSingleThreadExecutor(
          r -> {
            Thread t = new Thread(r, "snapshots");
            t.setDaemon(true);
            return t;
          });

  OpenSequences(Snapshots snapshots, Edits edits) {
    this.snapshots = snapshots;
    this.edits = edits;
  }

  /**
   * A document at a revision.
   *
   * @param head the edit that made it; null before the first
   * @param snapshot the revision of the snapshot it was made from
   * @param bytes what it fills, about
   */
  record Open(long revision, UUID head, Sequence sequence, long snapshot, long bytes) {
    Open after(UUID edit, Sequence next) {
      return new Open(revision + 1, edit, next, snapshot, bytes);
    }

    private boolean is(SequenceRow row) {
      return revision == row.revision && Objects.equals(head, row.head);
    }
  }

  /** The document of a row as this transaction sees it. */
  Open at(SequenceRow row) {
    Open held = open.getIfPresent(row.id);
    if (held != null && held.is(row)) return held;
    if (held != null && held.revision >= row.revision && !isOfTheJournal(row.id, held)) {
      open.asMap().remove(row.id, held);
      held = null;
    }
    Open now = held != null && held.revision < row.revision ? caughtUp(held, row) : null;
    if (now == null) now = caughtUp(fromSnapshot(row.id), row);
    if (now == null)
      throw new IllegalStateException(
          "The journal of sequence " + row.id + " does not lead to revision " + row.revision);
    if (held == null || held.revision <= now.revision) open.put(row.id, now);
    return now;
  }

  /**
   * Whether the journal has the edit that made a document. Where a state was put back by hand, as
   * from a backup, it has not, and a document held as newer would stand in the way of all that is
   * made from there on.
   */
  private boolean isOfTheJournal(UUID id, Open o) {
    return Objects.equals(headAt(id, o.revision), o.head);
  }

  /** The edit that the journal has for a revision; null for none. */
  private UUID headAt(UUID id, long revision) {
    return edits.findBySequenceIdAndRevision(id, revision).map(e -> e.id).orElse(null);
  }

  /** Keeps what an edit made, once that is stored; renews the snapshot when it is old. */
  void made(UUID id, Open next) {
    open.asMap().merge(id, next, (a, b) -> a.revision > b.revision ? a : b);
    if (next.revision - next.snapshot >= SNAPSHOT_EVERY) renewing.execute(() -> renew(id, next));
  }

  /** A sequence that is no more. */
  void forget(UUID id) {
    open.invalidate(id);
  }

  private void renew(UUID id, Open next) {
    Open held = open.getIfPresent(id);
    if (held != null && held.snapshot >= next.revision - SNAPSHOT_EVERY / 2) return;
    try {
      String text = SequenceJson.write(next.sequence);
      snapshots.renew(id, next.revision, text);
      long bytes = (long) text.length() * BYTES_A_CHARACTER;
      open.asMap()
          .computeIfPresent(
              id,
              (k, o) ->
                  new Open(
                      o.revision, o.head, o.sequence, Math.max(o.snapshot, next.revision), bytes));
    } catch (RuntimeException e) {
      LOG.warn("The snapshot of sequence {} could not be renewed; the journal has it all", id, e);
    }
  }

  private Open fromSnapshot(UUID id) {
    SnapshotRow row = snapshots.findById(id).orElseThrow(() -> Problem.missing("sequence"));
    UUID head = row.revision == 0 ? null : headAt(id, row.revision);
    return new Open(
        row.revision,
        head,
        SequenceJson.read(row.document),
        row.revision,
        (long) row.document.length() * BYTES_A_CHARACTER);
  }

  /**
   * A document with all the journal has up to a row's revision; null when that is another story.
   */
  private Open caughtUp(Open o, SequenceRow row) {
    if (o.revision > 0 && !isOfTheJournal(row.id, o)) return null;
    while (o.revision < row.revision) {
      List<EditRow> more =
          edits.findTop500BySequenceIdAndRevisionGreaterThanOrderByRevision(row.id, o.revision);
      for (EditRow e : more) {
        if (o.revision >= row.revision) break;
        if (e.revision != o.revision + 1) return null;
        o = o.after(e.id, DeltaJson.read(e.change).after(o.sequence));
      }
      if (more.size() < PAGE) break;
    }
    if (o.revision != row.revision) return null;
    // a document put in by hand (an import, a test) has a head that no edit made
    return o.is(row) ? o : new Open(o.revision, row.head, o.sequence, o.snapshot, o.bytes);
  }

  @Override
  public void destroy() throws InterruptedException {
    renewing.shutdown();
    renewing.awaitTermination(5, TimeUnit.SECONDS);
  }
}
