package kite.e2e;

import java.io.File;
import java.io.IOException;
import java.net.HttpURLConnection;
import java.net.ServerSocket;
import java.net.URI;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;

/** The real server as a process of its own, on a port that stays the same over its restarts. */
final class ServerProcess {
  /** The memory it begins with as ./kite gives it, so that rubbish is cleared as seldom. */
  static final List<String> JAVA =
      List.of("-Dspring.aot.enabled=true", "-Xms512m", "-Xmx1500m", "-XX:MetaspaceSize=256m");

  private final int port;
  private final String database;
  private final String role;
  private final String password;
  private final Path output;
  private final File log;
  private final Map<String, String> settings;
  private Process process;

  /** As the tests have it: with the demonstration. */
  ServerProcess(String database, String role, String password, Path output, File log)
      throws IOException {
    this(database, role, password, output, log, Map.of("KITE_DEMO", "true"));
  }

  /**
   * @param database its JDBC address
   * @param output folder for rendered frames
   * @param settings further variables of its environment
   */
  ServerProcess(
      String database,
      String role,
      String password,
      Path output,
      File log,
      Map<String, String> settings)
      throws IOException {
    this.settings = settings;
    this.database = database;
    this.role = role;
    this.password = password;
    this.output = output;
    this.log = log;
    try (ServerSocket free = new ServerSocket(0)) {
      port = free.getLocalPort();
    }
    Runtime.getRuntime()
        .addShutdownHook(
            new Thread(
                () -> {
                  if (process != null) process.destroyForcibly();
                }));
  }

  static String java() {
    return ProcessHandle.current().info().command().orElse("java");
  }

  /** Begins to start it. */
  void launch() throws IOException, InterruptedException {
    List<String> command = new ArrayList<>();
    command.add(java());
    command.addAll(JAVA);
    // a server that lives for minutes is compiled for longer than it gains by it; not so a bench's
    if (System.getProperty("groups", "").isEmpty()) command.add("-XX:TieredStopAtLevel=1");
    command.addAll(QuickStart.command());
    ProcessBuilder b = new ProcessBuilder(command);
    b.environment().put("KITE_DB_URL", database);
    b.environment().put("KITE_DB_USER", role);
    b.environment().put("KITE_DB_PASSWORD", password);
    b.environment().put("KITE_PORT", "" + port);
    b.environment().putAll(settings);
    b.environment().put("KITE_OUTPUT", output.toString());
    process =
        b.redirectErrorStream(true).redirectOutput(ProcessBuilder.Redirect.appendTo(log)).start();
  }

  /** Starts it and waits until it is ready. */
  void start() throws IOException, InterruptedException {
    launch();
    for (int i = 0; i < 480; i++) {
      if (!process.isAlive())
        throw new IllegalStateException("The server stopped while starting; see " + log);
      if (answers()) return;
      Thread.sleep(250);
    }
    throw new IllegalStateException("The server did not answer; see " + log);
  }

  boolean answers() {
    try {
      HttpURLConnection c =
          (HttpURLConnection) URI.create(address() + "api/health").toURL().openConnection();
      c.setReadTimeout(5000);
      return c.getResponseCode() == 200;
    } catch (IOException e) {
      return false;
    }
  }

  /** Ends it as a power cut would. */
  void kill() throws InterruptedException {
    process.destroyForcibly();
    process.waitFor(20, TimeUnit.SECONDS);
  }

  String address() {
    return "http://127.0.0.1:" + port + "/";
  }
}
