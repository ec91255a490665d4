package kite.e2e;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import kite.core.delta.DeltaJson;
import kite.core.document.Sequence;
import kite.core.form.SequenceJson;
import kite.core.form.StandardsJson;

/** The real server against a database of its own, started once for all tests. */
final class Application {
  /** Test classes run side by side, each process with a database and a server of its own. */
  private static final String FORK = System.getProperty("fork", "1");

  static final String DATABASE = "kite_test_" + FORK;
  private static final File LOG = new File("target/server-" + FORK + ".log");

  /** The application's role, and the owner of the cluster, who makes databases. */
  private static final String ROLE = "jolly_kite", OWNER = "kite";

  /** Other productions may have sequences of the same code. */
  private static final String DEMONSTRATIONS =
      " and production_id in (select id from production where demo)";

  private static Application running;
  private final ServerProcess server;

  private Application() throws Exception {
    make(DATABASE);
    server =
        new ServerProcess(
            url(DATABASE), ROLE, password(), Files.createTempDirectory("kite-output"), LOG);
    server.start();
  }

  /** Makes an empty database, in place of what has this name. */
  static void make(String database) throws SQLException {
    asOwnerOfTheCluster("drop database if exists " + database + " with (force)");
    asOwnerOfTheCluster("create database " + database + " owner " + ROLE);
  }

  /**
   * A server of a test's own, not started yet, with an empty database, a folder and a log.
   *
   * @param name what these are called by
   * @param settings variables of its environment
   */
  static ServerProcess server(String name, Map<String, String> settings) throws Exception {
    String database = DATABASE + "_" + name;
    make(database);
    return new ServerProcess(
        url(database),
        ROLE,
        password(),
        Files.createTempDirectory("kite-output"),
        new File("target/" + name + ".log"),
        settings);
  }

  static synchronized Application get() throws Exception {
    if (running == null) running = new Application();
    return running;
  }

  static String databasePort() {
    return given("KITE_TEST_DB_PORT");
  }

  static String role() {
    return ROLE;
  }

  static String password() {
    return given("KITE_TEST_DB_PASSWORD");
  }

  private static String given(String name) {
    String v = System.getenv(name);
    if (v == null)
      throw new IllegalStateException("Run the tests with ./kite test: it starts their database.");
    return v;
  }

  void start() throws Exception {
    server.start();
  }

  /** Ends the server as a power cut would. */
  void kill() throws Exception {
    server.kill();
  }

  String address() {
    return server.address();
  }

  /** Puts a document in the place of SW010's, at revision 0; gives the sequence's id. */
  String reset(Sequence document) throws SQLException {
    try (Connection c = connect()) {
      try (Statement s = c.createStatement()) {
        s.execute("delete from work");
        s.execute("delete from render_trouble");
        s.execute("delete from render_frame");
        s.execute("delete from render_job");
        s.execute("delete from edit");
        s.execute("delete from sequence_version");
      }
      return putBack(c, "SW010", document);
    }
  }

  /** A document at revision 0 under a head of its own, so that no server holds it already. */
  private static String putBack(Connection c, String code, Sequence document) throws SQLException {
    c.setAutoCommit(false);
    String id;
    try (PreparedStatement p =
        c.prepareStatement(
            "update sequence set revision = 0, head = gen_random_uuid() where code = ?"
                + DEMONSTRATIONS
                + " returning id")) {
      p.setString(1, code);
      try (ResultSet r = p.executeQuery()) {
        r.next();
        id = r.getString(1);
      }
    }
    try (PreparedStatement p =
        c.prepareStatement(
            "update snapshot set revision = 0, document = cast(? as jsonb)"
                + " where sequence_id = cast(? as uuid)")) {
      p.setString(1, SequenceJson.write(document));
      p.setString(2, id);
      p.execute();
    }
    c.commit();
    c.setAutoCommit(true);
    return id;
  }

  /** Puts the production's standards and SW020 back as they were made; gives SW020's id. */
  String resetProduction(Sequence sw020) throws SQLException {
    try (Connection c = connect()) {
      try (PreparedStatement p =
          c.prepareStatement("update production set standards = cast(? as jsonb)")) {
        p.setString(1, StandardsJson.write(sw020.header().standards()).toString());
        p.execute();
      }
      return putBack(c, "SW020", sw020);
    }
  }

  /** SW010 as stored. */
  Sequence stored() throws SQLException {
    return stored("SW010");
  }

  /** The document of a sequence as stored. */
  Sequence stored(String code) throws SQLException {
    try (Connection c = connect()) {
      return stored(c, code);
    }
  }

  /** The document of a sequence in a database: its snapshot with the journal since. */
  static Sequence stored(Connection c, String code) throws SQLException {
    try (Statement s = c.createStatement()) {
      Sequence now;
      try (ResultSet r =
          s.executeQuery(
              "select document from snapshot join sequence on id = sequence_id where code = '"
                  + code
                  + "'"
                  + DEMONSTRATIONS)) {
        r.next();
        now = SequenceJson.read(r.getString(1));
      }
      try (ResultSet r =
          s.executeQuery(
              "select e.change from edit e join sequence q on q.id = e.sequence_id"
                  + " join snapshot d on d.sequence_id = q.id where q.code = '"
                  + code
                  + "'"
                  + DEMONSTRATIONS
                  + " and e.revision > d.revision order by e.revision")) {
        while (r.next()) now = DeltaJson.read(r.getString(1)).after(now);
      }
      return now;
    }
  }

  /** One of PostgreSQL's programs, to be run on the tests' cluster as the application's role. */
  static ProcessBuilder program(String name, String... arguments) throws IOException {
    List<String> all = new ArrayList<>(List.of(Cluster.programs().resolve(name).toString()));
    all.addAll(List.of("-h", "127.0.0.1", "-p", databasePort(), "-U", ROLE));
    all.addAll(List.of(arguments));
    ProcessBuilder b = new ProcessBuilder(all);
    b.environment().put("PGPASSWORD", password());
    return b;
  }

  static String url(String database) {
    return "jdbc:postgresql://127.0.0.1:" + databasePort() + "/" + database;
  }

  private static Connection connect() throws SQLException {
    return connect(DATABASE);
  }

  /** A connection to one of the tests' databases, as the application's role. */
  static Connection connect(String database) throws SQLException {
    return DriverManager.getConnection(url(database), ROLE, password());
  }

  private static void asOwnerOfTheCluster(String text) throws SQLException {
    try (Connection c =
            DriverManager.getConnection(
                url("postgres"), OWNER, given("KITE_TEST_DB_ADMIN_PASSWORD"));
        Statement s = c.createStatement()) {
      s.execute(text);
    }
  }

  /** The one value that a query of the tests' database gives, as text. */
  static String asked(String query) throws SQLException {
    try (Connection c = connect();
        Statement s = c.createStatement();
        ResultSet r = s.executeQuery(query)) {
      r.next();
      return r.getString(1);
    }
  }

  /** Runs a statement in the tests' database. */
  static void sql(String text) throws SQLException {
    try (Connection c = connect();
        Statement s = c.createStatement()) {
      s.execute(text);
    }
  }

  /** Puts one more sequence beside SW010; gives its id. */
  String add(String code, Sequence document) throws SQLException {
    try (Connection c = connect()) {
      try (Statement s = c.createStatement()) {
        s.execute(
            "insert into sequence (id, production_id, code, title, revision, version)"
                + " select gen_random_uuid(), production_id, '"
                + code
                + "', 'Added', 0, 0 from sequence where code = 'SW010'"
                + DEMONSTRATIONS);
        s.execute(
            "insert into snapshot (sequence_id, revision, document)"
                + " select id, 0, '{}' from sequence where code = '"
                + code
                + "'");
      }
      return putBack(c, code, document);
    }
  }

  /** How far the write-ahead log has come, in bytes. */
  long log() throws SQLException {
    try (Connection c = connect();
        Statement s = c.createStatement();
        ResultSet r =
            s.executeQuery("select pg_wal_lsn_diff(pg_current_wal_insert_lsn(), '0/0')::bigint")) {
      r.next();
      return r.getLong(1);
    }
  }
}
