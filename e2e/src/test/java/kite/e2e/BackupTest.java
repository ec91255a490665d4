package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import kite.core.command.ChannelCommand.SetValue;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Backups by the script people use, each copy with a database cluster of its own. */
class BackupTest {
  /** A folder in which the script keeps a state of its own. */
  private static final class Copy implements AutoCloseable {
    final Path folder;

    Copy() throws IOException {
      folder = Files.createTempDirectory("kite-copy");
      Files.setPosixFilePermissions(
          folder, java.nio.file.attribute.PosixFilePermissions.fromString("rwxr-xr-x"));
      Files.createSymbolicLink(folder.resolve("kite"), Path.of("../kite").toRealPath());
    }

    /** What the script says; its status must be as expected. */
    String run(int status, String... arguments) throws IOException, InterruptedException {
      Path said = folder.resolve("said");
      ProcessBuilder b = new ProcessBuilder("bash", folder.resolve("kite").toString());
      b.command().addAll(List.of(arguments));
      Process p = b.redirectErrorStream(true).redirectOutput(said.toFile()).start();
      assertTrue(p.waitFor(120, TimeUnit.SECONDS), "it ends");
      String text = Files.readString(said);
      assertEquals(status, p.exitValue(), text);
      return text;
    }

    ServerProcess server() throws IOException {
      String password =
          Files.readAllLines(folder.resolve(".kite/pgpass")).stream()
              .filter(l -> l.contains(":jolly_kite:"))
              .map(l -> l.substring(l.lastIndexOf(':') + 1))
              .findFirst()
              .orElseThrow();
      String port = Files.readString(folder.resolve(".kite/pg.port")).strip();
      return new ServerProcess(
          "jdbc:postgresql://127.0.0.1:" + port + "/kite",
          "jolly_kite",
          password,
          Files.createTempDirectory("kite-output"),
          new File("target/backup.log"));
    }

    @Override
    public void close() throws IOException {
      try {
        run(0, "stop");
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
      }
    }
  }

  /** Every sequence's revision and digest, by code. */
  private static Map<String, String> digests(Person who) throws Exception {
    Map<String, String> all = new TreeMap<>();
    for (JsonNode s : Person.json(who.get("api/sequences")))
      all.put(
          s.get("code").asString(),
          who.get("api/sequences/" + s.get("id").asString() + "/digest").body());
    return all;
  }

  @Test
  void whatWasBackedUpWhilePeopleWorkIsThereAgainInAFreshCluster() throws Exception {
    try (Copy first = new Copy();
        Copy second = new Copy()) {
      Path file = first.folder.resolve("all.backup");
      first.run(0, "backup", file.toString()); // makes the cluster; there is nothing in it yet
      Files.delete(file);
      ServerProcess server = first.server();
      server.start();
      Map<String, String> before;
      try {
        Person pim = Person.signedIn(server.address(), "pim", "hold-on-tight");
        String id = Person.json(pim.get("api/sequences?find=SW010")).get(0).get("id").asString();
        Thread working =
            new Thread(
                () -> {
                  try {
                    for (int i = 0; !Thread.interrupted(); i++)
                      pim.edit(id, UUID.randomUUID(), i, new SetValue("oda", "x", 1001, i, false));
                  } catch (IOException | InterruptedException e) {
                    // the server is ended, or this is
                  }
                });
        working.start();
        first.run(0, "backup", file.toString());
        working.interrupt();
        working.join();
        assertTrue(
            first.run(1, "backup", file.toString()).contains("Stopped"), "nothing is overwritten");
        before = digests(pim);
      } finally {
        server.kill();
      }
      Path half = first.folder.resolve("half.backup");
      byte[] whole = Files.readAllBytes(file);
      Files.write(half, java.util.Arrays.copyOf(whole, 4000));
      assertTrue(second.run(1, "restore", half.toString()).contains("no whole backup"));
      assertTrue(second.run(0, "restore", file.toString()).contains("Restored"));
      ServerProcess again = second.server();
      again.start();
      try {
        Person pim = Person.signedIn(again.address(), "pim", "hold-on-tight");
        Map<String, String> after = digests(pim);
        assertEquals(before.keySet(), after.keySet());
        for (String code : List.of("SW020", "SW030"))
          assertEquals(before.get(code), after.get(code));
        JsonNode sw010 = Person.json(pim.get("api/sequences?find=SW010")).get(0);
        String path = "api/sequences/" + sw010.get("id").asString();
        // a moment of it: as many edits as its revision, and a document that they lead to
        long revision = Person.json(pim.get(path + "/digest")).get("revision").asLong();
        int journal = 0;
        for (int n = -1; n != 0; journal += n)
          n = Person.json(pim.get(path + "/edits?after=" + journal)).size();
        assertEquals(revision, journal);
        for (JsonNode e : Person.json(pim.get(path)).get("document").get("entities"))
          if (e.path("shape").path("kind").asString("").equals("model"))
            assertEquals(
                200, pim.get("api/assets/" + e.get("shape").get("asset").asString()).statusCode());
        assertEquals(
            200,
            pim.edit(
                    path.substring(14),
                    UUID.randomUUID(),
                    revision,
                    new SetValue("oda", "x", 1001, 4, false))
                .statusCode());
      } finally {
        again.kill();
      }
    }
  }
}
