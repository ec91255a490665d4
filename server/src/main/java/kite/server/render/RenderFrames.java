package kite.server.render;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface RenderFrames extends JpaRepository<RenderFrame, RenderFrame.Key> {
  List<RenderFrame> findByJobIdOrderByNumber(UUID jobId);

  int countByJobId(UUID jobId);

  @Query("select f.number from RenderFrame f where f.jobId = :job")
  List<Integer> numbers(UUID job);

  /** What a frame took, in seconds. */
  record Took(int number, double seconds) {}

  @Query(
      "select new kite.server.render.RenderFrames$Took(f.number, f.seconds) from RenderFrame f"
          + " where f.jobId = :job")
  List<Took> took(UUID job);

  @Query(
      "select distinct f.without from RenderFrame f where f.jobId = :job and f.without is not null")
  List<String> without(UUID job);

  /**
   * Counts a frame, once: what another worker, which took it over, has counted already stays.
   *
   * @return 0 when it was counted already
   */
  @Modifying
  @Query(
      value =
          "insert into render_frame (job_id, number, file, seconds, bytes, made_at, worker, without)"
              + " values (:job, :number, :file, :seconds, :bytes, :at, :worker, :without)"
              + " on conflict do nothing",
      nativeQuery = true)
  int count(
      UUID job,
      int number,
      String file,
      double seconds,
      long bytes,
      Instant at,
      String worker,
      String without);
}
