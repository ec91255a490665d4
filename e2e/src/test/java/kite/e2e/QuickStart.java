package kite.e2e;

import java.io.File;
import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

/**
 * The application unpacked, with an archive of its classes: so it starts in half the time, and the
 * tests start it some thirty times. Made once for a jar, by whichever process comes first.
 */
final class QuickStart {
  private static final Path JAR = Path.of("../server/target/jolly-kite.jar");
  private static final Path APP = Path.of("target/app");
  private static final Path ARCHIVE = Path.of("target/app.jsa");
  private static final int MAKING_MINUTES = 5;

  private QuickStart() {}

  /** What follows {@code java} to start the application. */
  static synchronized List<String> command() throws IOException, InterruptedException {
    String app = System.getProperty("app"); // as `./kite` unpacks it
    if (app != null)
      return List.of("-XX:SharedArchiveFile=" + app + ".jsa", "-jar", app + "/jolly-kite.jar");
    Files.createDirectories(APP.getParent());
    try (RandomAccessFile one = new RandomAccessFile("target/app.lock", "rw")) {
      one.getChannel().lock(); // until it is closed
      if (!isOfThisJar()) make();
    }
    return List.of("-XX:SharedArchiveFile=" + ARCHIVE, "-jar", APP + "/jolly-kite.jar");
  }

  private static boolean isOfThisJar() throws IOException {
    return Files.exists(ARCHIVE)
        && Files.getLastModifiedTime(ARCHIVE).compareTo(Files.getLastModifiedTime(JAR)) > 0;
  }

  private static void make() throws IOException, InterruptedException {
    empty(APP);
    Files.deleteIfExists(ARCHIVE);
    run(List.of("-Djarmode=tools", "-jar", JAR.toString(), "extract", "--destination", "" + APP));
    String database = "kite_test_learning";
    try {
      Application.make(database);
    } catch (SQLException e) {
      throw new IOException("A database to learn with could not be made", e);
    }
    List<String> learning = new ArrayList<>(ServerProcess.JAVA);
    learning.add("-XX:ArchiveClassesAtExit=" + ARCHIVE);
    learning.add("-Dspring.context.exit=onRefresh");
    learning.addAll(List.of("-jar", APP + "/jolly-kite.jar"));
    run(
        learning,
        "KITE_DB_URL",
        Application.url(database),
        "KITE_DB_USER",
        Application.role(),
        "KITE_DB_PASSWORD",
        Application.password(),
        "KITE_PORT",
        "0",
        "KITE_DEMO",
        "false");
  }

  private static void empty(Path folder) throws IOException {
    if (!Files.exists(folder)) return;
    try (Stream<Path> all = Files.walk(folder)) {
      for (Path p : all.sorted(Comparator.reverseOrder()).toList()) Files.delete(p);
    }
  }

  /** Runs Java; what it needs of its environment comes in pairs. */
  private static void run(List<String> arguments, String... environment)
      throws IOException, InterruptedException {
    List<String> all = new ArrayList<>(List.of(ServerProcess.java()));
    all.addAll(arguments);
    File log = new File("target/learning.log");
    ProcessBuilder b =
        new ProcessBuilder(all)
            .redirectErrorStream(true)
            .redirectOutput(ProcessBuilder.Redirect.appendTo(log));
    for (int i = 0; i < environment.length; i += 2)
      b.environment().put(environment[i], environment[i + 1]);
    Process p = b.start();
    if (!p.waitFor(MAKING_MINUTES, TimeUnit.MINUTES) || p.exitValue() != 0) {
      p.destroyForcibly();
      throw new IOException("The application could not be made quick to start; see " + log);
    }
  }
}
