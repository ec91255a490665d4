package kite.server.account;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import jakarta.servlet.http.Cookie;
import java.security.SecureRandom;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.http.ResponseCookie;
import org.springframework.mock.web.MockHttpServletRequest;

class KnownBrowsersTest {
  private final Accounts accounts = mock(Accounts.class);
  private final KnownBrowsers browsers = new KnownBrowsers(accounts, new SecureRandom());

  @BeforeEach
  void people() {
    password("pim", "hash of pim's");
    password("oda", "hash of oda's");
  }

  private void password(String name, String hash) {
    when(accounts.findByName(name))
        .thenReturn(Optional.of(new Account(UUID.randomUUID(), name, hash)));
  }

  private static MockHttpServletRequest asked(boolean secure) {
    MockHttpServletRequest rq = new MockHttpServletRequest();
    rq.setSecure(secure);
    rq.setContextPath("/kite");
    return rq;
  }

  private String numberOf(String cookie, String name) {
    MockHttpServletRequest rq = new MockHttpServletRequest();
    rq.setCookies(new Cookie("OTHER", "x.y"), new Cookie(KnownBrowsers.COOKIE, cookie));
    return browsers.numberOf(rq, name);
  }

  @Test
  void aBrowserIsKnownForTheNameThatSignedInThere() {
    ResponseCookie given = browsers.given("pim", asked(false));
    String number = numberOf(given.getValue(), "pim");
    assertEquals(given.getValue().substring(0, given.getValue().indexOf('.')), number);
    assertNull(numberOf(given.getValue(), "oda"), "for nobody else");
    assertNull(numberOf(given.getValue(), "nobody"));
    assertNull(numberOf(given.getValue(), null));
    assertNull(browsers.numberOf(new MockHttpServletRequest(), "pim"), "nor without it");
    assertNotEquals(number, numberOf(browsers.given("pim", asked(false)).getValue(), "pim"));
  }

  @Test
  void itIsSentWithSignInsAloneAndNoScriptReadsIt() {
    String line = browsers.given("pim", asked(true)).toString();
    for (String part :
        new String[] {"Path=/kite/api/sign-in", "HttpOnly", "SameSite=Strict", "Secure"})
      assertTrue(line.contains(part), line);
  }

  @Test
  void whatWasMadeUpOrIsFromBeforeANewPasswordIsStrange() {
    String value = browsers.given("pim", asked(false)).getValue();
    for (String bad : new String[] {"", ".", "x", "x.", "another" + value, value + "x"})
      assertNull(numberOf(bad, "pim"), bad);
    assertNull(numberOf("x".repeat(100_000) + value, "pim"));
    password("pim", "hash of a new one");
    assertNull(numberOf(value, "pim"));
  }
}
