package kite.server.queue;

import java.net.InetAddress;
import java.net.UnknownHostException;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** What this process is called among those that work: the machine's name and a number. */
@Component
public class WorkerName {
  private static final int LONGEST = 40;

  private final String text;

  WorkerName(@Value("${kite.worker-name}") String given) {
    String name = given.isBlank() ? machine() : given.strip();
    text =
        name.substring(0, Math.min(LONGEST, name.length())) + "-" + ProcessHandle.current().pid();
  }

  private static String machine() {
    try {
      return InetAddress.getLocalHost().getHostName();
    } catch (UnknownHostException e) {
      return "worker";
    }
  }

  public String text() {
    return text;
  }
}
