package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.Map;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import kite.core.command.ChannelCommand.SetValue;
import org.junit.jupiter.api.Test;

/** Figures on a port of their own, to who brings the token. */
class MetricsTest {
  private static final String TOKEN = "for the watch";

  @Test
  void whoBringsTheTokenIsToldWhatHappened() throws Exception {
    int port;
    try (ServerSocket free = new ServerSocket(0)) {
      port = free.getLocalPort();
    }
    ServerProcess server =
        Application.server(
            "metrics",
            Map.of(
                "KITE_DEMO", "true", "KITE_METRICS_PORT", "" + port, "KITE_METRICS_TOKEN", TOKEN));
    server.start();
    try {
      assertEquals(401, asked(port, "/metrics", null).statusCode());
      assertEquals(401, asked(port, "/metrics", "another").statusCode());
      assertEquals(404, asked(port, "/elsewhere", TOKEN).statusCode());
      Person pim = Person.signedIn(server.address(), "pim", "hold-on-tight");
      String id = Person.json(pim.get("api/sequences")).get(0).get("id").asString();
      double before = told(port, "kite_edits_total");
      SetValue turn = new SetValue("oda", "x", 1001, 2.5, false);
      HttpResponse<String> made = pim.edit(id, UUID.randomUUID(), 0, turn);
      assertEquals(200, made.statusCode(), made.body());
      assertEquals(before + 1, told(port, "kite_edits_total"));
      assertTrue(
          told(port, "http_server_requests_seconds_count[^\n]*api/sequences/\\{id\\}/edits[^\n]*")
              >= 1);
      assertTrue(told(port, "jvm_memory_used_bytes[^\n]*heap[^\n]*") > 0);
      assertTrue(told(port, "hikaricp_connections\\{[^\n]*") > 0);
      String all = asked(port, "/metrics", TOKEN).body();
      assertTrue(!all.contains("hold-on-tight") && !all.contains("pim"), "nobody is named");
      // nothing of it at the pages' own address
      assertTrue(!Person.stranger(server.address()).get("metrics").body().contains("jvm_memory"));
    } finally {
      server.kill();
    }
  }

  private static double told(int port, String figure) throws Exception {
    String all = asked(port, "/metrics", TOKEN).body();
    Matcher m = Pattern.compile("(?m)^" + figure + " ([0-9.E+]+)$").matcher(all);
    assertTrue(m.find(), figure + " in\n" + all);
    return Double.parseDouble(m.group(1));
  }

  private static HttpResponse<String> asked(int port, String path, String token) throws Exception {
    HttpRequest.Builder b = HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path));
    if (token != null) b.header("Authorization", "Bearer " + token);
    return HttpClient.newHttpClient().send(b.build(), HttpResponse.BodyHandlers.ofString());
  }
}
