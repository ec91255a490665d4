package kite.server.people;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.util.Base64;
import java.util.HexFormat;

/** What stands in a link that lets somebody in: only its SHA-256 is kept. */
final class Secret {
  private static final int BYTES = 24;

  private Secret() {}

  static String made(SecureRandom random) {
    byte[] bytes = new byte[BYTES];
    random.nextBytes(bytes);
    return Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
  }

  /** As it is kept, lower-case hex. */
  static String kept(String secret) {
    byte[] bytes = (secret == null ? "" : secret).getBytes(StandardCharsets.UTF_8);
    try {
      return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }
}
