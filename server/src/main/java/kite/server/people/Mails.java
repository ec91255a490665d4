package kite.server.people;

import java.util.Properties;
import kite.server.Problem;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.http.HttpStatus;
import org.springframework.mail.MailException;
import org.springframework.mail.SimpleMailMessage;
import org.springframework.mail.javamail.JavaMailSenderImpl;
import org.springframework.stereotype.Component;

/** Sends links by mail, where a mail server is given. */
@Component
class Mails {
  private static final Logger LOG = LoggerFactory.getLogger(Mails.class);
  private static final String PATIENCE_MS = "10000";

  /**
   * @param host "" where none is given
   */
  @ConfigurationProperties("kite.mail")
  record Server(String host, int port, String user, String password, String from, boolean tls) {}

  private final Server server;

  Mails(Server server) {
    this.server = server;
  }

  /** Whether links can be sent by mail. */
  boolean areSent() {
    return !server.host().isBlank();
  }

  /**
   * Sends a text.
   *
   * @throws Problem when the mail server does not take it
   */
  void send(String to, String subject, String text) {
    SimpleMailMessage m = new SimpleMailMessage();
    m.setFrom(server.from());
    m.setTo(to);
    m.setSubject(subject);
    m.setText(text);
    try {
      sender().send(m);
    } catch (MailException e) {
      LOG.warn("A mail could not be sent by {}", server.host(), e);
      throw new Problem(
          HttpStatus.BAD_GATEWAY,
          "mail",
          "email",
          "The mail server did not take it. Send the link yourself, or try again.");
    }
  }

  private JavaMailSenderImpl sender() {
    JavaMailSenderImpl s = new JavaMailSenderImpl();
    s.setHost(server.host());
    s.setPort(server.port());
    Properties p = s.getJavaMailProperties();
    for (String what : new String[] {"connectiontimeout", "timeout", "writetimeout"})
      p.setProperty("mail.smtp." + what, PATIENCE_MS);
    if (server.tls()) {
      p.setProperty("mail.smtp.starttls.enable", "true");
      p.setProperty("mail.smtp.starttls.required", "true");
    }
    if (!server.user().isBlank()) {
      s.setUsername(server.user());
      s.setPassword(server.password());
      p.setProperty("mail.smtp.auth", "true");
    }
    return s;
  }
}
