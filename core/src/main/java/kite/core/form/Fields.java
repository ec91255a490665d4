package kite.core.form;

import com.eclipsesource.json.Json;
import com.eclipsesource.json.JsonArray;
import com.eclipsesource.json.JsonObject;
import com.eclipsesource.json.JsonValue;
import com.eclipsesource.json.ParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import kite.core.math.Vec3;
import kite.core.rules.Refusal;

/** One JSON object being read. Remembers which fields were asked for, to refuse all others. */
public final class Fields {
  /** Longer than any document the limits of the rules allow. */
  private static final int LONGEST_TEXT = 64 << 20;

  private static final int MOST_ITEMS = 400000;
  private static final int NO_ITEM = -1;
  private final JsonObject object;

  /** What it is a field of, or null. Paths are put together when one is told. */
  private final Fields above;

  /** Its field there, or its whole path. */
  private final String name;

  /** Its place in the list that field is, or {@link #NO_ITEM}. */
  private final int item;

  /** A few, so that looking through them is quicker than a table. */
  private final List<String> known = new ArrayList<>();

  private Fields(JsonValue value, Fields above, String name, int item) {
    this.above = above;
    this.name = name;
    this.item = item;
    if (value == null || !value.isObject()) throw bad(path(), "must be an object");
    object = value.asObject();
  }

  public static Fields parse(String text) {
    return of(value(text), "$");
  }

  /** Any JSON, of bounded length. */
  public static JsonValue value(String text) {
    if (text.length() > LONGEST_TEXT) throw bad("$", "is too long");
    try {
      return Json.parse(text);
    } catch (ParseException e) {
      throw new Refusal("json", "", "$", "This is not JSON: " + e.getMessage() + ".");
    }
  }

  public static Refusal bad(String path, String what) {
    return new Refusal("json", "", path, "The field " + path + " " + what + ".");
  }

  private String path() {
    String whole = above == null ? name : above.path(name);
    return item == NO_ITEM ? whole : whole + "[" + item + "]";
  }

  public String path(String name) {
    return path() + "." + name;
  }

  private JsonValue need(String name) {
    known.add(name);
    JsonValue v = object.get(name);
    if (v == null) throw bad(path(name), "is missing");
    return v;
  }

  public String text(String name) {
    JsonValue v = need(name);
    String fault = faultOfText(v);
    if (fault != null) throw bad(path(name), fault);
    return v.asString();
  }

  /** Text, or null where the field is null. */
  public String textOrNull(String name) {
    return need(name).isNull() ? null : text(name);
  }

  /** Text, or null where the field is null or is left out, as documents did before it was. */
  public String textIfAny(String name) {
    known.add(name);
    return object.get(name) == null ? null : textOrNull(name);
  }

  /** Whether a field is there at all: for forms that documents and edits had before. */
  public boolean has(String name) {
    return object.get(name) != null;
  }

  /** A value of any kind, or null where the field is left out. */
  public JsonValue valueIfAny(String name) {
    known.add(name);
    return object.get(name);
  }

  public boolean isNull(String name) {
    return need(name).isNull();
  }

  public double number(String name) {
    JsonValue v = need(name);
    double d = numberOf(v);
    return Double.isFinite(d) ? d : number(v, path(name));
  }

  /** Not finite where it is none. */
  private static double numberOf(JsonValue v) {
    return v.isNumber() ? v.asDouble() : Double.NaN;
  }

  public static double number(JsonValue v, String path) {
    if (!v.isNumber()) throw bad(path, "must be a number");
    double d = numberOf(v);
    if (!Double.isFinite(d)) throw bad(path, "must be a finite number");
    return d;
  }

  public int whole(String name) {
    double d = number(name);
    if (d != Math.rint(d) || Math.abs(d) > 1e9) throw bad(path(name), "must be a whole number");
    return (int) d;
  }

  public boolean truth(String name) {
    JsonValue v = need(name);
    if (!v.isBoolean()) throw bad(path(name), "must be true or false");
    return v.asBoolean();
  }

  /** True or false, or what documents meant that leave the field out. */
  public boolean truthOr(String name, boolean usual) {
    known.add(name);
    return object.get(name) == null ? usual : truth(name);
  }

  public Fields object(String name) {
    return new Fields(need(name), this, name, NO_ITEM);
  }

  /** An object read by {@code read}, or null where the field is null. */
  public <T> T orNull(String name, Function<Fields, T> read) {
    return need(name).isNull() ? null : read.apply(object(name));
  }

  /** As above where the field may also be missing, as in documents of earlier builds. */
  public <T> T orNullIfAny(String name, Function<Fields, T> read) {
    known.add(name);
    return object.get(name) == null ? null : orNull(name, read);
  }

  /** A number, or null where the field is null. */
  public Double numberOrNull(String name) {
    return need(name).isNull() ? null : number(name);
  }

  /** One of an enum's words, or null where the field is null. */
  public <E extends Enum<E>> E wordOrNull(String name, E[] all) {
    return need(name).isNull() ? null : word(name, all);
  }

  public <T> T value(String name, java.util.function.BiFunction<JsonValue, String, T> read) {
    return read.apply(need(name), path(name));
  }

  public <E extends Enum<E>> E word(String name, E[] all) {
    String text = text(name);
    for (E e : all) if (Words.of(e).equals(text)) return e;
    throw bad(path(name), "cannot be “" + text + "”");
  }

  public Vec3 vec(String name) {
    double[] v = numbers(name);
    if (v.length != 3) throw bad(path(name), "must hold 3 numbers");
    return new Vec3(v[0], v[1], v[2]);
  }

  public double[] numbers(String name) {
    JsonArray a = array(name);
    double[] out = new double[a.size()];
    for (int i = 0; i < out.length; i++) {
      JsonValue v = a.get(i);
      double d = numberOf(v);
      out[i] = Double.isFinite(d) ? d : number(v, path(name) + "[" + i + "]");
    }
    return out;
  }

  public List<Double> numberList(String name) {
    List<Double> out = new ArrayList<>();
    for (double d : numbers(name)) out.add(d);
    return out;
  }

  public List<String> texts(String name) {
    List<String> out = new ArrayList<>();
    for (JsonValue v : array(name)) {
      if (!v.isString()) throw bad(path(name), "must hold only text");
      out.add(v.asString());
    }
    return out;
  }

  public <T> List<T> list(String name, Function<Fields, T> read) {
    List<T> out = new ArrayList<>();
    int i = 0;
    for (JsonValue v : array(name)) out.add(read.apply(new Fields(v, this, name, i++)));
    return out;
  }

  public <T> Map<String, T> map(
      String name, java.util.function.BiFunction<JsonValue, String, T> read) {
    JsonValue v = need(name);
    if (!v.isObject()) throw bad(path(name), "must be an object");
    Map<String, T> out = new TreeMap<>();
    for (JsonObject.Member m : v.asObject())
      out.put(m.getName(), read.apply(m.getValue(), path(name) + "." + m.getName()));
    return out;
  }

  /** Text as it can be kept: without zero characters, and halves of characters. */
  public static String textOf(JsonValue v, String path) {
    String fault = faultOfText(v);
    if (fault != null) throw bad(path, fault);
    return v.asString();
  }

  /** What is wrong with a text, or null. */
  private static String faultOfText(JsonValue v) {
    if (!v.isString()) return "must be text";
    String s = v.asString();
    for (int i = 0; i < s.length(); i++) {
      int c = s.codePointAt(i);
      if (c == 0 || c >= Character.MIN_SURROGATE && c <= Character.MAX_SURROGATE)
        return "holds a character that cannot be kept";
      if (Character.isSupplementaryCodePoint(c)) i++;
    }
    return null;
  }

  public static Fields of(JsonValue v, String path) {
    return new Fields(v, null, path, NO_ITEM);
  }

  private JsonArray array(String name) {
    JsonValue v = need(name);
    if (!v.isArray()) throw bad(path(name), "must be a list");
    if (v.asArray().size() > MOST_ITEMS)
      throw bad(path(name), "has more than " + MOST_ITEMS + " items");
    return v.asArray();
  }

  /** Ends the reading of this object: a field nobody asked for is refused. */
  public <T> T done(T read) {
    for (String name : object.names())
      if (!known.contains(name)) throw bad(path(name), "is not known");
    return read;
  }
}
