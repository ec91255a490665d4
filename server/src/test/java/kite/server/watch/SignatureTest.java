package kite.server.watch;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;

import java.security.SecureRandom;
import java.time.Instant;
import org.junit.jupiter.api.Test;

class SignatureTest {
  /**
   * The example that readers of “Standard Webhooks” are tested with; OpenSSL gives the same sum.
   */
  @Test
  void theExampleOfTheSpecificationComesOut() {
    assertEquals(
        "v1,g0hM9SsE+OTPJTGt/tmIKtSyZlE3uFJELVlNIOLJ1OE=",
        Signature.of(
            "whsec_MfKQ9r8GKYqrTwjUPD8ILPZIo2LaLaSw",
            "msg_p5jXN8AQM9LWM0D4loKWxJek",
            Instant.ofEpochSecond(1614265330),
            "{\"test\": 2432232314}"));
  }

  @Test
  void idTimeAndTextAreAllSigned() {
    String secret = Signature.secret(new SecureRandom());
    Instant at = Instant.ofEpochSecond(5);
    String signed = Signature.of(secret, "a", at, "text");
    assertEquals(signed, Signature.of(secret, "a", at, "text"));
    assertNotEquals(signed, Signature.of(secret, "b", at, "text"));
    assertNotEquals(signed, Signature.of(secret, "a", at.plusSeconds(1), "text"));
    assertNotEquals(signed, Signature.of(secret, "a", at, "texts"));
    assertNotEquals(signed, Signature.of(Signature.secret(new SecureRandom()), "a", at, "text"));
  }
}
