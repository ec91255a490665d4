package kite.server.provider;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.security.SecureRandom;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import kite.server.Problem;
import kite.server.account.Account;
import kite.server.account.Accounts;
import kite.server.account.Audit;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpStatus;
import org.springframework.security.crypto.password.PasswordEncoder;

class ArrivalsTest {
  private static final Arrival ODA = new Arrival("https://door 101", "Oda", "oda@example.org");
  private final Accounts accounts = mock(Accounts.class);
  private final PasswordEncoder passwords = mock(PasswordEncoder.class);
  private final Arrivals arrivals =
      new Arrivals(accounts, passwords, mock(Audit.class), new SecureRandom());

  private Account oda() {
    Account a = new Account(UUID.randomUUID(), "oda", "kept");
    when(accounts.findByName("oda")).thenReturn(Optional.of(a));
    when(passwords.matches(any(), any())).thenAnswer(x -> "right".equals(x.getArgument(0)));
    return a;
  }

  @Test
  void whoShowsThePasswordIsFoundFromThenOn() {
    Account a = oda();
    assertThrows(Problem.class, () -> arrivals.join(ODA, "oda", "wrong", ""));
    assertNull(a.subject());
    arrivals.join(ODA, "oda", "right", "");
    assertEquals(ODA.subject(), a.subject());
  }

  @Test
  void anEndedAccountOrAnothersStaysAsItIs() {
    Account ended = oda();
    ended.end(Instant.EPOCH);
    Problem p = assertThrows(Problem.class, () -> arrivals.join(ODA, "oda", "right", ""));
    assertEquals(HttpStatus.FORBIDDEN, p.status());
    assertNull(ended.subject(), "not tied to whom it refuses");
    Account taken = oda();
    taken.comesAs("https://door 7");
    p = assertThrows(Problem.class, () -> arrivals.join(ODA, "oda", "right", ""));
    assertEquals(HttpStatus.CONFLICT, p.status());
    assertEquals("https://door 7", taken.subject());
  }
}
