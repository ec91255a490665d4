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
  static final int NO_ITEM = -1;

  /** Its fields as they stand, and which were asked for. */
  private final String[] names;

  private final JsonValue[] values;
  private final boolean[] asked;

  /** Whether something, here or in what stands below, may be said otherwise than it is written. */
  private boolean lacks;

  /** The field after the last that was asked for: most are asked for in the order they stand in. */
  private int next;

  /** What it is a field of, or null. Paths are put together when one is told. */
  private final Fields above;

  /** Its field there, or its whole path. */
  private final String name;

  /** Its place in the list that field is, or {@link #NO_ITEM}. */
  private final int item;

  Fields(JsonValue value, Fields above, String name, int item) {
    this.above = above;
    this.name = name;
    this.item = item;
    if (value == null || !value.isObject()) throw bad(path(), "must be an object");
    JsonObject object = value.asObject();
    int n = object.size(), i = 0;
    names = new String[n];
    values = new JsonValue[n];
    asked = new boolean[n];
    for (JsonObject.Member m : object) {
      names[i] = m.getName();
      values[i++] = m.getValue();
    }
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

  /** Where a field stands, or -1. */
  private int find(String name) {
    for (int i = next; i < names.length; i++) if (names[i].equals(name)) return i;
    for (int i = 0; i < next; i++) if (names[i].equals(name)) return i;
    return -1;
  }

  /** A field, or null where it is left out. */
  private JsonValue take(String name) {
    int i = find(name);
    if (i < 0) {
      lacking();
      return null;
    }
    asked[i] = true;
    next = i + 1;
    return values[i];
  }

  private void lacking() {
    for (Fields f = this; f != null && !f.lacks; f = f.above) f.lacks = true;
  }

  /**
   * Whether nothing was left out of all that was read of it, and none of it has forms of earlier
   * builds: it would be written as it stands.
   */
  public boolean isWhole() {
    return !lacks;
  }

  private JsonValue need(String name) {
    JsonValue v = take(name);
    if (v == null) throw bad(path(name), "is missing");
    return v;
  }

  public String text(String name) {
    return text(name, need(name));
  }

  private String text(String name, JsonValue v) {
    String fault = faultOfText(v);
    if (fault != null) throw bad(path(name), fault);
    return v.asString();
  }

  /** Text, or null where the field is null. */
  public String textOrNull(String name) {
    JsonValue v = need(name);
    return v.isNull() ? null : text(name, v);
  }

  /** Text, or null where the field is null or is left out, as documents did before it was. */
  public String textIfAny(String name) {
    JsonValue v = take(name);
    return v == null || v.isNull() ? null : text(name, v);
  }

  /** Whether a field is there at all: for forms that documents and edits had before. */
  public boolean has(String name) {
    lacking();
    return find(name) >= 0;
  }

  /** A value of any kind, or null where the field is left out. */
  public JsonValue valueIfAny(String name) {
    return take(name);
  }

  public boolean isNull(String name) {
    return need(name).isNull();
  }

  public double number(String name) {
    return number(name, need(name));
  }

  private double number(String name, JsonValue v) {
    double d = numberOf(v);
    if (Double.isFinite(d)) return d;
    throw notFinite(v, path(name));
  }

  /** Not finite where it is none. */
  static double numberOf(JsonValue v) {
    return v.isNumber() ? v.asDouble() : Double.NaN;
  }

  static Refusal notFinite(JsonValue v, String path) {
    return bad(path, v.isNumber() ? "must be a finite number" : "must be a number");
  }

  public int whole(String name) {
    double d = number(name);
    if (d != Math.rint(d) || Math.abs(d) > 1e9) throw bad(path(name), "must be a whole number");
    return (int) d;
  }

  public boolean truth(String name) {
    return truth(name, need(name));
  }

  private boolean truth(String name, JsonValue v) {
    if (!v.isBoolean()) throw bad(path(name), "must be true or false");
    return v.asBoolean();
  }

  /** True or false, or what documents meant that leave the field out. */
  public boolean truthOr(String name, boolean usual) {
    JsonValue v = take(name);
    return v == null ? usual : truth(name, v);
  }

  public Fields object(String name) {
    return object(name, need(name));
  }

  private Fields object(String name, JsonValue v) {
    return new Fields(v, this, name, NO_ITEM);
  }

  /** An object read by {@code read}, or null where the field is null. */
  public <T> T orNull(String name, Function<Fields, T> read) {
    JsonValue v = need(name);
    return v.isNull() ? null : read.apply(object(name, v));
  }

  /** As above where the field may also be missing, as in documents of earlier builds. */
  public <T> T orNullIfAny(String name, Function<Fields, T> read) {
    JsonValue v = take(name);
    return v == null || v.isNull() ? null : read.apply(object(name, v));
  }

  /** A number, or null where the field is null. */
  public Double numberOrNull(String name) {
    JsonValue v = need(name);
    return v.isNull() ? null : number(name, v);
  }

  /** One of an enum's words, or null where the field is null. */
  public <E extends Enum<E>> E wordOrNull(String name, E[] all) {
    JsonValue v = need(name);
    return v.isNull() ? null : word(name, v, all);
  }

  public <T> T value(String name, Function<Value, T> read) {
    return read.apply(new Value(need(name), this, name, null));
  }

  public <E extends Enum<E>> E word(String name, E[] all) {
    return word(name, need(name), all);
  }

  private <E extends Enum<E>> E word(String name, JsonValue v, E[] all) {
    String text = text(name, v);
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
      if (!Double.isFinite(d)) throw notFinite(v, path(name) + "[" + i + "]");
      out[i] = d;
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

  public <T> Map<String, T> map(String name, Function<Value, T> read) {
    JsonValue v = need(name);
    if (!v.isObject()) throw bad(path(name), "must be an object");
    Map<String, T> out = new TreeMap<>();
    for (JsonObject.Member m : v.asObject())
      out.put(m.getName(), read.apply(new Value(m.getValue(), this, name, m.getName())));
    return out;
  }

  /** What is wrong with a text, or null: zero characters and halves of characters are not kept. */
  static String faultOfText(JsonValue v) {
    if (!v.isString()) return "must be text";
    String s = v.asString();
    for (int i = 0; i < s.length(); i++) {
      char c = s.charAt(i);
      boolean pair =
          Character.isHighSurrogate(c)
              && i + 1 < s.length()
              && Character.isLowSurrogate(s.charAt(i + 1));
      if (pair) i++;
      else if (c == 0 || Character.isSurrogate(c)) return "holds a character that cannot be kept";
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

  /**
   * Ends the reading of this object: a field nobody asked for, or that stands twice, is refused.
   */
  public <T> T done(T read) {
    for (int i = 0; i < names.length; i++)
      if (!asked[i]) throw bad(path(names[i]), isOnce(i) ? "is not known" : "stands twice");
    return read;
  }

  private boolean isOnce(int i) {
    for (int k = 0; k < names.length; k++) if (k != i && names[k].equals(names[i])) return false;
    return true;
  }
}
