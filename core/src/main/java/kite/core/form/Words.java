package kite.core.form;

import kite.core.rules.Refusal;

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

  /**
   * The value a word stands for.
   *
   * @throws Refusal when it is none of them
   */
  public static <E extends Enum<E>> E find(String word, E[] all) {
    for (E e : all) if (of(e).equals(word)) return e;
    throw new Refusal("json", "", "", "“" + word + "” is not one of the words known here.");
  }
}
