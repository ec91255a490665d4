package kite.server.render;

import com.github.kagkarlsson.scheduler.task.CompletionHandler;
import com.github.kagkarlsson.scheduler.task.ExecutionComplete;
import com.github.kagkarlsson.scheduler.task.FailureHandler;
import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tools.jackson.core.JacksonException;

/** The kinds of work that the engine gives to workers, and what it does when one fails or dies. */
@Configuration
class Work {
  private static final Logger LOG = LoggerFactory.getLogger(Work.class);

  /** How often a frame is tried again, and how long after the first time; then thrice as long. */
  private static final int TRIES_AGAIN = 2;

  private static final Duration AFTER = Duration.ofSeconds(1);
  private static final double LONGER = 3;

  /** A frame that so many workers died of is given up: it may be what they die of. */
  private static final int MOST_DEATHS = 8;

  /** A worker that has not the memory for a frame leaves it to others for so long. */
  private static final Duration FOR_OTHERS = Duration.ofSeconds(5);

  /** How often a browser is begun again for a preview. */
  private static final int BROWSERS = 2;

  private static final Duration AFTER_BROWSER = Duration.ofSeconds(5);

  @Bean
  Task<FrameWork> frameWork(FrameWorker worker, Ending ending, Clock clock) {
    FailureHandler<FrameWork> failed =
        FailureHandler.<FrameWork>maxRetries(TRIES_AGAIN)
            .withBackoff(AFTER, LONGER)
            .then(
                (end, work) -> {
                  FrameWork frame = frame(end);
                  if (frame != null) ending.cannot(frame, why(end));
                  work.remove();
                });
    return Tasks.custom(Queue.FRAME)
        .onFailure(failed)
        .onDeadExecution(
            (end, work) -> {
              int deaths = end.getExecution().consecutiveFailures + 1;
              FrameWork frame = frame(end);
              if (deaths > MOST_DEATHS && frame != null)
                ending.cannot(frame, deaths + " workers ended while they made it");
              if (deaths > MOST_DEATHS || frame == null) work.remove();
              else work.reschedule(end, clock.instant());
            })
        .execute(
            (task, context) -> {
              try {
                return switch (worker.make(task.getData(), context.getSchedulerState())) {
                  case OVER -> new CompletionHandler.OnCompleteRemove<>();
                  case FOR_ANOTHER -> again(clock.instant());
                  case TOO_LARGE -> again(clock.instant().plus(FOR_OTHERS));
                };
              } catch (IOException e) {
                throw new UncheckedIOException(e);
              }
            });
  }

  /** The frame that failed, or null where what is stored of it cannot be read. */
  private static FrameWork frame(ExecutionComplete end) {
    try {
      return (FrameWork) end.getExecution().taskInstance.getData();
    } catch (JacksonException e) {
      LOG.error("{} cannot be read and is taken away", end.getExecution().taskInstance, e);
      return null;
    }
  }

  private static String why(ExecutionComplete end) {
    Throwable e = end.getCause().orElse(null);
    if (e instanceof UncheckedIOException) e = e.getCause();
    if (e == null) return "the worker ended";
    return e.getMessage() == null ? e.getClass().getSimpleName() : e.getMessage();
  }

  private static <T> CompletionHandler<T> again(Instant when) {
    return (end, work) -> work.reschedule(end, when);
  }

  @Bean
  Task<UUID> filmWork(FilmWorker worker) {
    return Tasks.oneTime(Queue.FILM)
        .onFailure(new FailureHandler.OnFailureRetryLater<>(AFTER))
        .onDeadExecutionRevive()
        .execute(
            (task, context) -> {
              try {
                worker.make(task.getData());
              } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new IllegalStateException("This worker ends; another makes the film", e);
              }
            });
  }

  @Bean
  Task<UUID> drawWork(PreviewBrowser browser) {
    return Tasks.custom(Queue.DRAW)
        .onFailure(FailureHandler.<UUID>maxRetries(BROWSERS).retryEvery(AFTER_BROWSER).thenRemove())
        .onDeadExecutionRevive()
        .execute(
            (task, context) -> {
              try {
                Instant later = browser.run(task.getData());
                return later == null ? new CompletionHandler.OnCompleteRemove<>() : again(later);
              } catch (IOException e) {
                throw new UncheckedIOException(e);
              } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new IllegalStateException("This worker ends; another draws the preview", e);
              }
            });
  }
}
