package kite.exchange.usd;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import kite.exchange.BadFile;
import kite.exchange.Budget;
import kite.exchange.Names;

/**
 * As much of OpenUSD's text form as places cameras and meshes: prims in one another, their
 * attributes with numbers, tuples, lists and time samples, what they refer to, and the metadata of
 * the stage and of prims. What it does not know it skips.
 */
public final class UsdText {
  private static final int DEEPEST = 64;
  private static final int MOST_PRIMS = 20_000;

  /** What a prim takes, a value in a list or a map, and what has a name. */
  private static final int BYTES_PER_PRIM = 600, BYTES_PER_VALUE = 70, BYTES_PER_NAME = 150;

  /**
   * What a prim refers to.
   *
   * @param layer a path as it is written; empty for the same layer
   * @param prim a path, or empty for the layer's own first
   */
  public record Ref(String layer, String prim) {}

  /** A prim: what it is, its attributes by name, time samples by name, and what is inside it. */
  public static final class Prim {
    public String type = "";
    public String name = "";

    /** Whether it is something that is there: not a class, and not an opinion on something else. */
    public boolean there;

    public final Map<String, Object> metadata = new LinkedHashMap<>();
    public final Map<String, Object> values = new LinkedHashMap<>();
    public final Map<String, TreeMap<Double, Object>> samples = new LinkedHashMap<>();
    public final List<Prim> children = new ArrayList<>();

    /** What it may be instead: by the name of a set, and in that by the name of a variant. */
    public final Map<String, Map<String, Prim>> variants = new LinkedHashMap<>();

    /** Another one that says the same; what is inside is shared. */
    Prim copy() {
      Prim p = new Prim();
      p.type = type;
      p.name = name;
      p.there = there;
      p.metadata.putAll(metadata);
      p.values.putAll(values);
      p.samples.putAll(samples);
      p.children.addAll(children);
      variants.forEach((set, all) -> p.variants.put(set, new LinkedHashMap<>(all)));
      return p;
    }
  }

  private final String text;
  private int at;
  private int prims;

  private final Budget budget;

  private UsdText(String text, Budget budget) {
    this.text = text;
    this.budget = budget;
  }

  /** The stage: a nameless prim whose values are the stage's metadata. */
  public static Prim read(String text, Budget budget) throws BadFile {
    if (!text.startsWith("#usda"))
      throw new BadFile(
          "This is not OpenUSD text: it does not begin with #usda. Write it as .usda, not as a"
              + " binary file.");
    UsdText t = new UsdText(text, budget);
    Prim stage = new Prim();
    t.space();
    if (t.peek() == '(') t.metadata(stage.values);
    t.body(stage, 0, '\0');
    return stage;
  }

  private BadFile bad(String what) {
    int line = 1;
    for (int i = 0; i < Math.min(at, text.length()); i++) if (text.charAt(i) == '\n') line++;
    return new BadFile("The .usda file cannot be read at line " + line + ": " + what + ".");
  }

  private char peek() {
    return at < text.length() ? text.charAt(at) : '\0';
  }

  private void space() {
    while (at < text.length()) {
      char c = text.charAt(at);
      if (c == '#') while (at < text.length() && text.charAt(at) != '\n') at++;
      else if (Character.isWhitespace(c) || c == ';') at++;
      else return;
    }
  }

  private String word() {
    space();
    int from = at;
    while (at < text.length()
        && (Character.isLetterOrDigit(text.charAt(at)) || "_:.[]-+".indexOf(text.charAt(at)) >= 0))
      at++;
    return text.substring(from, at);
  }

  private void metadata(Map<String, Object> into) throws BadFile {
    at++; // (
    while (true) {
      space();
      if (peek() == ')') {
        at++;
        return;
      }
      if (peek() == '\0') throw bad("a bracket is never closed");
      if (peek() == '"' || peek() == '\'') {
        value(0);
        continue;
      }
      String name = word();
      if (name.isEmpty()) throw bad("metadata has no name");
      space();
      if (peek() == '=') {
        at++;
        into.put(name, value(0));
      }
    }
  }

  private void body(Prim prim, int depth, char end) throws BadFile {
    if (depth > DEEPEST) throw bad("prims are nested more than " + DEEPEST + " deep");
    while (true) {
      space();
      if (peek() == end) {
        at++;
        return;
      }
      if (peek() == '\0') throw bad("a prim is never closed");
      String first = word();
      if (first.equals("def") || first.equals("over") || first.equals("class"))
        prim(prim, depth, first.equals("def"));
      else if (first.equals("variantSet")) variants(prim, depth);
      else if (first.isEmpty()) throw bad("“" + Names.shown("" + peek()) + "” was not expected");
      else attribute(prim, first);
    }
  }

  private void prim(Prim parent, int depth, boolean there) throws BadFile {
    if (++prims > MOST_PRIMS) throw bad("there are more than " + MOST_PRIMS + " prims");
    budget.take(BYTES_PER_PRIM, "The .usda file");
    Prim p = new Prim();
    p.there = there;
    space();
    if (peek() != '"') p.type = word();
    space();
    p.name = name();
    space();
    if (peek() == '(') metadata(p.metadata);
    space();
    if (peek() != '{') throw bad("a prim has no body");
    at++;
    body(p, depth + 1, '}');
    parent.children.add(p);
  }

  private void variants(Prim prim, int depth) throws BadFile {
    Map<String, Prim> set = prim.variants.computeIfAbsent(name(), n -> new LinkedHashMap<>());
    space();
    if (peek() != '=') throw bad("a set of variants has no “=”");
    at++;
    space();
    if (peek() != '{') throw bad("a set of variants has no body");
    at++;
    while (true) {
      space();
      if (peek() == '}') {
        at++;
        return;
      }
      Prim variant = new Prim();
      budget.take(BYTES_PER_PRIM, "The .usda file");
      variant.name = name();
      space();
      if (peek() == '(') metadata(variant.metadata);
      space();
      if (peek() != '{') throw bad("a variant has no body");
      at++;
      body(variant, depth + 1, '}');
      set.put(variant.name, variant);
    }
  }

  private String name() throws BadFile {
    if (value(0) instanceof String name) return Names.clean(name);
    throw bad("a name is missing");
  }

  private void attribute(Prim prim, String first) throws BadFile {
    budget.step();
    budget.take(BYTES_PER_NAME, "The .usda file");
    String name = first;
    while (true) { // custom uniform double3 xformOp:translate: the last word is the name
      space();
      char c = peek();
      if (c == '=' || c == '\0' || c == '(' || c == '}' || c == '{') break;
      String next = word();
      if (next.isEmpty()) throw bad("“" + Names.shown("" + c) + "” was not expected");
      if (next.equals("def") || next.equals("over")) throw bad("an attribute has no value");
      name = next;
      if (at < text.length() && text.charAt(at) == '\n') break;
    }
    space();
    if (peek() == '{') { // what has no name of an attribute
      value(0);
      return;
    }
    if (peek() == '=') {
      at++;
      space();
      Object v = value(0);
      if (name.endsWith(".timeSamples") && v instanceof Map<?, ?> m) {
        TreeMap<Double, Object> samples = new TreeMap<>();
        m.forEach(
            (k, x) -> {
              if (k instanceof Double time) samples.put(time, x);
            });
        prim.samples.put(name.substring(0, name.length() - ".timeSamples".length()), samples);
      } else {
        prim.values.put(name, v);
      }
    }
    space();
    if (peek() == '(') metadata(new LinkedHashMap<>());
  }

  /** A number, text, word, list of values (brackets of both kinds) or map. */
  private Object value(int depth) throws BadFile {
    if (depth > DEEPEST) throw bad("brackets are nested more than " + DEEPEST + " deep");
    budget.step();
    budget.take(BYTES_PER_VALUE, "The .usda file");
    space();
    char c = peek();
    if (c == '"' || c == '\'') return quoted(c);
    if (c == '@') return reference();
    if (c == '<') return new Ref("", between('<', '>'));
    if (c == '(' || c == '[') return list(c == '(' ? ')' : ']', depth);
    if (c == '{') return map(depth);
    if (Character.isDigit(c) || c == '-' || c == '+' || c == '.') return number();
    String w = word();
    if (w.isEmpty()) throw bad("a value is missing");
    return w.equals("inf") || w.equals("nan") ? Double.NaN : w;
  }

  /** A layer, a prim of it where one is named, and an offset in time, which is read over. */
  private Ref reference() throws BadFile {
    String layer = between('@', '@');
    space();
    String prim = peek() == '<' ? between('<', '>') : "";
    space();
    if (peek() == '(') metadata(new LinkedHashMap<>());
    return new Ref(layer, prim);
  }

  private String between(char from, char to) throws BadFile {
    int end = text.indexOf(to, at + 1);
    if (end < 0 || text.charAt(at) != from) throw bad("a path is never closed");
    String inside = text.substring(at + 1, end);
    at = end + 1;
    return inside;
  }

  private Double number() throws BadFile {
    int from = at;
    while (at < text.length() && "0123456789+-.eEinf".indexOf(text.charAt(at)) >= 0) at++;
    try {
      return Double.parseDouble(text.substring(from, at));
    } catch (NumberFormatException e) {
      throw bad("“" + Names.shown(text.substring(from, at)) + "” is not a number");
    }
  }

  private String quoted(char c) throws BadFile {
    String three = ("" + c).repeat(3);
    boolean longText = text.startsWith(three, at);
    int from = at + (longText ? 3 : 1), end = from;
    while (true) {
      if (end >= text.length()) throw bad("a text is never closed");
      if (text.charAt(end) == '\\') end += 2;
      else if (longText ? text.startsWith(three, end) : text.charAt(end) == c) break;
      else end++;
    }
    at = end + (longText ? 3 : 1);
    return text.substring(from, Math.min(end, text.length()));
  }

  private List<Object> list(char end, int depth) throws BadFile {
    at++;
    List<Object> all = new ArrayList<>();
    while (true) {
      space();
      if (peek() == ',') {
        at++;
        continue;
      }
      if (peek() == end) {
        at++;
        return all;
      }
      if (peek() == '\0') throw bad("a bracket is never closed");
      all.add(value(depth + 1));
    }
  }

  /** Time samples by their numbers; other maps by the last word or text before what is said. */
  private Map<Object, Object> map(int depth) throws BadFile {
    at++;
    Map<Object, Object> all = new LinkedHashMap<>();
    while (true) {
      space();
      if (peek() == ',') {
        at++;
        continue;
      }
      if (peek() == '}') {
        at++;
        return all;
      }
      if (peek() == '\0') throw bad("a brace is never closed");
      Object key = value(depth + 1);
      space();
      if (peek() == ':' || peek() == '=') {
        at++;
        all.put(key, value(depth + 1));
      }
    }
  }
}
