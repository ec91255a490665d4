package kite.server.account;

import java.util.regex.Pattern;

/** What an e-mail address looks like. Whether somebody reads it, nobody knows before it is used. */
public final class MailAddress {
  private static final int LONGEST = 254; // RFC 5321, 4.5.3.1.3, without its brackets

  /** Something on both sides of the at: what a mail server takes is its own to say. */
  private static final Pattern LOOK = Pattern.compile("[^\\s\\p{Cntrl}@]+@[^\\s\\p{Cntrl}@]+");

  private MailAddress() {}

  public static boolean looksRight(String text) {
    return text.length() <= LONGEST && LOOK.matcher(text).matches();
  }
}
