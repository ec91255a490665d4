package kite.server.render;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.transaction.annotation.Transactional;

interface RenderJobs extends JpaRepository<RenderJob, UUID> {
  /**
   * What a list of jobs shows; their documents stay where they are.
   *
   * @param newest number of the frame that came last; null before the first
   * @param secondsAFrame that its frames took on the average; null before the first
   */
  record Listed(
      UUID id,
      UUID sequenceId,
      String label,
      RenderJob.Kind kind,
      int numbered,
      boolean byServer,
      RenderJob.State state,
      String message,
      int framesTotal,
      int width,
      int height,
      int samples,
      String kept,
      Urgency urgency,
      String askedBy,
      Instant askedAt,
      long done,
      long failed,
      Integer newest,
      Double secondsAFrame) {}

  String LISTED =
      "select new kite.server.render.RenderJobs$Listed(j.id, j.sequenceId, j.label, j.kind,"
          + " j.numbered, j.byServer, j.state, j.message,"
          + " j.framesTotal, j.width, j.height, j.samples, j.kept, j.urgency, j.askedBy,"
          + " j.askedAt, (select count(f) from RenderFrame f where f.jobId = j.id),"
          + " (select count(t) from RenderTrouble t where t.jobId = j.id),"
          + " (select max(f.number) from RenderFrame f where f.jobId = j.id and (f.madeAt is null or"
          + " f.madeAt = (select max(g.madeAt) from RenderFrame g where g.jobId = j.id))),"
          + " (select avg(f.seconds) from RenderFrame f where f.jobId = j.id)) from RenderJob j ";

  @Query(LISTED + "where j.sequenceId = :sequence order by j.askedAt desc")
  List<Listed> list(UUID sequence, Limit most);

  @Query(LISTED + "where j.id = :id")
  Listed listed(UUID id);

  /** Jobs of a person that have not ended. */
  @Query(
      "select count(j) from RenderJob j where j.askedBy = :who and j.state in"
          + " (kite.server.render.RenderJob$State.WAITING, kite.server.render.RenderJob$State.WORKING,"
          + " kite.server.render.RenderJob$State.PAUSED)")
  int unfinished(String who);

  /** Whether frames of a round still count. */
  @Query(
      "select count(j) > 0 from RenderJob j where j.id = :id and j.round = :round and j.state in"
          + " (kite.server.render.RenderJob$State.WAITING, kite.server.render.RenderJob$State.WORKING,"
          + " kite.server.render.RenderJob$State.PAUSED)")
  boolean wanted(UUID id, int round);

  @Query("select j.shots from RenderJob j where j.id = :id")
  String shotsOf(UUID id);

  @Query("select j.sequenceId from RenderJob j where j.id = :id")
  UUID sequenceOf(UUID id);

  /** Has the job for oneself until the transaction ends. */
  @Query(value = "select 1 from render_job where id = :id for update", nativeQuery = true)
  Integer lock(UUID id);

  /** A worker has begun; 0 when one has before. */
  @Modifying
  @Transactional
  @Query(
      "update RenderJob j set j.state = kite.server.render.RenderJob$State.WORKING, j.message = ''"
          + " where j.id = :id and j.state = kite.server.render.RenderJob$State.WAITING")
  int beginWork(UUID id);

  @Modifying
  @Transactional
  @Query("update RenderJob j set j.state = :state, j.message = :message where j.id = :id")
  int become(UUID id, RenderJob.State state, String message);

  /** Ends a job that is under way; 0 when it is not. */
  @Modifying
  @Transactional
  @Query(
      "update RenderJob j set j.state = :state, j.message = :message where j.id = :id and j.state in"
          + " (kite.server.render.RenderJob$State.WAITING, kite.server.render.RenderJob$State.WORKING,"
          + " kite.server.render.RenderJob$State.PAUSED)")
  int endWork(UUID id, RenderJob.State state, String message);

  /** What a pixel's lens ray took in the newest jobs of a sequence, in seconds; null before any. */
  @Query(
      value =
          "select sum(f.seconds) / sum(1.0 * j.width * j.height * j.samples) from render_job j"
              + " join lateral (select seconds from render_frame f where f.job_id = j.id"
              + " order by number limit 20) f on true where j.id in (select id from render_job"
              + " where sequence_id = :sequence and kind = 'RENDER' and state = 'DONE'"
              + " order by asked_at desc limit 5)",
      nativeQuery = true)
  Double secondsARay(UUID sequence);

  @Query("select j.stopAsked from RenderJob j where j.id = :id")
  boolean stopAsked(UUID id);

  @Modifying
  @Transactional
  @Query("update RenderJob j set j.stopAsked = true where j.id = :id")
  int askStop(UUID id);

  /** Takes a job that nobody holds, or whose holder has been silent since a moment. */
  @Modifying
  @Transactional
  @Query(
      "update RenderJob j set j.state = kite.server.render.RenderJob$State.WORKING, j.message = '',"
          + " j.holder = :me, j.heldAt = :now where j.id = :id and (j.holder is null or j.heldAt <"
          + " :silent) and j.state in (kite.server.render.RenderJob$State.WAITING,"
          + " kite.server.render.RenderJob$State.WORKING)")
  int take(UUID id, UUID me, Instant now, Instant silent);

  /** Says that the holder is at it; 0 when it holds the job no longer. */
  @Modifying
  @Transactional
  @Query("update RenderJob j set j.heldAt = :now where j.id = :id and j.holder = :me")
  int hold(UUID id, UUID me, Instant now);

  /** Ends a job that one holds. */
  @Modifying
  @Transactional
  @Query(
      "update RenderJob j set j.state = :state, j.message = :message, j.holder = null"
          + " where j.id = :id and j.holder = :me")
  int end(UUID id, UUID me, RenderJob.State state, String message);

  /** Ends a job that nobody works at, or whose holder has been silent since a moment. */
  @Modifying
  @Transactional
  @Query(
      "update RenderJob j set j.state = kite.server.render.RenderJob$State.STOPPED, j.message ="
          + " :message, j.holder = null where j.id = :id and (j.holder is null or j.heldAt <"
          + " :silent) and j.state in (kite.server.render.RenderJob$State.WAITING,"
          + " kite.server.render.RenderJob$State.WORKING)")
  int endUnheld(UUID id, String message, Instant silent);

  /** Previews that whoever draws them has been silent about since a moment. */
  @Query(
      "select j.id from RenderJob j where j.kind = kite.server.render.RenderJob$Kind.PREVIEW and"
          + " j.state = kite.server.render.RenderJob$State.WORKING and j.heldAt < :silent")
  List<UUID> silentPreviews(Instant silent);

  /** Previews that no page has begun since a moment. */
  @Query(
      "select j.id from RenderJob j where j.kind = kite.server.render.RenderJob$Kind.PREVIEW and"
          + " j.state = kite.server.render.RenderJob$State.WAITING and j.byServer = false and"
          + " coalesce(j.heldAt, j.askedAt) < :since")
  List<UUID> unbegunPreviews(Instant since);

  /** A preview that was resumed waits from now on for a page that begins it. */
  @Modifying
  @Transactional
  @Query("update RenderJob j set j.heldAt = :now where j.id = :id")
  int waitFrom(UUID id, Instant now);

  /** Waits until nobody else numbers jobs of the sequence. */
  @Query(value = "select 1 from (select pg_advisory_xact_lock(:key)) as taken", nativeQuery = true)
  int alone(long key);

  /**
   * The last number that a job of the kind has which is called alike, or in which one of some shots
   * is: two that have the same shot have two versions of it.
   *
   * @param codes of shots, as a JSON array
   */
  @Query(
      value =
          "select coalesce(max(numbered), 0) from render_job where sequence_id = :sequence and"
              + " kind = :kind and (label = :label or exists (select 1 from"
              + " jsonb_array_elements(shots) s where s ->> 'programme' is not null and"
              + " s ->> 'code' in (select jsonb_array_elements_text(cast(:codes as jsonb)))))",
      nativeQuery = true)
  int lastNumber(UUID sequence, String kind, String label, String codes);

  /** Lets a preview that ended go on; 0 when it is under way or done. */
  @Modifying
  @Transactional
  @Query(
      "update RenderJob j set j.state = kite.server.render.RenderJob$State.WAITING, j.message = '',"
          + " j.stopAsked = false, j.holder = null where j.id = :id and j.state in"
          + " (kite.server.render.RenderJob$State.STOPPED, kite.server.render.RenderJob$State.FAILED)")
  int resume(UUID id);
}
