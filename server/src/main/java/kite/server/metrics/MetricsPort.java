package kite.server.metrics;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import io.micrometer.prometheusmetrics.PrometheusMeterRegistry;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.context.SmartLifecycle;
import org.springframework.context.annotation.Lazy;
import org.springframework.stereotype.Component;

/**
 * Tells figures in the text format of OpenMetrics at {@code /metrics}, on a port of its own that no
 * page ever reaches, to who brings the token.
 */
@Component
@Lazy(false)
class MetricsPort implements SmartLifecycle {
  private static final Logger LOG = LoggerFactory.getLogger(MetricsPort.class);
  private static final String BEARER = "Bearer ", TEXT = "text/plain; version=0.0.4; charset=utf-8";

  /**
   * @param port 0 for none
   * @param token what who asks must bring; may be "" on loopback alone
   */
  @ConfigurationProperties("kite.metrics")
  record Given(int port, String address, String token) {}

  private final Given given;
  private final PrometheusMeterRegistry figures;
  private HttpServer http;
  private ExecutorService answering;

  MetricsPort(Given given, PrometheusMeterRegistry figures) {
    this.given = given;
    this.figures = figures;
  }

  @Override
  public void start() {
    if (given.port() == 0) return;
    try {
      InetAddress address = InetAddress.getByName(given.address());
      if (given.token().isEmpty() && !address.isLoopbackAddress()) {
        LOG.error(
            "Figures are told on no other address than loopback without KITE_METRICS_TOKEN. None"
                + " are told.");
        return;
      }
      http = HttpServer.create(new InetSocketAddress(address, given.port()), 0);
      answering = Executors.newSingleThreadExecutor(r -> daemon(r));
      http.setExecutor(answering);
      http.createContext("/", this::answer);
      http.start();
    } catch (IOException e) {
      LOG.error(
          "Figures cannot be told on {}:{}. Choose another KITE_METRICS_PORT.",
          given.address(),
          given.port(),
          e);
    }
  }

  private static Thread daemon(Runnable r) {
    Thread t = new Thread(r, "metrics");
    t.setDaemon(true);
    return t;
  }

  private void answer(HttpExchange x) throws IOException {
    try (x) {
      if (!x.getRequestURI().getPath().equals("/metrics")) {
        x.sendResponseHeaders(404, -1);
      } else if (!x.getRequestMethod().equals("GET")) {
        x.sendResponseHeaders(405, -1);
      } else if (!may(x.getRequestHeaders().getFirst("Authorization"))) {
        x.getResponseHeaders().set("WWW-Authenticate", "Bearer");
        x.sendResponseHeaders(401, -1);
      } else {
        byte[] told = figures.scrape().getBytes(StandardCharsets.UTF_8);
        x.getResponseHeaders().set("Content-Type", TEXT);
        x.sendResponseHeaders(200, told.length);
        x.getResponseBody().write(told);
      }
    } catch (RuntimeException e) {
      LOG.warn("Figures could not be told", e);
    }
  }

  private boolean may(String brought) {
    if (given.token().isEmpty()) return true;
    return brought != null
        && MessageDigest.isEqual(
            brought.getBytes(StandardCharsets.UTF_8),
            (BEARER + given.token()).getBytes(StandardCharsets.UTF_8));
  }

  @Override
  public void stop() {
    if (http == null) return;
    http.stop(0);
    answering.shutdown();
    http = null;
  }

  @Override
  public boolean isRunning() {
    return http != null;
  }
}
