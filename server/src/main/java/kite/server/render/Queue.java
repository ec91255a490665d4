package kite.server.render;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import javax.sql.DataSource;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * A job's work in the engine: one piece for each frame, one for its film, one for a browser that
 * draws it. All of it is part of the transaction that it is asked in.
 */
@Component
class Queue {
  static final TaskDescriptor<FrameWork> FRAME = TaskDescriptor.of("frame", FrameWork.class);
  static final TaskDescriptor<UUID> FILM = TaskDescriptor.of("film", UUID.class);
  static final TaskDescriptor<UUID> DRAW = TaskDescriptor.of("draw", UUID.class);

  /** Pixels times lens rays that count as one step in a row: about a second's work. */
  private static final double STEP = 2e6;

  private final ObjectProvider<Scheduler> engine;
  private final JdbcTemplate database;
  private final Clock clock;

  /** The engine knows the work, which leads here again: it is looked up when first needed. */
  Queue(ObjectProvider<Scheduler> engine, DataSource source, Clock clock) {
    this.engine = engine;
    this.database = new JdbcTemplate(source);
    this.clock = clock;
  }

  /**
   * Adds a job's frames, after those that its person has in the row already, or, where those are
   * done, level with what has its turn now: so each frame of somebody with one job comes between
   * two of somebody with a thousand frames.
   */
  void addFrames(RenderJob job, List<Integer> numbers) {
    long place = nextPlace(job);
    int parts = FrameWork.partsOf(job.framesTotal, job.width, job.height, job.samples);
    double rays = (double) job.width * job.height * job.samples / parts;
    int steps = (int) Math.max(1, rays / STEP);
    List<TaskInstance<?>> all = new ArrayList<>();
    for (int n : numbers)
      for (int part = 0; part < parts; part++) {
        all.add(
            FRAME
                .instance(instance(job, n))
                .priority(job.urgency.priority(place))
                .data(new FrameWork(job.id, n, job.round, part, parts))
                .build());
        place += steps;
      }
    engine.getObject().scheduleBatch(all, clock.instant());
    begin();
  }

  /** Has it begun at once when the transaction is over: before, nobody sees it. */
  private void begin() {
    Scheduler here = engine.getObject();
    if (!here.getSchedulerState().isStarted()) return;
    if (!TransactionSynchronizationManager.isSynchronizationActive())
      here.triggerCheckForDueExecutions();
    else
      TransactionSynchronizationManager.registerSynchronization(
          new TransactionSynchronization() {
            @Override
            public void afterCommit() {
              here.triggerCheckForDueExecutions();
            }
          });
  }

  private static String instance(RenderJob job, int number) {
    return job.id + "/" + number + "/" + job.round + "/" + UUID.randomUUID();
  }

  private long nextPlace(RenderJob job) {
    int band = job.urgency.priority(0);
    Long next =
        database.queryForObject(
            """
            select greatest(
              coalesce(min(? - w.priority), 0),
              coalesce(max(? - w.priority + 1) filter (where j.asked_by = ?), 0))
            from work w join render_job j on j.id::text = w.job
            where w.task_name = 'frame' and not w.picked and j.urgency = ?
            """,
            Long.class,
            band,
            band,
            job.askedBy,
            job.urgency.name());
    return next == null ? 0 : next;
  }

  /** Adds the making of a job's film, which is at once. */
  void addFilm(UUID job) {
    add(FILM, job, Urgency.URGENT.priority(0));
  }

  /** Adds the drawing of a preview by a browser of whichever worker is free. */
  void addDrawing(UUID job) {
    add(DRAW, job, Urgency.NORMAL.priority(0));
  }

  private void add(TaskDescriptor<UUID> what, UUID job, int priority) {
    engine
        .getObject()
        .schedule(
            what.instance(job + "/" + UUID.randomUUID()).priority(priority).data(job).build(),
            clock.instant());
    begin();
  }

  /** Takes away what waits; what somebody is at looks for itself whether it is still wanted. */
  void removeWaiting(UUID job) {
    database.update("delete from work where job = ? and not picked", job.toString());
  }

  void change(UUID job, Urgency from, Urgency to) {
    database.update(
        "update work set priority = priority + ? where job = ? and task_name = 'frame'",
        to.priority(0) - from.priority(0),
        job.toString());
  }

  /** Frames of a job that wait or are being made. */
  Set<Integer> frames(UUID job) {
    return new HashSet<>(
        database.queryForList(
            "select split_part(task_instance, '/', 2)::int from work"
                + " where job = ? and task_name = 'frame'",
            Integer.class,
            job.toString()));
  }

  /** Pieces of a job's frames that wait or are being made. */
  int piecesLeft(UUID job) {
    Integer left =
        database.queryForObject(
            "select count(*) from work where job = ? and task_name = 'frame'",
            Integer.class,
            job.toString());
    return left == null ? 0 : left;
  }

  /**
   * How many frames of a round have neither come nor failed.
   *
   * @param but the one that says so itself
   */
  int framesLeft(UUID job, int round, int but) {
    Integer left =
        database.queryForObject(
            """
            select count(distinct n) from (
              select split_part(task_instance, '/', 2)::int n from work
              where job = ? and task_name = 'frame' and split_part(task_instance, '/', 3) = ?) w
            where n <> ?
              and not exists (select 1 from render_frame f where f.job_id = ? and f.number = n)
              and not exists (select 1 from render_trouble t where t.job_id = ? and t.number = n)
            """,
            Integer.class,
            job.toString(),
            "" + round,
            but,
            job,
            job);
    return left == null ? 0 : left;
  }

  /**
   * A frame that somebody is at.
   *
   * @param worker whoever is at it
   */
  record UnderWay(UUID job, int number, String worker, Instant lastSaid) {}

  /** Frames of a sequence's jobs that somebody is at. */
  List<UnderWay> underWay(UUID sequence) {
    return database.query(
        """
        select j.id, split_part(w.task_instance, '/', 2)::int, w.picked_by, w.last_heartbeat
        from work w join render_job j on j.id::text = w.job
        where w.picked and w.task_name = 'frame' and j.sequence_id = ? order by 2
        """,
        (r, i) ->
            new UnderWay(
                r.getObject(1, UUID.class),
                r.getInt(2),
                r.getString(3),
                r.getTimestamp(4).toInstant()),
        sequence);
  }
}
