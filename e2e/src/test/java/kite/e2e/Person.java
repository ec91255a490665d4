package kite.e2e;

import java.io.IOException;
import java.io.InputStream;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.WebSocket;
import java.nio.charset.StandardCharsets;
import java.util.UUID;
import java.util.stream.Collectors;
import kite.core.codec.CommandJson;
import kite.core.command.Command;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Somebody signed in, without a page: for measuring and for trying what pages do not do. */
final class Person {
  private static final JsonMapper JSON = JsonMapper.builder().build();
  private final String address;
  private final CookieManager cookies = new CookieManager();
  private final HttpClient http = HttpClient.newBuilder().cookieHandler(cookies).build();

  private Person(String address) {
    this.address = address;
  }

  static Person signedIn(String address, String name, String password) throws Exception {
    Person p = stranger(address);
    int status = p.signIn("api/sign-in", name, password);
    if (status != 204) throw new AssertionError("sign-in: " + status);
    return p;
  }

  /** Somebody who has opened the page and not signed in. */
  static Person stranger(String address) throws Exception {
    Person p = new Person(address);
    p.get("api/session");
    return p;
  }

  /**
   * Tries to sign in.
   *
   * @param path where, however it is spelled
   * @return the answer's status
   */
  int signIn(String path, String name, String password) throws Exception {
    HttpResponse<String> r =
        send(
            request(path)
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(
                    HttpRequest.BodyPublishers.ofString(
                        "username="
                            + URLEncoder.encode(name, StandardCharsets.UTF_8)
                            + "&password="
                            + password)));
    get("api/session"); // the token is renewed with the session
    return r.statusCode();
  }

  /** Opens the live line of a sequence, as its page does. */
  WebSocket listen(String sequence, WebSocket.Listener listener) {
    return http.newWebSocketBuilder()
        .buildAsync(
            URI.create(address.replaceFirst("http", "ws") + "api/live?sequence=" + sequence),
            listener)
        .join();
  }

  /** Its cookies, as a request sends them. */
  String cookies() {
    return cookies.getCookieStore().getCookies().stream()
        .map(c -> c.getName() + "=" + c.getValue())
        .collect(Collectors.joining("; "));
  }

  HttpRequest.Builder request(String path) {
    HttpRequest.Builder b = HttpRequest.newBuilder(URI.create(address + path));
    for (HttpCookie c : cookies.getCookieStore().getCookies())
      if (c.getName().equals("XSRF-TOKEN")) b.header("X-XSRF-TOKEN", c.getValue());
    return b;
  }

  HttpResponse<String> send(HttpRequest.Builder b) throws IOException, InterruptedException {
    return http.send(b.build(), HttpResponse.BodyHandlers.ofString());
  }

  HttpResponse<String> get(String path) throws IOException, InterruptedException {
    return send(request(path).GET());
  }

  HttpResponse<byte[]> getBytes(String path) throws IOException, InterruptedException {
    return http.send(request(path).GET().build(), HttpResponse.BodyHandlers.ofByteArray());
  }

  HttpResponse<String> post(String path, Object body) throws IOException, InterruptedException {
    return send(
        request(path)
            .header("Content-Type", "application/json")
            .POST(HttpRequest.BodyPublishers.ofString(JSON.writeValueAsString(body))));
  }

  HttpResponse<String> put(String path, Object body) throws IOException, InterruptedException {
    return send(
        request(path)
            .header("Content-Type", "application/json")
            .PUT(HttpRequest.BodyPublishers.ofString(JSON.writeValueAsString(body))));
  }

  HttpResponse<String> postBytes(String path, byte[] body)
      throws IOException, InterruptedException {
    return send(
        request(path)
            .header("Content-Type", "application/octet-stream")
            .POST(HttpRequest.BodyPublishers.ofByteArray(body)));
  }

  /** The body of an answer as it comes. */
  InputStream stream(String path) throws IOException, InterruptedException {
    return http.send(request(path).build(), HttpResponse.BodyHandlers.ofInputStream()).body();
  }

  HttpResponse<String> delete(String path) throws IOException, InterruptedException {
    return send(request(path).DELETE());
  }

  /** What a page sends. */
  record EditSent(UUID id, long revision, String label, JsonNode commands) {}

  HttpResponse<String> edit(String sequence, UUID id, long revision, Command... commands)
      throws IOException, InterruptedException {
    JsonNode list =
        JSON.readTree(CommandJson.writeAll(java.util.List.of(commands))).get("commands");
    return post("api/sequences/" + sequence + "/edits", new EditSent(id, revision, "Edit", list));
  }

  static JsonNode json(HttpResponse<String> r) {
    return JSON.readTree(r.body());
  }
}
