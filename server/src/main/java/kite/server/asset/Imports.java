package kite.server.asset;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.stream.Stream;
import kite.exchange.BadFile;
import kite.server.Problem;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/**
 * Reads the files that people bring, apart from the threads that answer requests: a few at a time,
 * the others wait their turn on disk.
 */
@Component
public class Imports implements DisposableBean {
  private static final Logger LOG = LoggerFactory.getLogger(Imports.class);

  /** Each may take what {@link kite.exchange.Budget} allows, beside the file itself. */
  private static final int AT_ONCE = 2;

  /** Files of one person that are read or wait. */
  static final int PER_PERSON = 12;

  private final ExecutorService readers =
      Executors.newFixedThreadPool(
          AT_ONCE,
          r -> {
            Thread t = new Thread(r, "import");
            t.setDaemon(true);
            return t;
          });
  private final Map<String, Integer> inHand = new ConcurrentHashMap<>();

  /** A folder of its own on disk for what one request brings. */
  public static final class Brought implements AutoCloseable {
    private final Path folder;

    public Brought() throws IOException {
      folder = Files.createTempDirectory("kite-import");
    }

    /** A place for one more file. */
    public Path file(String name) {
      return folder.resolve(name);
    }

    /**
     * Copies a request's body.
     *
     * @param largest bytes; one more is kept, so that whoever reads it sees that it is too large
     */
    public Path copied(InputStream body, long largest) throws IOException {
      Path to = file("body");
      try (OutputStream out = Files.newOutputStream(to)) {
        byte[] some = new byte[1 << 16];
        long left = largest + 1;
        for (int n = 0; left > 0 && n >= 0; left -= n) {
          n = body.read(some, 0, (int) Math.min(some.length, left));
          if (n < 0) break;
          out.write(some, 0, n);
        }
      }
      return to;
    }

    @Override
    public void close() {
      try (Stream<Path> all = Files.walk(folder)) {
        for (Path p : all.sorted(Comparator.reverseOrder()).toList()) Files.deleteIfExists(p);
      } catch (IOException e) {
        LOG.warn("What was brought in could not be removed from {}", folder, e);
      }
    }
  }

  /** Work that may find a file bad. */
  public interface Reading<T> {
    T read() throws BadFile, IOException;
  }

  /** Takes what a request brings to disk; gives the work to be done with it. */
  public interface Taking<T> {
    Reading<T> take(Brought brought) throws IOException;
  }

  /** Takes what a request brings at once, and reads it in its turn. */
  public <T> CompletableFuture<T> inTurn(String person, Taking<T> taking) throws IOException {
    Brought brought = new Brought();
    Reading<T> work;
    try {
      work = taking.take(brought);
    } catch (IOException | RuntimeException e) {
      brought.close();
      throw e;
    }
    return inTurn(person, brought, work);
  }

  /**
   * Reads in its turn; what was brought is removed from disk afterwards.
   *
   * @throws Problem when this person has too many files in hand
   */
  <T> CompletableFuture<T> inTurn(String person, Brought brought, Reading<T> work) {
    if (inHand.merge(person, 1, Integer::sum) > PER_PERSON) {
      left(person);
      brought.close();
      throw new Problem(
          HttpStatus.TOO_MANY_REQUESTS,
          "busy",
          PER_PERSON
              + " of your files are being read or wait for it. Bring the next ones when they are"
              + " in.");
    }
    return CompletableFuture.supplyAsync(
        () -> {
          try (brought) {
            return read(work);
          } catch (IOException e) {
            throw new CompletionException(e);
          } finally {
            left(person);
          }
        },
        readers);
  }

  /** Reads at once; a file that cannot be taken is a refusal with its sentence. */
  static <T> T read(Reading<T> work) throws IOException {
    try {
      return work.read();
    } catch (BadFile e) {
      throw new Problem(HttpStatus.UNPROCESSABLE_CONTENT, "file", e.getMessage());
    }
  }

  private void left(String person) {
    inHand.computeIfPresent(person, (p, n) -> n == 1 ? null : n - 1);
  }

  @Override
  public void destroy() {
    readers.shutdownNow();
  }
}
