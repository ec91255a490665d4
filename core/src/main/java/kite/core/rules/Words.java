package kite.core.rules;

import java.util.function.IntPredicate;

/**
 * What ids, colours and such are made of. A document has thousands of them, and the page's regular
 * expressions are slow.
 */
final class Words {
  private static final int LONGEST_ID = 64;
  private static final int LONGEST_PLACE = 200;

  /** Digits of a SHA-256. */
  private static final int SHA_256 = 64;

  /** The mark and six digits. */
  private static final int COLOUR = 7;

  private Words() {}

  static boolean isId(String text) {
    return isOf(text, 1, LONGEST_ID, c -> isLetterOrDigit(c) || c == '_' || c == '-');
  }

  /** Whether it is a colour, as {@code #1f8a70}. */
  static boolean isColour(String text) {
    return text.length() == COLOUR
        && text.charAt(0) == '#'
        && isOf(text.substring(1), 1, COLOUR, Words::isHex);
  }

  /** Whether it may name a file that was brought in: its SHA-256. */
  static boolean isAsset(String text) {
    return isOf(text, SHA_256, SHA_256, Words::isHex);
  }

  /** Whether it is a word that sorts. */
  static boolean isPlace(String text) {
    return isOf(text, 1, LONGEST_PLACE, c -> isIn(c, 'a', 'z') || isIn(c, '0', '9'));
  }

  /** Whether it is the letter, or two, of a camera. */
  static boolean isLetter(String text) {
    return isOf(text, 1, 2, c -> isIn(c, 'A', 'Z'));
  }

  private static boolean isOf(String text, int least, int most, IntPredicate character) {
    if (text.length() < least || text.length() > most) return false;
    for (int i = 0; i < text.length(); i++) if (!character.test(text.charAt(i))) return false;
    return true;
  }

  /** Lower case. */
  private static boolean isHex(int c) {
    return isIn(c, 'a', 'f') || isIn(c, '0', '9');
  }

  private static boolean isLetterOrDigit(int c) {
    return isIn(c, 'a', 'z') || isIn(c, 'A', 'Z') || isIn(c, '0', '9');
  }

  private static boolean isIn(int c, char first, char last) {
    return c >= first && c <= last;
  }
}
