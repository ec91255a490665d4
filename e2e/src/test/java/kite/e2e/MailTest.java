package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.GreenMailUtil;
import com.icegreen.greenmail.util.ServerSetup;
import jakarta.mail.internet.MimeMessage;
import java.net.ServerSocket;
import java.net.http.HttpResponse;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Invitations by mail, with a stand-in for the mail server. */
class MailTest {
  @Test
  void aLinkIsSentAndWhoFollowsItIsIn() throws Exception {
    int port;
    try (ServerSocket free = new ServerSocket(0)) {
      port = free.getLocalPort();
    }
    GreenMail mails = new GreenMail(new ServerSetup(port, "127.0.0.1", "smtp"));
    mails.setUser("kite", "of the mail server");
    mails.start();
    ServerProcess server =
        Application.server(
            "mail",
            Map.of(
                "KITE_DEMO", "true",
                "KITE_MAIL_HOST", "127.0.0.1",
                "KITE_MAIL_PORT", "" + port,
                "KITE_MAIL_USER", "kite",
                "KITE_MAIL_PASSWORD", "of the mail server"));
    server.start();
    try {
      Person pim = Person.signedIn(server.address(), "pim", "hold-on-tight");
      String film = Person.json(pim.get("api/productions")).get(0).get("id").asString();
      String path = "api/productions/" + film + "/invitations";
      assertTrue(
          Person.json(pim.get("api/productions/" + film + "/people")).get("mails").asBoolean());
      assertEquals(
          422,
          pim.post(path, Map.of("role", "artist", "note", "Nell", "email", "nobody")).statusCode());
      Map<String, ?> asked = Map.of("role", "artist", "note", "Nell", "email", "nell@example.org");
      assertEquals(200, pim.post(path, asked).statusCode());
      assertTrue(mails.waitForIncomingEmail(10_000, 1));
      MimeMessage m = mails.getReceivedMessages()[0];
      assertEquals("nell@example.org", m.getAllRecipients()[0].toString());
      Matcher link =
          Pattern.compile(Pattern.quote(server.address()) + "#invited=(\\S+)")
              .matcher(GreenMailUtil.getBody(m));
      assertTrue(link.find(), GreenMailUtil.getBody(m));
      HttpResponse<String> in =
          Person.stranger(server.address())
              .post(
                  "api/invitation/accept",
                  Map.of(
                      "secret", link.group(1), "name", "Nell", "password", "long enough for it"));
      assertEquals(200, in.statusCode(), in.body());
      mails.stop();
      HttpResponse<String> away = pim.post(path, asked);
      assertEquals(502, away.statusCode(), away.body());
      assertTrue(away.body().contains("did not take it"), away.body());
      assertEquals(
          0,
          Person.json(pim.get("api/productions/" + film + "/people")).get("invited").size(),
          "what could not be sent is not made");
    } finally {
      server.kill();
      mails.stop();
    }
  }
}
