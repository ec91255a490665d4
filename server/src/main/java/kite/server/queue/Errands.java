package kite.server.queue;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.SchedulerName;
import com.github.kagkarlsson.scheduler.jdbc.PostgreSqlJdbcCustomization;
import com.github.kagkarlsson.scheduler.logging.LogLevel;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import javax.sql.DataSource;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.SmartLifecycle;
import org.springframework.context.annotation.Lazy;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.datasource.TransactionAwareDataSourceProxy;
import org.springframework.stereotype.Component;

/**
 * The engine's other instance, for what no picture is to wait for and what waits for no picture.
 * What is added in a transaction is done once that is committed, by whichever server is free.
 */
@Component
@Lazy(false)
public class Errands implements SmartLifecycle {
  private static final int AT_ONCE = 1;
  private static final Duration LOOK = Duration.ofMillis(500);

  /** How often whoever works says so, and after how many times of silence it is taken for dead. */
  private static final Duration BEAT = Duration.ofSeconds(2);

  private static final int SILENT_BEATS = 4;
  private static final Duration LEAVE = Duration.ofSeconds(2);

  private final ObjectProvider<Errand> kinds;
  private final DataSource database;
  private final Clock clock;
  private final WorkerName name;
  private Scheduler engine;
  private volatile boolean begun;

  /** Kinds of work lead here again: they are looked up when first needed. */
  Errands(ObjectProvider<Errand> kinds, DataSource database, Clock clock, WorkerName name) {
    this.kinds = kinds;
    this.database = database;
    this.clock = clock;
    this.name = name;
  }

  private synchronized Scheduler engine() {
    if (engine == null)
      engine =
          Scheduler.create(
                  new TransactionAwareDataSourceProxy(database),
                  List.copyOf(kinds.stream().map(Errand::task).toList()))
              .tableName("errand")
              .schedulerName(new SchedulerName.Fixed(name.text()))
              .serializer(new JsonData())
              .clock(clock::instant)
              .jdbcCustomization(new PostgreSqlJdbcCustomization(false, false))
              .threads(AT_ONCE)
              .pollingInterval(LOOK)
              .heartbeatInterval(BEAT)
              .missedHeartbeatsLimit(SILENT_BEATS)
              .shutdownMaxWait(LEAVE)
              .failureLogging(LogLevel.WARN, true)
              .build();
    return engine;
  }

  /** Adds something to be done at once. Part of the transaction that asks for it. */
  public <T> void add(TaskDescriptor<T> kind, String id, T data) {
    Instant now = clock.instant();
    engine().scheduleIfNotExists(kind.instance(id).data(data).scheduledTo(now));
  }

  @EventListener
  public void ready(ApplicationReadyEvent e) {
    engine().start();
    begun = true;
  }

  @Override
  public void start() {
    // when the application is ready
  }

  @Override
  public void stop() {
    if (begun) engine().stop();
    begun = false;
  }

  /** Else it would not be stopped. */
  @Override
  public boolean isRunning() {
    return true;
  }
}
