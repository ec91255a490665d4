package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertNotNull;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.Base64;
import java.util.Deque;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.Executors;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * A stand-in for a studio's own program that is told of what happens: it fails and hangs as told.
 */
final class StandInListener implements AutoCloseable {
  /** An answer of this many means that none comes. */
  static final int HANGS = 0;

  private static final JsonMapper JSON = JsonMapper.builder().build();
  private static final int PATIENCE_S = 120;

  private final HttpServer http;
  private final Deque<Integer> answers = new ArrayDeque<>();
  private final LinkedBlockingQueue<Heard> heard = new LinkedBlockingQueue<>();
  private final CountDownLatch closed = new CountDownLatch(1);

  /** What came, and what was answered. */
  record Heard(String id, String timestamp, String signature, String text, int answered) {
    JsonNode json() {
      return JSON.readTree(text);
    }

    String type() {
      return json().get("type").asString();
    }

    JsonNode data() {
      return json().get("data");
    }

    /** Whether it comes from whoever has the secret, as it was sent. */
    boolean isSignedWith(String secret) throws Exception {
      Mac mac = Mac.getInstance("HmacSHA256");
      byte[] key = Base64.getDecoder().decode(secret.replace("whsec_", ""));
      mac.init(new SecretKeySpec(key, "HmacSHA256"));
      byte[] sum =
          mac.doFinal((id + "." + timestamp + "." + text).getBytes(StandardCharsets.UTF_8));
      return signature.equals("v1," + Base64.getEncoder().encodeToString(sum));
    }
  }

  StandInListener() throws IOException {
    http = HttpServer.create(new InetSocketAddress("127.0.0.1", 0), 0);
    http.setExecutor(Executors.newCachedThreadPool());
    http.createContext("/heard", this::hear);
    http.start();
  }

  String address() {
    return "http://127.0.0.1:" + http.getAddress().getPort() + "/heard";
  }

  /** What it answers next, one after the other, before it takes everything again. */
  synchronized void answers(int... next) {
    for (int a : next) answers.add(a);
  }

  private synchronized int next() {
    return answers.isEmpty() ? 204 : answers.poll();
  }

  private void hear(HttpExchange x) throws IOException {
    String text = new String(x.getRequestBody().readAllBytes(), StandardCharsets.UTF_8);
    int answer = next();
    heard.add(
        new Heard(
            x.getRequestHeaders().getFirst("webhook-id"),
            x.getRequestHeaders().getFirst("webhook-timestamp"),
            x.getRequestHeaders().getFirst("webhook-signature"),
            text,
            answer));
    try {
      if (answer == HANGS) closed.await();
      else x.sendResponseHeaders(answer, -1);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    } finally {
      x.close();
    }
  }

  /** The next thing that comes. */
  Heard next(String what) throws InterruptedException {
    Heard h = heard.poll(PATIENCE_S, TimeUnit.SECONDS);
    assertNotNull(h, what + " was not told");
    return h;
  }

  /** How much has come that was not asked for. */
  int more() {
    return heard.size();
  }

  @Override
  public void close() {
    closed.countDown();
    http.stop(0);
  }
}
