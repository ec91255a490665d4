package kite.server.output;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.SortedMap;
import java.util.concurrent.ConcurrentSkipListMap;

/**
 * A small store of objects that speaks as much of S3 as a team's store would be asked for: one
 * bucket, by its path.
 */
final class StandInBuckets implements AutoCloseable {
  static final String BUCKET = "salt-wind";

  /** What the store holds, by key. */
  final SortedMap<String, byte[]> objects = new ConcurrentSkipListMap<>();

  /** Answered to everything, when it is not 0. */
  volatile int broken;

  private final HttpServer server;

  StandInBuckets() throws IOException {
    server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
    server.createContext("/", this::answer);
    server.start();
  }

  String address() {
    return "http://127.0.0.1:" + server.getAddress().getPort();
  }

  @Override
  public void close() {
    server.stop(0);
  }

  private void answer(HttpExchange x) throws IOException {
    try (x) {
      byte[] body = x.getRequestBody().readAllBytes();
      String path = URLDecoder.decode(x.getRequestURI().getRawPath(), StandardCharsets.UTF_8);
      if (broken != 0) say(x, broken, error("Broken"));
      else if (!path.startsWith("/" + BUCKET)) say(x, 404, error("NoSuchBucket"));
      else if (!x.getRequestHeaders().getFirst("Authorization").contains("Credential=kite/"))
        say(x, 403, error("AccessDenied"));
      else if (path.length() <= BUCKET.length() + 2) list(x);
      else object(x, path.substring(BUCKET.length() + 2), body);
    }
  }

  private void object(HttpExchange x, String key, byte[] body) throws IOException {
    byte[] there = objects.get(key);
    switch (x.getRequestMethod()) {
      case "PUT" -> {
        objects.put(key, body);
        x.getResponseHeaders().add("ETag", "\"" + body.length + "\"");
        say(x, 200, new byte[0]);
      }
      case "DELETE" -> {
        objects.remove(key);
        say(x, 204, new byte[0]);
      }
      case "HEAD" -> {
        if (there != null) x.getResponseHeaders().add("Content-Length", "" + there.length);
        x.sendResponseHeaders(there == null ? 404 : 200, -1);
      }
      default -> say(x, there == null ? 404 : 200, there == null ? error("NoSuchKey") : there);
    }
  }

  private void list(HttpExchange x) throws IOException {
    String prefix = "";
    for (String p : x.getRequestURI().getRawQuery().split("&"))
      if (p.startsWith("prefix="))
        prefix = URLDecoder.decode(p.substring(7), StandardCharsets.UTF_8);
    StringBuilder all = new StringBuilder("<ListBucketResult><IsTruncated>false</IsTruncated>");
    for (String key : objects.keySet())
      if (key.startsWith(prefix))
        all.append("<Contents><Key>").append(key).append("</Key></Contents>");
    say(x, 200, all.append("</ListBucketResult>").toString().getBytes(StandardCharsets.UTF_8));
  }

  private static byte[] error(String code) {
    return ("<Error><Code>" + code + "</Code></Error>").getBytes(StandardCharsets.UTF_8);
  }

  private static void say(HttpExchange x, int status, byte[] body) throws IOException {
    x.sendResponseHeaders(status, body.length == 0 ? -1 : body.length);
    if (body.length > 0) x.getResponseBody().write(body);
  }
}
