package kite.server.render;

import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.contains;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import kite.core.form.SequenceJson;
import kite.demo.SaltWind;
import kite.server.asset.AssetStore;
import org.jobrunr.jobs.lambdas.IocJobLambda;
import org.jobrunr.scheduling.JobScheduler;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mockito.ArgumentMatchers;
import org.springframework.context.ApplicationEventPublisher;

class RenderRunnerTest {
  private final RenderJobs jobs = mock(RenderJobs.class);
  private final RenderFrames frames = mock(RenderFrames.class);
  private final JobScheduler scheduler = mock(JobScheduler.class);
  private final RenderJob job = new RenderJob();
  @TempDir Path folder;
  private RenderRunner runner;

  @BeforeEach
  void aJobOfTwoGapFrames() {
    job.id = UUID.randomUUID();
    job.document = SequenceJson.write(new SaltWind().sw010());
    job.shots = Shot.write(List.of(new Shot(null, 1001, 1002, null)));
    job.width = job.height = 16;
    job.framesTotal = 1; // no film of it
    when(jobs.findById(job.id)).thenReturn(Optional.of(job));
    when(jobs.inTurn(any(), any())).thenReturn(List.of(job.id));
    when(jobs.take(eq(job.id), any(), any(), any())).thenReturn(1);
    when(jobs.hold(eq(job.id), any(), any())).thenReturn(1);
    runner = runner(Clock.systemUTC());
  }

  private RenderRunner runner(Clock clock) {
    return new RenderRunner(
        jobs,
        frames,
        mock(AssetStore.class),
        mock(Film.class),
        clock,
        scheduler,
        mock(ApplicationEventPublisher.class),
        folder.toString(),
        1);
  }

  @Test
  void aJobThatIsHeldIsWorkedOffAndEndedByItsHolder() throws Exception {
    runner.run(job.id);
    verify(jobs).end(eq(job.id), any(), eq(RenderJob.State.DONE), eq(""));
    assertTrue(Files.isRegularFile(runner.folder(job.id).resolve("00002.png")));
  }

  @Test
  void whatSomebodyElseHoldsIsLeftAloneAndLookedAtAgain() throws Exception {
    when(jobs.inTurn(any(), any())).thenReturn(List.of());
    when(jobs.worked(job.id)).thenReturn(true);
    runner.run(job.id);
    verify(jobs, never()).end(any(), any(), any(), any());
    verify(scheduler)
        .schedule(any(Instant.class), ArgumentMatchers.<IocJobLambda<RenderRunner>>any());
    verify(frames, never()).save(any());
  }

  @Test
  void aWorkerThatWasTakenForDeadCountsNoFrame() throws Exception {
    when(jobs.hold(eq(job.id), any(), any())).thenReturn(0);
    runner.run(job.id);
    verify(frames, never()).save(any());
  }

  @Test
  void aFailureIsASentenceAndNotTriedAgainByItself() throws Exception {
    job.document = "{\"format\":9}";
    runner.run(job.id);
    verify(jobs).end(eq(job.id), any(), eq(RenderJob.State.FAILED), contains("Resume it"));
  }

  @Test
  void aWorkerThatIsBeingStoppedLeavesTheJobToTheNext() {
    when(frames.existsById(any()))
        .thenAnswer(
            i -> {
              Thread.currentThread().interrupt();
              throw new IllegalStateException("the pool is closed");
            });
    assertThrows(InterruptedException.class, () -> runner.run(job.id));
    Thread.interrupted(); // the next test is not to be stopped
    verify(jobs, never()).end(any(), any(), any(), any());
  }

  @Test
  void aTurnIsForWhoeverHasWaitedLongest() throws Exception {
    runner.run(UUID.randomUUID()); // the turn was asked for by another job
    verify(jobs).end(eq(job.id), any(), eq(RenderJob.State.DONE), eq(""));
  }

  @Test
  void aLongJobMakesRoomForOthersAndGoesOn() throws Exception {
    Clock clock = mock(Clock.class);
    Instant[] now = {Instant.EPOCH};
    when(clock.instant()).thenAnswer(i -> now[0] = now[0].plus(RenderRunner.TURN).plusMillis(1));
    when(jobs.othersWait(any())).thenReturn(false, true);
    job.askedBy = "pim";
    runner(clock).run(job.id);
    verify(frames, times(1)).save(any()); // the second frame is for the next turn
    verify(jobs).giveBack(eq(job.id), any(), contains("turn"));
    verify(jobs, never()).end(any(), any(), any(), any());
    verify(scheduler).enqueue(ArgumentMatchers.<IocJobLambda<RenderRunner>>any());
  }
}
