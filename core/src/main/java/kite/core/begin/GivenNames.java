package kite.core.begin;

import java.util.Locale;
import java.util.regex.Pattern;
import kite.core.rules.Refusal;

/** What productions and sequences may be called. */
public final class GivenNames {
  static final int LONGEST_CODE = 24, LONGEST_TITLE = 120, LONGEST_PERSON = 60;

  /** Plain letters only: two codes that look alike are alike. Files and folders are named by it. */
  private static final Pattern CODE = Pattern.compile("[A-Za-z0-9]([A-Za-z0-9_-]*[A-Za-z0-9])?");

  private GivenNames() {}

  /**
   * A code without the space around it.
   *
   * @param field the field it was typed in
   */
  public static String code(String field, String text) {
    String s = text == null ? "" : text.strip();
    if (s.isEmpty()) throw refused(field, "A code is needed: a few letters and digits, as SW010.");
    if (s.length() > LONGEST_CODE)
      throw refused(field, "A code has at most " + LONGEST_CODE + " characters. Shorten it.");
    if (!CODE.matcher(s).matches())
      throw refused(
          field,
          "A code has plain letters A to Z and digits, with - and _ between them. Leave out the"
              + " rest.");
    return s;
  }

  /** The form in which codes are compared: capitals do not tell them apart. */
  public static String compared(String code) {
    return code.toLowerCase(Locale.ROOT);
  }

  /** A title in any script, without the space around it; it may be empty. */
  public static String title(String field, String text) {
    String s = text == null ? "" : text.strip();
    if (s.length() > LONGEST_TITLE)
      throw refused(field, "This has at most " + LONGEST_TITLE + " characters. Shorten it.");
    for (int i = 0; i < s.length(); i++)
      if (isUnseen(s.charAt(i)))
        throw refused(
            field, "There is a character in this that cannot be seen, as number " + (i + 1) + ".");
    return s;
  }

  /** A title that must be there. */
  public static String name(String field, String text) {
    String s = title(field, text);
    if (s.isEmpty()) throw refused(field, "A name is needed.");
    return s;
  }

  /** What a person signs in with. */
  public static String person(String field, String text) {
    String s = name(field, text);
    if (s.length() > LONGEST_PERSON)
      throw refused(field, "A name has at most " + LONGEST_PERSON + " characters. Shorten it.");
    return s;
  }

  /** Control characters, and those that turn the direction of what follows. */
  private static boolean isUnseen(char c) {
    return c < ' '
        || c >= 0x7f && c < 0xa0
        || c >= 0x202a && c <= 0x202e
        || c >= 0x2066 && c <= 0x2069
        || c == 0xfeff;
  }

  private static Refusal refused(String field, String text) {
    return new Refusal("name", "", field, text);
  }
}
