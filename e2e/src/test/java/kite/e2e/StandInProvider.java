package kite.e2e;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.math.BigInteger;
import java.net.InetSocketAddress;
import java.net.URLDecoder;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.KeyPair;
import java.security.KeyPairGenerator;
import java.security.MessageDigest;
import java.security.Signature;
import java.security.interfaces.RSAPublicKey;
import java.time.Instant;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import tools.jackson.databind.json.JsonMapper;

/**
 * A stand-in for a studio's own sign-in (OpenID Connect Core 1.0): whoever is sent to it is let in
 * as the one it was told to take them for.
 */
final class StandInProvider implements AutoCloseable {
  static final String CLIENT = "jolly-kite", SECRET = "between the two of us";
  private static final JsonMapper JSON = JsonMapper.builder().build();
  private static final Base64.Encoder CODED = Base64.getUrlEncoder().withoutPadding();

  private final HttpServer http;
  private final KeyPair keys;
  private final Map<String, Map<String, String>> asked = new LinkedHashMap<>();

  /** Who is let in next. */
  volatile Map<String, ?> person = Map.of();

  /** What it answers instead of letting somebody in, or null. */
  volatile String refuses;

  /** Whether its next token is made for another question. */
  volatile boolean confused;

  /** How many tokens it gave. */
  volatile int given;

  StandInProvider() throws IOException, GeneralSecurityException {
    KeyPairGenerator g = KeyPairGenerator.getInstance("RSA");
    g.initialize(2048);
    keys = g.generateKeyPair();
    http = HttpServer.create(new InetSocketAddress("127.0.0.1", 0), 0);
    http.createContext("/.well-known/openid-configuration", this::itself);
    http.createContext("/authorize", this::authorize);
    http.createContext("/token", this::token);
    http.createContext("/keys", this::keys);
    http.start();
  }

  /** By another name than the application, so that a browser takes it for another site. */
  String issuer() {
    return "http://localhost:" + http.getAddress().getPort();
  }

  private void itself(HttpExchange x) throws IOException {
    answer(
        x,
        Map.of(
            "issuer",
            issuer(),
            "authorization_endpoint",
            issuer() + "/authorize",
            "token_endpoint",
            issuer() + "/token",
            "jwks_uri",
            issuer() + "/keys",
            "response_types_supported",
            new String[] {"code"},
            "subject_types_supported",
            new String[] {"public"},
            "id_token_signing_alg_values_supported",
            new String[] {"RS256"}));
  }

  private void keys(HttpExchange x) throws IOException {
    RSAPublicKey k = (RSAPublicKey) keys.getPublic();
    Map<String, ?> key =
        Map.of(
            "kty", "RSA",
            "kid", "one",
            "use", "sig",
            "alg", "RS256",
            "n", number(k.getModulus()),
            "e", number(k.getPublicExponent()));
    answer(x, Map.of("keys", new Object[] {key}));
  }

  private static String number(BigInteger n) {
    byte[] b = n.toByteArray();
    int from = b[0] == 0 ? 1 : 0;
    return CODED.encodeToString(java.util.Arrays.copyOfRange(b, from, b.length));
  }

  private void authorize(HttpExchange x) throws IOException {
    Map<String, String> q = words(x.getRequestURI().getRawQuery());
    String back = q.get("redirect_uri") + "?state=" + coded(q.get("state"));
    if (refuses != null) back += "&error=" + coded(refuses);
    else {
      String code = UUID.randomUUID().toString();
      asked.put(code, q);
      back += "&code=" + code;
    }
    x.getResponseHeaders().set("Location", back);
    x.sendResponseHeaders(302, -1);
    x.close();
  }

  private void token(HttpExchange x) throws IOException {
    try {
      Map<String, String> q =
          words(new String(x.getRequestBody().readAllBytes(), StandardCharsets.UTF_8));
      Map<String, String> was = asked.remove(q.get("code"));
      String known =
          "Basic "
              + Base64.getEncoder()
                  .encodeToString((CLIENT + ":" + coded(SECRET)).getBytes(StandardCharsets.UTF_8));
      boolean good =
          was != null
              && known.equals(x.getRequestHeaders().getFirst("Authorization"))
              && was.get("redirect_uri").equals(q.get("redirect_uri"))
              && was.get("code_challenge").equals(challenge(q.get("code_verifier")));
      if (!good) {
        x.sendResponseHeaders(400, -1);
        x.close();
        return;
      }
      given++;
      answer(
          x,
          Map.of(
              "access_token",
              "of no use",
              "token_type",
              "Bearer",
              "expires_in",
              300,
              "id_token",
              idToken(confused ? "another" : was.get("nonce"))));
    } catch (GeneralSecurityException e) {
      throw new IOException(e);
    }
  }

  private static String challenge(String verifier) throws GeneralSecurityException {
    return CODED.encodeToString(
        MessageDigest.getInstance("SHA-256").digest(verifier.getBytes(StandardCharsets.US_ASCII)));
  }

  private String idToken(String nonce) throws GeneralSecurityException {
    Map<String, Object> claims = new LinkedHashMap<>(person);
    long now = Instant.now().getEpochSecond();
    claims.putAll(
        Map.of("iss", issuer(), "aud", CLIENT, "iat", now, "exp", now + 300, "nonce", nonce));
    String said = part(Map.of("alg", "RS256", "kid", "one", "typ", "JWT")) + "." + part(claims);
    Signature s = Signature.getInstance("SHA256withRSA");
    s.initSign(keys.getPrivate());
    s.update(said.getBytes(StandardCharsets.US_ASCII));
    return said + "." + CODED.encodeToString(s.sign());
  }

  private static String part(Object o) {
    return CODED.encodeToString(JSON.writeValueAsBytes(o));
  }

  private static Map<String, String> words(String query) {
    Map<String, String> all = new LinkedHashMap<>();
    for (String pair : query.split("&")) {
      int is = pair.indexOf('=');
      all.put(
          pair.substring(0, is), URLDecoder.decode(pair.substring(is + 1), StandardCharsets.UTF_8));
    }
    return all;
  }

  private static String coded(String s) {
    return URLEncoder.encode(s, StandardCharsets.UTF_8);
  }

  private static void answer(HttpExchange x, Object o) throws IOException {
    byte[] b = JSON.writeValueAsBytes(o);
    x.getResponseHeaders().set("Content-Type", "application/json");
    x.sendResponseHeaders(200, b.length);
    x.getResponseBody().write(b);
    x.close();
  }

  @Override
  public void close() {
    http.stop(0);
  }
}
