package kite.core.document;

import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/**
 * How files of rendered frames are called.
 *
 * @param name of this way, among those of the production
 * @param pattern folders and a name without its ending: words in braces ({@link #WORDS}) and one
 *     run of #, the digits of the frame's number
 */
public record FileNames(String name, String pattern, Counts counts) {
  /** What may stand in braces. */
  public static final List<String> WORDS =
      List.of(
          "production",
          "sequence",
          "shot",
          "take",
          "camera",
          "pass",
          "light",
          "version",
          "date",
          "user");

  /** Of a pattern, and of a name that comes of it. */
  private static final int LONGEST = 200;

  /** By shot, as most studios do. */
  public static final FileNames USUAL =
      new FileNames("By shot", "{shot}/{shot}_{version}.####", Counts.SHOT);

  /** How frames are numbered. */
  public enum Counts {
    /** By the scene's own frames; handles go on before and behind. */
    SCENE,
    /** From 1001 in each shot; handles are before that and behind the last. */
    SHOT,
    /** By the programme's frames. */
    PROGRAMME
  }

  /** Whether what is kept beside the picture is in files of its own. */
  public boolean partsPasses() {
    return pattern.contains("{pass}");
  }

  /** Whether what is kept of each light is in a file of its own. */
  public boolean partsLights() {
    return pattern.contains("{light}");
  }

  /** What is wrong with a pattern, in a sentence; empty when nothing is. */
  public static String fault(String pattern) {
    if (pattern.isBlank()) return "Say how files are called, as {shot}_{version}.####.";
    if (pattern.length() > LONGEST) return "A pattern has at most " + LONGEST + " letters.";
    Set<String> unknown = new TreeSet<>();
    String rest = pattern;
    for (int from = rest.indexOf('{'); from >= 0; from = rest.indexOf('{')) {
      int to = rest.indexOf('}', from);
      if (to < 0) return "A brace is never closed.";
      String word = rest.substring(from + 1, to);
      if (!WORDS.contains(word)) unknown.add("{" + word + "}");
      rest = rest.substring(0, from) + "x" + rest.substring(to + 1);
    }
    if (!unknown.isEmpty())
      return String.join(", ", unknown)
          + " is not known here. There are {"
          + String.join("}, {", WORDS)
          + "}.";
    int first = rest.indexOf('#'), last = rest.lastIndexOf('#');
    if (first < 0) return "Without #### all frames would be called the same.";
    for (int i = first; i <= last; i++)
      if (rest.charAt(i) != '#') return "There is one number in a name: put its # side by side.";
    if (rest.substring(first).contains("/"))
      return "The number belongs to the file, behind the last slash.";
    if (!pattern.contains("{version}"))
      return "Without {version} a later render would have the names of this one.";
    return leadsOut(rest);
  }

  private static String leadsOut(String rest) {
    if (!rest.matches("[A-Za-z0-9_.#/-]*"))
      return "Names are of letters, digits, _, -, . and / alone.";
    for (String part : rest.split("/", -1)) {
      if (part.isEmpty()) return "A folder has no name: it would lead elsewhere.";
      if (part.startsWith(".")) return "A name that begins with a dot leads out, or is hidden.";
    }
    return "";
  }
}
