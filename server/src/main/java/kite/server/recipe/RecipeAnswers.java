package kite.server.recipe;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.OptionalDouble;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.atomic.AtomicReference;
import kite.exchange.Json;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;

/**
 * Reads what the engine's process says: a JSON object a line, of which those with a {@code share}
 * tell how far it is, and the one with {@code ran} what came of it.
 */
final class RecipeAnswers {
  private final int most;
  private final AtomicReference<Double> share = new AtomicReference<>();
  private final CompletableFuture<JsonNode> ran;

  /**
   * @param most bytes of a line
   */
  RecipeAnswers(InputStream in, int most) {
    this.most = most;
    ran = CompletableFuture.supplyAsync(() -> read(in));
  }

  private JsonNode read(InputStream in) {
    JsonNode last = null;
    try (BufferedReader lines =
        new BufferedReader(new InputStreamReader(in, StandardCharsets.UTF_8))) {
      for (String line = line(lines); line != null; line = line(lines)) {
        JsonNode said = Json.MAPPER.readTree(line);
        if (said.has("share")) share.set(said.get("share").asDouble());
        else last = said.get("ran");
      }
      return last;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** The next line, or null at the end. What is longer than it may be ends the reading. */
  private String line(BufferedReader in) throws IOException {
    StringBuilder line = new StringBuilder();
    for (int c = in.read(); c >= 0; c = in.read()) {
      if (c == '\n') return line.toString();
      if (line.length() >= most) throw new IOException("It says more than it may.");
      line.append((char) c);
    }
    return line.isEmpty() ? null : line.toString();
  }

  /** How far it is, where that was said since the last time. */
  OptionalDouble newShare() {
    Double now = share.getAndSet(null);
    return now == null ? OptionalDouble.empty() : OptionalDouble.of(now);
  }

  /**
   * What came of it, once the process has ended; null where it said nothing whole.
   *
   * @throws IOException where it said more than it may
   */
  JsonNode end() throws IOException {
    try {
      return ran.join();
    } catch (CompletionException e) {
      if (e.getCause() instanceof JacksonException) return null; // cut off in the midst of it
      throw new IOException("What the engine said could not be read", e);
    }
  }
}
