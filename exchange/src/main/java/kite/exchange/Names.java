package kite.exchange;

import java.util.Locale;

/** Names that files give to things and to one another, made fit to be shown and kept. */
public final class Names {
  private static final int LONGEST = 200;

  private Names() {}

  /**
   * A name without what no name should hold: control characters and halves of characters, which
   * neither a database nor JSON can keep.
   */
  public static String clean(String name) {
    StringBuilder out = new StringBuilder();
    for (int i = 0; i < name.length() && out.length() < LONGEST; i++) {
      char c = name.charAt(i);
      if (Character.isHighSurrogate(c)
          && i + 1 < name.length()
          && Character.isLowSurrogate(name.charAt(i + 1))) out.append(c).append(name.charAt(++i));
      else out.append(Character.isISOControl(c) ? ' ' : Character.isSurrogate(c) ? '\uFFFD' : c);
    }
    return out.toString();
  }

  /** As it may stand in a sentence. */
  public static String shown(String name) {
    String s = clean(name);
    return s.length() > 60 ? s.substring(0, 60) + "…" : s;
  }

  /** A file's name without folders: what came together lies in one place. */
  public static String file(String name) {
    String n = name.trim().replace('\\', '/');
    return clean(n.substring(n.lastIndexOf('/') + 1)).toLowerCase(Locale.ROOT);
  }
}
