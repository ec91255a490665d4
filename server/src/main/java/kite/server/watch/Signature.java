package kite.server.watch;

import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.SecureRandom;
import java.time.Instant;
import java.util.Base64;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;

/**
 * Signs what is told, so that whoever hears it knows that it comes from here and is what was sent:
 * HMAC-SHA256 over id, time and text, by the open specification “Standard Webhooks” 1.0.
 */
final class Signature {
  private static final String SECRET_BEGINS = "whsec_", VERSION = "v1,", ALGORITHM = "HmacSHA256";
  private static final int SECRET_BYTES = 32;

  private Signature() {}

  /** A new secret. */
  static String secret(SecureRandom random) {
    byte[] bytes = new byte[SECRET_BYTES];
    random.nextBytes(bytes);
    return SECRET_BEGINS + Base64.getEncoder().encodeToString(bytes);
  }

  /**
   * @param secret as {@link #secret} makes it
   * @param id of what is told, the same at every try
   * @param at when it is sent
   */
  static String of(String secret, String id, Instant at, String body) {
    try {
      Mac mac = Mac.getInstance(ALGORITHM);
      byte[] key = Base64.getDecoder().decode(secret.substring(SECRET_BEGINS.length()));
      mac.init(new SecretKeySpec(key, ALGORITHM));
      String signed = id + "." + at.getEpochSecond() + "." + body;
      byte[] sum = mac.doFinal(signed.getBytes(StandardCharsets.UTF_8));
      return VERSION + Base64.getEncoder().encodeToString(sum);
    } catch (GeneralSecurityException e) {
      throw new IllegalStateException("What is told could not be signed", e);
    }
  }
}
