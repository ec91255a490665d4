package kite.core.form;

import com.eclipsesource.json.Json;
import com.eclipsesource.json.JsonArray;
import com.eclipsesource.json.JsonObject;
import com.eclipsesource.json.JsonValue;
import java.util.Collection;
import java.util.function.Function;
import kite.core.math.Vec3;

/** One JSON object being written, field by field. */
public final class Out {
  public final JsonObject json = new JsonObject();

  public static Out kind(String kind) {
    return new Out().put("kind", kind);
  }

  public Out put(String name, String v) {
    json.add(name, v == null ? Json.NULL : Json.value(v));
    return this;
  }

  public Out put(String name, double v) {
    json.add(name, number(v));
    return this;
  }

  /** Whole numbers are written without a fraction; all others so that they read back exactly. */
  public static JsonValue number(double v) {
    return v == Math.rint(v) && Math.abs(v) < 1e15 ? Json.value((long) v) : Json.value(v);
  }

  public Out put(String name, boolean v) {
    json.add(name, Json.value(v));
    return this;
  }

  public Out put(String name, JsonValue v) {
    json.add(name, v);
    return this;
  }

  /** An enum's word; null is written as null. */
  public Out put(String name, Enum<?> v) {
    return v == null ? put(name, Json.NULL) : put(name, Words.of(v));
  }

  /** Whatever {@code write} makes of a value; null is written as null. */
  public <T> Out putOrNull(String name, T v, Function<T, JsonValue> write) {
    return put(name, v == null ? Json.NULL : write.apply(v));
  }

  public Out put(String name, Vec3 v) {
    return put(name, numbers(new double[] {v.x(), v.y(), v.z()}));
  }

  public static JsonArray numbers(double[] all) {
    JsonArray a = new JsonArray();
    for (double d : all) a.add(number(d));
    return a;
  }

  public <T> Out put(String name, Collection<T> all, Function<T, JsonValue> write) {
    JsonArray a = new JsonArray();
    for (T t : all) a.add(write.apply(t));
    return put(name, a);
  }

  public Out texts(String name, Collection<String> all) {
    return put(name, all, Json::value);
  }
}
