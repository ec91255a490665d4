package kite.server.output;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.springframework.util.FileSystemUtils;

/** A folder and a bucket do the same. */
class OutputStoreTest {
  private static final UUID JOB = UUID.fromString("00000000-0000-4000-8000-000000000010");
  @TempDir Path folder;
  private StandInBuckets buckets;

  @BeforeEach
  void begin() throws IOException {
    buckets = new StandInBuckets();
  }

  @AfterEach
  void end() {
    buckets.close();
  }

  enum Which {
    FOLDER,
    BUCKET
  }

  private OutputStore store(Which which) {
    return new Outputs()
        .outputStore(bucket(which == Which.FOLDER ? "" : StandInBuckets.BUCKET, "kite"), root());
  }

  private Path root() {
    return folder.resolve("output");
  }

  private Outputs.Bucket bucket(String name, String key) {
    return new Outputs.Bucket(name, buckets.address(), "us-east-1", key, "secret", "renders/");
  }

  private static void put(OutputStore store, UUID job, String name, String text)
      throws IOException {
    try (Scratch s = store.scratch()) {
      store.put(job, name, Files.writeString(s.file(name), text));
    }
  }

  @ParameterizedTest
  @EnumSource
  void whatIsPutIsThereUntilItIsTakenAway(Which which) throws IOException {
    OutputStore store = store(which);
    UUID other = UUID.randomUUID();
    assertNull(store.get(JOB, "00001.png"));
    assertTrue(store.names(JOB).isEmpty());
    put(store, JOB, "00001.png", "a picture");
    put(store, JOB, "00002.png", "another");
    put(store, JOB, "00001.png", "a better picture");
    put(store, other, "00001.png", "of another job");
    assertEquals(Set.of("00001.png", "00002.png"), store.names(JOB));
    var there = store.get(JOB, "00001.png");
    assertEquals("a better picture", new String(there.getInputStream().readAllBytes()));
    assertEquals(16, there.contentLength());
    try (Scratch here = store.bring(JOB, List.of("00002.png"))) {
      assertEquals("another", Files.readString(here.file("00002.png")));
    }
    assertEquals(2, store.names(JOB).size(), "what was brought stays");
    store.remove(JOB, "00002.png");
    store.remove(JOB, "00003.png");
    assertEquals(Set.of("00001.png"), store.names(JOB));
    store.removeAll(JOB);
    assertTrue(store.names(JOB).isEmpty());
    assertEquals(Set.of("00001.png"), store.names(other));
    assertFalse(store.look().isEmpty());
  }

  @ParameterizedTest
  @EnumSource
  void aFileThatIsMissingIsNotBrought(Which which) {
    assertThrows(NoSuchFileException.class, () -> store(which).bring(JOB, List.of("00001.png")));
  }

  @Test
  void objectsStandBelowThePrefix() throws IOException {
    put(store(Which.BUCKET), JOB, "00001.png", "a picture");
    assertEquals(Set.of("renders/" + JOB + "/00001.png"), buckets.objects.keySet());
  }

  private static String trouble(OutputStore store) {
    return assertThrows(OutputTrouble.class, () -> put(store, JOB, "00001.png", "x")).getMessage();
  }

  @ParameterizedTest
  @CsvSource({"403,does not let us in", "507,is full", "404,no such bucket", "400,does not answer"})
  void aStoreThatRefusesIsASentence(int status, String says) {
    buckets.broken = status;
    String trouble = trouble(store(Which.BUCKET));
    assertTrue(trouble.contains(says) && trouble.endsWith("then resume."), trouble);
  }

  @Test
  void soAreTheWrongBucketTheWrongKeyAndNoStoreAtAll() {
    OutputStore wrongBucket = new Outputs().outputStore(bucket("sea-wind", "kite"), root());
    assertTrue(trouble(wrongBucket).contains("no such bucket"));
    OutputStore wrongKey = new Outputs().outputStore(bucket(StandInBuckets.BUCKET, "crow"), root());
    assertTrue(trouble(wrongKey).contains("does not let us in"));
    OutputStore store = store(Which.BUCKET);
    buckets.close();
    assertTrue(trouble(store).contains("does not answer"));
  }

  @Test
  void aFolderThatGoesIsASentenceAndNotMadeAgain() throws IOException {
    OutputStore store = store(Which.FOLDER);
    put(store, JOB, "00001.png", "a picture");
    FileSystemUtils.deleteRecursively(root());
    assertTrue(trouble(store).contains("is not there any more"));
    assertFalse(Files.exists(root()), "a folder that was unmounted is not written to");
  }
}
