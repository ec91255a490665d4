package kite.core.naming;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import kite.core.cut.Programme;
import kite.core.document.AcceptedNote;
import kite.core.document.ActionLine;
import kite.core.document.Camera;
import kite.core.document.CutEntry;
import kite.core.document.Entity;
import kite.core.document.Mark;
import kite.core.document.Marker;
import kite.core.document.Naming;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shot;

/** Names against the rules of the production. */
public final class NamingRules {

  /** A name that breaks a rule, and one that keeps it. */
  public record Breach(String id, String name, String better) {}

  /** Room for a number behind a long name. */
  private static final int LONGEST_COUNTED = 110;

  private NamingRules() {}

  /**
   * Every breach, shots first in the order of the cut: names against the styles, and names that
   * something else has already. Renaming each to its better name leaves none.
   */
  public static List<Breach> breaches(Sequence s) {
    Naming n = s.header().standards().naming();
    List<Breach> all = new ArrayList<>();
    if (!n.shots().isEmpty()) shots(s, n.shots(), all);
    Map<String, String> wanted = new LinkedHashMap<>(); // by id
    Set<String> taken = new HashSet<>();
    for (Entity e : s.entities().values()) {
      // what these say is no name
      if (e instanceof Marker || e instanceof AcceptedNote || e instanceof ActionLine) continue;
      if (isShot(e) && !n.shots().isEmpty()) continue;
      String better = styled(e.name(), styleOf(e, n));
      wanted.put(e.id(), better);
      taken.add(group(e) + better);
    }
    Set<String> seen = new HashSet<>();
    for (Map.Entry<String, String> w : wanted.entrySet()) {
      Entity e = s.get(w.getKey());
      String better = w.getValue();
      if (!seen.add(group(e) + better)) {
        int number = 2;
        while (!taken.add(group(e) + counted(w.getValue(), number, styleOf(e, n)))) number++;
        better = counted(w.getValue(), number, styleOf(e, n));
      }
      if (!better.equals(e.name())) all.add(new Breach(e.id(), e.name(), better));
    }
    return all;
  }

  private static Naming.Style styleOf(Entity e, Naming n) {
    return e instanceof Camera
        ? n.cameras()
        : e instanceof Piece || e instanceof Mark ? n.pieces() : Naming.Style.AS_TYPED;
  }

  /** Shots have names among themselves; all else that stands in the roster shares one list. */
  private static String group(Entity e) {
    return isShot(e) ? "shot " : "thing ";
  }

  private static boolean isShot(Entity e) {
    return e instanceof Shot || e instanceof CutEntry;
  }

  /** A name with a number behind it, as its style writes that: Bollard 2, bollard_2, Bollard2. */
  private static String counted(String name, int number, Naming.Style style) {
    String gap =
        switch (style) {
          case UNDERSCORES -> "_";
          case JOINED -> "";
          case AS_TYPED, SENTENCE -> " ";
        };
    return name.substring(0, Math.min(name.length(), LONGEST_COUNTED)) + gap + number;
  }

  private static void shots(Sequence s, String pattern, List<Breach> all) {
    List<Shot> cuts = Programme.order(s);
    Pattern fits = Pattern.compile(regex(pattern, s.header().code()));
    Set<String> used = new HashSet<>();
    for (Shot c : cuts) if (fits.matcher(c.name()).matches()) used.add(c.name());
    int number = 10;
    Set<String> seen = new HashSet<>();
    for (Shot c : cuts) {
      if (fits.matcher(c.name()).matches() && seen.add(c.name())) continue;
      String better = numbered(pattern, s.header().code(), number);
      while (!used.add(better)) better = numbered(pattern, s.header().code(), number += 10);
      all.add(new Breach(c.id(), c.name(), better));
    }
  }

  private static String regex(String pattern, String code) {
    StringBuilder b = new StringBuilder();
    for (String piece : pattern.split("(?<=#)(?=[^#])|(?<=[^#])(?=#)"))
      b.append(
          piece.startsWith("#")
              ? "[0-9]{" + piece.length() + "}"
              : Pattern.quote(piece.replace("{sequence}", code)));
    return b.toString();
  }

  /** The name of a number, by a pattern. */
  static String numbered(String pattern, String code, int number) {
    String text = pattern.replace("{sequence}", code);
    int from = text.indexOf('#'), to = text.lastIndexOf('#') + 1;
    if (from < 0) return text + number;
    String digits = Integer.toString(number);
    while (digits.length() < to - from) digits = "0" + digits;
    return text.substring(0, from) + digits + text.substring(to);
  }

  /** A name of several words as a style writes it. */
  static String styled(String name, Naming.Style style) {
    if (style == Naming.Style.AS_TYPED) return name;
    List<String> words = new ArrayList<>();
    for (String w : name.trim().split("[\\s_-]+|(?<=[a-z])(?=[A-Z])"))
      if (!w.isEmpty()) words.add(w);
    if (words.isEmpty()) return name;
    StringBuilder b = new StringBuilder();
    for (String w : words) {
      switch (style) {
        case UNDERSCORES -> b.append(b.length() > 0 ? "_" : "").append(w.toLowerCase());
        case JOINED -> b.append(first(w));
        default -> b.append(b.length() > 0 ? " " + w : first(w));
      }
    }
    return b.toString();
  }

  private static String first(String w) {
    return Character.toUpperCase(w.charAt(0)) + w.substring(1);
  }
}
