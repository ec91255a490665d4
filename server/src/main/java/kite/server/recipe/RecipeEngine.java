package kite.server.recipe;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import kite.exchange.Json;
import kite.server.Problem;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.io.ClassPathResource;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;

/**
 * Runs recipes as a page does, with the same engine and the same core, in a process of its own that
 * is ended when it takes too long or too much. It is Node's: the core is built for it as it is for
 * the page, so that both come to the same digits.
 */
@Component
class RecipeEngine {
  private static final Logger LOG = LoggerFactory.getLogger(RecipeEngine.class);

  /** The engine's own limits are below these: they are for what it cannot see itself. */
  private static final Duration LONGEST = Duration.ofSeconds(90);

  private static final int MEMORY_MB = 1024;
  private static final int LARGEST_ANSWER = 64 << 20, LARGEST_FAULT = 4000;

  /** How many run at once; who comes later waits a moment. */
  private static final int AT_ONCE = 2;

  private static final Duration PATIENCE = Duration.ofSeconds(20);

  /** How often it is looked how far one is. */
  private static final Duration LOOK = Duration.ofMillis(500);

  private final String node;
  private final Semaphore places = new Semaphore(AT_ONCE, true);
  private Path files;

  /**
   * @param node the program
   */
  RecipeEngine(@Value("${kite.node}") String node) {
    this.node = node;
  }

  /** Looks after a recipe that runs. */
  interface Watching {
    /** How long it may run. */
    Duration longest();

    /** It says how much of it is done, 0–1; told once in a while. */
    void share(double share);

    /** Asked once in a while. */
    boolean isToStop();
  }

  /** Somebody wants no more of it. */
  static final class Stopped extends RuntimeException {
    private static final long serialVersionUID = 1;
  }

  /** Nobody is told of one that somebody waits for. */
  private static final Watching WAITED_FOR =
      new Watching() {
        @Override
        public Duration longest() {
          return LONGEST;
        }

        @Override
        public void share(double share) {
          // who waits sees the end
        }

        @Override
        public boolean isToStop() {
          return false;
        }
      };

  /**
   * Runs one that somebody waits for.
   *
   * @param asked what the page's own engine is asked, but for the core
   * @return what came of it, as the engine says it
   */
  JsonNode run(Map<String, Object> asked) {
    try {
      if (!places.tryAcquire(PATIENCE.toSeconds(), TimeUnit.SECONDS))
        throw new Problem(
            HttpStatus.TOO_MANY_REQUESTS,
            "limit",
            "Other recipes are running. Wait for them, and try again.");
      try {
        return run(asked, WAITED_FOR);
      } finally {
        places.release();
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException("Interrupted while a recipe waited", e);
    }
  }

  /** Runs one that is looked after. */
  JsonNode run(Map<String, Object> asked, Watching watching) {
    try {
      return ran(asked, watching);
    } catch (IOException e) {
      LOG.error("A recipe could not be run", e);
      throw new Problem(
          HttpStatus.SERVICE_UNAVAILABLE,
          "engine",
          "Recipes cannot be run here: Node, from 20.19 on, is needed on the server.");
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException("Interrupted while a recipe ran", e);
    }
  }

  private JsonNode ran(Map<String, Object> asked, Watching watching)
      throws IOException, InterruptedException {
    Path folder = files();
    Map<String, Object> whole = new HashMap<>(asked);
    whole.put("core", folder.resolve("core.mjs").toUri().toString());
    ProcessBuilder b =
        new ProcessBuilder(
            List.of(
                node,
                "--max-old-space-size=" + MEMORY_MB,
                folder.resolve("runner.mjs").toString()));
    b.environment().keySet().retainAll(List.of("PATH"));
    b.directory(folder.toFile());
    Process p = b.start();
    try {
      RecipeAnswers answers = new RecipeAnswers(p.getInputStream(), LARGEST_ANSWER);
      CompletableFuture<byte[]> faults = read(p.getErrorStream(), LARGEST_FAULT);
      try (OutputStream to = p.getOutputStream()) {
        Json.MAPPER.writeValue(to, whole);
      } catch (JacksonException e) {
        LOG.warn("The engine did not take a recipe: {}", new String(faults.join()), e);
      }
      long end = System.nanoTime() + watching.longest().toNanos();
      while (!p.waitFor(LOOK.toMillis(), TimeUnit.MILLISECONDS)) {
        if (System.nanoTime() > end)
          throw tooMuch(
              "It ran for more than " + watching.longest().toSeconds() + " seconds and was ended.");
        if (watching.isToStop()) throw new Stopped();
        answers.newShare().ifPresent(watching::share);
      }
      JsonNode came = answers.end();
      if (p.exitValue() != 0 || came == null) {
        LOG.warn("The engine ended with {}: {}", p.exitValue(), new String(faults.join()));
        throw tooMuch("The recipe took more memory than it may. Nothing was changed.");
      }
      return came;
    } finally {
      p.destroyForcibly();
    }
  }

  private static Problem tooMuch(String text) {
    return new Problem(HttpStatus.UNPROCESSABLE_CONTENT, "recipe", "script", text);
  }

  /** Reads all there is, and keeps no more than so many bytes. */
  private static CompletableFuture<byte[]> read(InputStream in, int most) {
    return CompletableFuture.supplyAsync(
        () -> {
          try (in) {
            byte[] kept = in.readNBytes(most);
            in.transferTo(OutputStream.nullOutputStream());
            return kept;
          } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
          }
        });
  }

  /** The engine's files, out of the application into a folder. */
  private synchronized Path files() throws IOException {
    if (files != null && Files.exists(files.resolve("runner.mjs"))) return files;
    Path folder = Files.createTempDirectory("kite-recipes");
    put("static/recipes/runner.mjs", folder.resolve("runner.mjs"));
    put("static/core/kite-core-node.js", folder.resolve("core.mjs"));
    files = folder;
    return folder;
  }

  private static void put(String resource, Path to) throws IOException {
    try (InputStream in = new ClassPathResource(resource).getInputStream()) {
      Files.copy(in, to);
    }
  }
}
