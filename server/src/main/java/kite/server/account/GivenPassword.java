package kite.server.account;

import java.nio.charset.StandardCharsets;
import kite.server.Problem;
import org.springframework.http.HttpStatus;

/** What a password may be: long enough to be hard to guess, short enough to be looked at whole. */
public final class GivenPassword {
  static final int LEAST_CHARACTERS = 10;

  /** What bcrypt looks at. */
  private static final int MOST_BYTES = 72;

  private GivenPassword() {}

  /** The password as it was typed, if it may be one. */
  public static String checked(String password) {
    if (password == null || password.length() < LEAST_CHARACTERS)
      throw refused("A password has at least " + LEAST_CHARACTERS + " characters. Make it longer.");
    if (password.getBytes(StandardCharsets.UTF_8).length > MOST_BYTES)
      throw refused(
          "A password has at most "
              + MOST_BYTES
              + " characters, fewer in some scripts. Shorten it.");
    return password;
  }

  private static Problem refused(String text) {
    return new Problem(HttpStatus.UNPROCESSABLE_CONTENT, "password", "password", text);
  }
}
