package kite.server.account;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.time.Duration;
import java.util.Base64;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.http.ResponseCookie;
import org.springframework.stereotype.Component;

/**
 * Browsers in which somebody has signed in before. Each keeps a number of its own, signed with what
 * is stored of the account's password: whoever knows neither can lock a name for strangers only,
 * and a changed password forgets them all (OWASP, “Device cookies”).
 */
@Component
class KnownBrowsers {
  static final String COOKIE = "KITE_BROWSER";
  private static final Duration KEPT = Duration.ofDays(180);
  private static final String SIGNATURE = "HmacSHA256";
  private static final int NUMBER_BYTES = 16;

  /** A number, a point and a signature are shorter. */
  private static final int LONGEST = 200;

  private final Accounts accounts;
  private final SecureRandom random;

  KnownBrowsers(Accounts accounts, SecureRandom random) {
    this.accounts = accounts;
    this.random = random;
  }

  /** What a browser is given to keep when somebody has signed in; sent back with sign-ins alone. */
  ResponseCookie given(String name, HttpServletRequest rq) {
    byte[] bytes = new byte[NUMBER_BYTES];
    random.nextBytes(bytes);
    String number = text(bytes);
    Account account = accounts.findByName(name).orElseThrow();
    return ResponseCookie.from(COOKIE, number + "." + signature(account, number))
        .httpOnly(true)
        .sameSite("Strict")
        .secure(rq.isSecure())
        .path(rq.getContextPath() + Security.SIGN_IN)
        .maxAge(KEPT)
        .build();
  }

  /** The number of the browser that asks, if this name has signed in there; null otherwise. */
  String numberOf(HttpServletRequest rq, String name) {
    if (rq.getCookies() == null || name == null) return null;
    for (Cookie c : rq.getCookies()) {
      int point = c.getValue().indexOf('.');
      if (!c.getName().equals(COOKIE) || point < 0 || c.getValue().length() > LONGEST) continue;
      String number = c.getValue().substring(0, point);
      Account account = accounts.findByName(name).orElse(null);
      if (account != null
          && MessageDigest.isEqual(
              bytes(c.getValue().substring(point + 1)), bytes(signature(account, number))))
        return number;
    }
    return null;
  }

  private static String signature(Account account, String number) {
    try {
      Mac mac = Mac.getInstance(SIGNATURE);
      mac.init(new SecretKeySpec(bytes(account.passwordHash()), SIGNATURE));
      return text(mac.doFinal(bytes(account.name() + "\n" + number)));
    } catch (GeneralSecurityException e) {
      throw new IllegalStateException("Every Java has " + SIGNATURE, e);
    }
  }

  private static byte[] bytes(String s) {
    return s.getBytes(StandardCharsets.UTF_8);
  }

  private static String text(byte[] bytes) {
    return Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
  }
}
