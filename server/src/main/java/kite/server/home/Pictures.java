package kite.server.home;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import javax.sql.DataSource;
import kite.core.cut.Programme;
import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.server.Problem;
import kite.server.picture.SmallPicture;
import kite.server.sequence.SequenceStore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Service;

/**
 * Small pictures of sequences. What there is is given at once; one that is older than its sequence
 * is made anew behind that, one after the other, and is there the next time.
 */
@Service
class Pictures implements DisposableBean {
  private static final Logger LOG = LoggerFactory.getLogger(Pictures.class);

  /** More are asked for by no page. */
  private static final int MOST_WAITING = 300;

  private final SequenceStore sequences;
  private final SmallPicture pictures;
  private final JdbcTemplate database;
  private final Clock clock;
  private final Set<UUID> waiting = ConcurrentHashMap.newKeySet();
  private final ThreadPoolExecutor painter =
      new ThreadPoolExecutor(
          1,
          1,
          0,
          TimeUnit.SECONDS,
          new LinkedBlockingQueue<>(MOST_WAITING),
          r -> {
            Thread t = new Thread(r, "pictures");
            t.setDaemon(true);
            t.setPriority(Thread.MIN_PRIORITY);
            return t;
          },
          new ThreadPoolExecutor.DiscardPolicy());

  Pictures(SequenceStore sequences, SmallPicture pictures, DataSource database, Clock clock) {
    this.clock = clock;
    this.sequences = sequences;
    this.pictures = pictures;
    this.database = new JdbcTemplate(database);
  }

  /** A picture that is made again, once its sequence has gone on, is at least so old. */
  private static final Duration STAYS = Duration.ofMinutes(1);

  private record Kept(long revision, Instant madeAt, byte[] png) {}

  /** The picture there is, as PNG; 404 before the first is made, or where there is no camera. */
  byte[] of(UUID sequence) {
    Kept kept =
        database
            .query(
                "select revision, made_at, png from sequence_picture where sequence_id = ?",
                (r, i) -> new Kept(r.getLong(1), r.getTimestamp(2).toInstant(), r.getBytes(3)),
                sequence)
            .stream()
            .findFirst()
            .orElse(null);
    List<Long> now =
        database.queryForList("select revision from sequence where id = ?", Long.class, sequence);
    if (now.isEmpty()) throw Problem.missing("sequence");
    boolean old =
        kept == null
            || kept.revision != now.get(0) && kept.madeAt.plus(STAYS).isBefore(clock.instant());
    if (old && waiting.add(sequence)) painter.execute(() -> make(sequence));
    if (kept == null || kept.png.length == 0) throw Problem.missing("picture yet");
    return kept.png;
  }

  private void make(UUID sequence) {
    try {
      SequenceStore.Present now = sequences.get(sequence);
      byte[] png = made(now);
      if (png == null) return;
      database.update(
          "insert into sequence_picture (sequence_id, revision, made_at, png)"
              + " values (?, ?, ?, ?) on conflict (sequence_id) do update set"
              + " revision = excluded.revision, made_at = excluded.made_at, png = excluded.png",
          sequence,
          now.revision(),
          Timestamp.from(clock.instant()),
          png);
      count(sequence, now.sequence());
    } catch (Problem e) {
      LOG.debug("A sequence went before its picture was made");
    } catch (RuntimeException e) {
      LOG.warn("No picture of sequence {} could be made", sequence, e);
    } finally {
      waiting.remove(sequence);
    }
  }

  /** Empty where none can be made; that is not tried again before the sequence has gone on. */
  private byte[] made(SequenceStore.Present now) {
    try {
      return middleOfTheLongestShot(now.sequence());
    } catch (IllegalStateException e) {
      LOG.info("Sequence {} has no picture: {}", now.id(), e.getMessage());
      return new byte[0];
    }
  }

  /**
   * As its camera sees it; the first camera's first frame without a cut, empty without a camera.
   */
  private byte[] middleOfTheLongestShot(Sequence s) {
    Camera camera = null;
    String take = null;
    double frame = s.header().firstFrame();
    int longest = 0;
    Programme p = Programme.of(s);
    for (Programme.Placed shot : p.placed()) {
      if (shot.frames() < longest || !(s.get(shot.camera()) instanceof Camera c)) continue;
      longest = shot.frames();
      camera = c;
      take = shot.inTake();
      frame = p.scene((shot.first() + shot.last()) / 2);
    }
    if (camera == null) camera = s.all(Camera.class).stream().findFirst().orElse(null);
    return camera == null ? new byte[0] : pictures.of(s, camera, take, frame, painter::isShutdown);
  }

  private void count(UUID sequence, Sequence s) {
    Programme p = Programme.of(s);
    int shots = p.placed().size(), frames = p.lastFrame() - p.firstFrame() + 1;
    database.update(
        "update sequence set shots = ?, frames = ? where id = ?"
            + " and (shots is distinct from ? or frames is distinct from ?)",
        shots,
        frames,
        sequence,
        shots,
        frames);
  }

  @Override
  public void destroy() {
    painter.shutdownNow();
  }
}
