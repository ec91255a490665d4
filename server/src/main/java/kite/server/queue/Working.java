package kite.server.queue;

import com.github.kagkarlsson.scheduler.Scheduler;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.SmartLifecycle;
import org.springframework.context.annotation.Lazy;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * Takes work from when the application is ready, so that people who come back to their pages do not
 * wait for it, until it ends. A server that is told not to work leaves it to others.
 */
@Component
@Lazy(false)
class Working implements SmartLifecycle {
  private final ObjectProvider<Scheduler> engine;
  private final boolean works;
  private volatile boolean begun;

  Working(ObjectProvider<Scheduler> engine, @Value("${kite.worker}") boolean works) {
    this.engine = engine;
    this.works = works;
  }

  @EventListener
  public void ready(ApplicationReadyEvent e) {
    if (!works) return;
    engine.getObject().start();
    begun = true;
  }

  @Override
  public void start() {
    // when the application is ready
  }

  @Override
  public void stop() {
    if (begun) engine.getObject().stop();
    begun = false;
  }

  /** Else it would not be stopped. */
  @Override
  public boolean isRunning() {
    return true;
  }
}
