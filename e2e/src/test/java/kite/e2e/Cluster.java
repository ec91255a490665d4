package kite.e2e;

import java.io.IOException;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

/** A PostgreSQL cluster of a test's own, to be killed at will. */
final class Cluster {
  private static final String ROLE = "campaign";
  private final Path data;
  private final Path bin;
  private final int port;
  private final boolean root = "root".equals(System.getProperty("user.name"));

  Cluster() throws Exception {
    bin = programs();
    try (ServerSocket free = new ServerSocket(0)) {
      port = free.getLocalPort();
    }
    data = Files.createTempDirectory("kite-cluster");
    if (root) run(false, "chown", "jollykite", data.toString());
    run(
        true,
        bin + "/initdb",
        "-D",
        data.toString(),
        "-U",
        ROLE,
        "--auth=trust",
        "--locale=C.UTF-8");
    start();
    try (Connection c = connect("postgres");
        Statement s = c.createStatement()) {
      s.execute("create database kite");
    }
    Runtime.getRuntime().addShutdownHook(new Thread(this::end));
  }

  /** Where PostgreSQL's programs are. */
  static Path programs() throws IOException {
    try (Stream<Path> versions = Files.list(Path.of("/usr/lib/postgresql"))) {
      return versions.sorted().reduce((a, b) -> b).orElseThrow().resolve("bin");
    }
  }

  String url() {
    return "jdbc:postgresql://127.0.0.1:" + port + "/kite";
  }

  static String role() {
    return ROLE;
  }

  Connection connect() throws SQLException {
    return connect("kite");
  }

  private Connection connect(String database) throws SQLException {
    return DriverManager.getConnection(
        "jdbc:postgresql://127.0.0.1:" + port + "/" + database, ROLE, "");
  }

  void start() throws Exception {
    run(
        true,
        bin + "/pg_ctl",
        "-D",
        data.toString(),
        "-w",
        "-t",
        "60",
        "-l",
        data + "/log",
        "-o",
        "-p " + port + " -c listen_addresses=127.0.0.1 -c unix_socket_directories=''",
        "start");
  }

  /** Kills every process of it at once, as a power cut would. */
  void kill() throws Exception {
    long postmaster =
        Long.parseLong(Files.readAllLines(data.resolve("postmaster.pid")).get(0).trim());
    List<ProcessHandle> all = new ArrayList<>();
    ProcessHandle.of(postmaster)
        .ifPresent(
            p -> {
              p.descendants().forEach(all::add);
              all.add(0, p);
            });
    for (ProcessHandle p : all) p.destroyForcibly();
    for (ProcessHandle p : all) p.onExit().get(20, TimeUnit.SECONDS);
  }

  private void end() {
    try {
      run(true, bin + "/pg_ctl", "-D", data.toString(), "-m", "immediate", "stop");
    } catch (IOException | InterruptedException | IllegalStateException e) {
      System.err.println("The campaign's cluster could not be stopped: " + e.getMessage());
    }
  }

  private void run(boolean asItsOwner, String... command) throws IOException, InterruptedException {
    List<String> all = new ArrayList<>();
    if (asItsOwner && root)
      all.addAll(
          List.of("setpriv", "--reuid", "jollykite", "--regid", "jollykite", "--clear-groups"));
    all.addAll(List.of(command));
    Process p =
        new ProcessBuilder(all)
            .directory(Path.of("/").toFile())
            .redirectErrorStream(true)
            .redirectOutput(ProcessBuilder.Redirect.DISCARD)
            .start();
    if (p.waitFor() != 0) throw new IllegalStateException(String.join(" ", all) + " failed");
  }
}
