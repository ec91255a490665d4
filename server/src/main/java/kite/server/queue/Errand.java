package kite.server.queue;

import com.github.kagkarlsson.scheduler.task.Task;

/** A kind of work beside renders, done by every server, a few at a time. */
public interface Errand {
  Task<?> task();
}
