package kite.core.codec;

/** The JSON spelling of an enum's names: {@code SLOW_BOTH} is {@code slowBoth}. */
public final class Words {
  private Words() {}

  public static String of(Enum<?> e) {
    StringBuilder b = new StringBuilder();
    boolean up = false;
    for (char c : e.name().toCharArray()) {
      if (c == '_') up = true;
      else {
        b.append(up ? c : Character.toLowerCase(c));
        up = false;
      }
    }
    return b.toString();
  }

  /** The word a record is known by: its simple name with a small first letter. */
  public static String of(Class<?> kind) {
    String n = kind.getSimpleName();
    return Character.toLowerCase(n.charAt(0)) + n.substring(1);
  }
}
