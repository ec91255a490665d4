package kite.server.sharedset;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import kite.core.command.Edit;
import kite.core.command.SequenceCommand;
import kite.core.document.Camera;
import kite.core.document.PlacedSet;
import kite.core.document.Sequence;
import kite.core.form.SequenceJson;
import kite.core.sets.SetUpdate;
import kite.server.Problem;
import kite.server.picture.SmallPicture;
import kite.server.sequence.SequenceStore;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/** Pictures of a sequence with another version of one of its sets, before that is taken. */
@Component
class VersionPictures {
  /** How long one waits for the pictures of others, and for one's own, seconds. */
  private static final int PATIENCE_S = 20;

  private final SharedSets sets;
  private final SequenceStore sequences;
  private final SmallPicture pictures;
  private final Clock clock;

  /** One at a time: edits go on beside it. */
  private final Semaphore turn = new Semaphore(1, true);

  VersionPictures(SharedSets sets, SequenceStore sequences, SmallPicture pictures, Clock clock) {
    this.clock = clock;
    this.sets = sets;
    this.sequences = sequences;
    this.pictures = pictures;
  }

  /** See {@link SharedSetApi#picture}. */
  byte[] of(UUID sequence, UUID production, String placed, int number, String camera, int frame) {
    Sequence now = sequences.get(sequence).sequence();
    PlacedSet p =
        now.header().sets().stream()
            .filter(x -> x.id().equals(placed))
            .findFirst()
            .orElseThrow(() -> Problem.missing("set"));
    Sequence s = number == p.version() ? now : with(now, p, production, number);
    if (!(s.get(camera) instanceof Camera c)) throw Problem.missing("camera");
    if (!mine()) throw busy();
    try {
      Instant end = clock.instant().plus(Duration.ofSeconds(PATIENCE_S));
      byte[] png = pictures.of(s, c, null, frame, () -> clock.instant().isAfter(end));
      if (png == null) throw busy();
      return png;
    } catch (IllegalStateException e) {
      throw new Problem(
          HttpStatus.UNPROCESSABLE_CONTENT, "size", "No picture: " + e.getMessage() + ".");
    } finally {
      turn.release();
    }
  }

  private Sequence with(Sequence now, PlacedSet p, UUID production, int number) {
    UUID set = SharedSets.idOf(p.set());
    Sequence was = SequenceJson.read(sets.document(production, set, p.version()));
    Sequence next = SequenceJson.read(sets.document(production, set, number));
    return Edit.apply(
        now,
        List.of(SequenceCommand.Restore.to(SetUpdate.of(now, p.id(), was, next, number).change())));
  }

  private boolean mine() {
    try {
      return turn.tryAcquire(PATIENCE_S, TimeUnit.SECONDS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return false;
    }
  }

  private static Problem busy() {
    return new Problem(
        HttpStatus.SERVICE_UNAVAILABLE,
        "busy",
        "The server is too busy for pictures. Look at both in the lens view, or again later.");
  }
}
