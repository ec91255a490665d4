package kite.server.beginning;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.RETURNS_DEEP_STUBS;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import jakarta.persistence.EntityManager;
import java.security.SecureRandom;
import java.util.List;
import kite.core.rules.Refusal;
import kite.server.Problem;
import kite.server.account.Account;
import kite.server.account.Accounts;
import org.junit.jupiter.api.Test;
import org.mockito.ArgumentCaptor;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;

class SetUpTest {
  private static final String PASSWORD = "long enough for it";
  private final Accounts accounts = mock(Accounts.class);
  private final PasswordEncoder passwords = new BCryptPasswordEncoder(4);

  private SetUp setUp(boolean demo) {
    return new SetUp(
        accounts,
        passwords,
        mock(EntityManager.class, RETURNS_DEEP_STUBS),
        new SecureRandom(),
        demo,
        "ABCD-2345");
  }

  @Test
  void theFirstAccountIsMadeWithTheCodeHoweverItIsWritten() {
    setUp(false).first(" abcd 2345 ", " Nell ", PASSWORD);
    ArgumentCaptor<Account> made = ArgumentCaptor.forClass(Account.class);
    verify(accounts).save(made.capture());
    assertEquals("Nell", made.getValue().name());
    assertTrue(made.getValue().administers());
    assertTrue(passwords.matches(PASSWORD, made.getValue().passwordHash()));
    assertFalse(made.getValue().demo());
  }

  @Test
  void aWrongCodeNameOrPasswordMakesNothing() {
    for (String code : new String[] {null, "", "ABCD2346", "ABCD23450"})
      assertEquals("code", refused(code, "Nell", PASSWORD));
    for (String bad : List.of("short", "x".repeat(73), "ä".repeat(40)))
      assertEquals("password", refused("ABCD2345", "Nell", bad));
    assertThrows(Refusal.class, () -> setUp(false).first("ABCD2345", " ", PASSWORD));
    assertThrows(Refusal.class, () -> setUp(false).first("ABCD2345", "x".repeat(61), PASSWORD));
    verify(accounts, never()).save(any());
  }

  private String refused(String code, String name, String password) {
    return assertThrows(Problem.class, () -> setUp(false).first(code, name, password))
        .body()
        .field();
  }

  @Test
  void itIsNeededOnceAndNotForTheDemonstration() {
    assertTrue(setUp(false).isNeeded());
    assertFalse(setUp(true).isNeeded());
    when(accounts.count()).thenReturn(1L);
    assertFalse(setUp(false).isNeeded());
    Problem p = assertThrows(Problem.class, () -> setUp(false).first("ABCD2345", "Nell", PASSWORD));
    assertEquals("made", p.body().code());
  }
}
