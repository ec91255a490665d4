package kite.core.rules;

/** What ids, colours and such are made of: a document has thousands of them. */
final class Words {
  private static final int LONGEST_ID = 64;
  private static final int LONGEST_PLACE = 200;
  private static final int SHA_256 = 64;

  private Words() {}

  static boolean isId(String text) {
    if (text.isEmpty() || text.length() > LONGEST_ID) return false;
    for (int i = 0; i < text.length(); i++) {
      char c = text.charAt(i);
      if (!(isIn(c, 'a', 'z') || isIn(c, 'A', 'Z') || isIn(c, '0', '9') || c == '_' || c == '-'))
        return false;
    }
    return true;
  }

  /** Whether it is a colour, as {@code #1f8a70}. */
  static boolean isColour(String text) {
    return text.length() == 7 && text.charAt(0) == '#' && isHex(text, 1);
  }

  /** Whether it may name a file that was brought in: its SHA-256. */
  static boolean isAsset(String text) {
    return text.length() == SHA_256 && isHex(text, 0);
  }

  /** Whether it is a word that sorts. */
  static boolean isPlace(String text) {
    if (text.isEmpty() || text.length() > LONGEST_PLACE) return false;
    for (int i = 0; i < text.length(); i++) {
      char c = text.charAt(i);
      if (!(isIn(c, 'a', 'z') || isIn(c, '0', '9'))) return false;
    }
    return true;
  }

  /** Whether it is the letter, or two, of a camera. */
  static boolean isLetter(String text) {
    if (text.isEmpty() || text.length() > 2) return false;
    for (int i = 0; i < text.length(); i++) if (!isIn(text.charAt(i), 'A', 'Z')) return false;
    return true;
  }

  /** Whether it is lower-case hexadecimal from a character on. */
  private static boolean isHex(String text, int from) {
    for (int i = from; i < text.length(); i++) {
      char c = text.charAt(i);
      if (!(isIn(c, 'a', 'f') || isIn(c, '0', '9'))) return false;
    }
    return true;
  }

  private static boolean isIn(char c, char first, char last) {
    return c >= first && c <= last;
  }
}
