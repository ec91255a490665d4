package kite.server.account;

import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;

class MailAddressTest {
  @Test
  void somethingStandsOnBothSidesOfTheAt() {
    assertTrue(MailAddress.looksRight("nell@example.org"));
    assertTrue(MailAddress.looksRight("nell+pier@localhost"));
    for (String s :
        new String[] {"", "nell", "@example.org", "nell@", "a@b@c", "nell @example.org", "a@b\n"})
      assertFalse(MailAddress.looksRight(s), s);
    assertFalse(MailAddress.looksRight("n".repeat(250) + "@b.org"));
  }
}
