package kite.server.queue;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.SchedulerName;
import com.github.kagkarlsson.scheduler.jdbc.PostgreSqlJdbcCustomization;
import com.github.kagkarlsson.scheduler.logging.LogLevel;
import com.github.kagkarlsson.scheduler.task.Task;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import javax.sql.DataSource;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.datasource.TransactionAwareDataSourceProxy;

/**
 * The engine: work stands in a table, those with the highest priority first; whoever is free takes
 * the next. Work that is added in a transaction is there when that is committed, and not when it is
 * rolled back.
 */
@Configuration
class Engine {
  /** How often it is looked whether others have added work; whoever adds it here says so. */
  private static final Duration LOOK = Duration.ofMillis(250);

  /** How often whoever works says so, and after how many times of silence it is taken for dead. */
  private static final Duration BEAT = Duration.ofSeconds(2);

  private static final int SILENT_BEATS = 4;

  /** One piece of work at a time, which has all threads; the next is not taken before. */
  private static final int AT_ONCE = 1;

  /**
   * Work is locked by one statement and taken by the next: taken by one alone, PostgreSQL may look
   * for it anew for every row, and takes all there is instead of the first.
   */
  private static final boolean LOCKS_FIRST = true;

  /** What is under way is given back at once when a worker is told to end. */
  private static final Duration LEAVE = Duration.ofSeconds(2);

  @Bean(destroyMethod = "")
  Scheduler scheduler(DataSource database, List<Task<?>> tasks, Clock clock, WorkerName name) {
    return Scheduler.create(new TransactionAwareDataSourceProxy(database), tasks)
        .tableName("work")
        .schedulerName(new SchedulerName.Fixed(name.text()))
        .serializer(new JsonData())
        .clock(clock::instant)
        .jdbcCustomization(new PostgreSqlJdbcCustomization(LOCKS_FIRST, false))
        .threads(AT_ONCE)
        .pollingInterval(LOOK)
        .pollUsingLockAndFetch(0.5, 1)
        .enablePriority()
        .heartbeatInterval(BEAT)
        .missedHeartbeatsLimit(SILENT_BEATS)
        .shutdownMaxWait(LEAVE)
        .failureLogging(LogLevel.WARN, true)
        .build();
  }
}
