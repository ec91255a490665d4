package kite.core.rules;

import java.util.regex.Pattern;

/** What ids, colours and such are made of, compiled once: a document has thousands of them. */
final class Words {
  private static final Pattern ID = Pattern.compile("[A-Za-z0-9_-]{1,64}"),
      COLOUR = Pattern.compile("#[0-9a-f]{6}"),
      SHA = Pattern.compile("[0-9a-f]{64}"),
      PLACE = Pattern.compile("[0-9a-z]{1,200}"),
      LETTER = Pattern.compile("[A-Z]{1,2}");

  private Words() {}

  static boolean isId(String text) {
    return ID.matcher(text).matches();
  }

  /** Whether it is a colour, as {@code #1f8a70}. */
  static boolean isColour(String text) {
    return COLOUR.matcher(text).matches();
  }

  /** Whether it may name a file that was brought in: its SHA-256. */
  static boolean isAsset(String text) {
    return SHA.matcher(text).matches();
  }

  /** Whether it is a word that sorts. */
  static boolean isPlace(String text) {
    return PLACE.matcher(text).matches();
  }

  /** Whether it is the letter, or two, of a camera. */
  static boolean isLetter(String text) {
    return LETTER.matcher(text).matches();
  }
}
