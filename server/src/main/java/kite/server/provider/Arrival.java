package kite.server.provider;

import java.io.Serializable;
import kite.server.account.MailAddress;
import org.springframework.security.oauth2.core.oidc.user.OidcUser;

/**
 * Somebody whom the provider has let in and who is not known here yet. Kept in the session until
 * they have said who they are here.
 *
 * @param subject the provider and its number for them
 * @param name what they might be called, or ""
 * @param email as the provider tells it, where it looks like one; else ""
 */
record Arrival(String subject, String name, String email) implements Serializable {
  private static final long serialVersionUID = 1;

  static Arrival of(OidcUser u) {
    String name = u.getFullName() != null ? u.getFullName() : u.getPreferredUsername();
    String email = text(u.getEmail());
    return new Arrival(subject(u), text(name), MailAddress.looksRight(email) ? email : "");
  }

  /** By what somebody is found again, whatever they are called: OpenID Connect Core 1.0, 5.7. */
  static String subject(OidcUser u) {
    return u.getIssuer() + " " + u.getSubject();
  }

  private static String text(String s) {
    return s == null ? "" : s;
  }
}
