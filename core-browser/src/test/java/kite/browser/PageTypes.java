package kite.browser;

import java.lang.reflect.Field;
import java.lang.reflect.Method;
import java.lang.reflect.Modifier;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import kite.core.command.Command;
import kite.core.curve.Channel;
import kite.core.document.Channels;
import kite.core.document.Entity;
import kite.core.document.Header;
import kite.core.document.OrNull;
import kite.core.evaluate.LensRow;
import kite.core.form.Words;
import kite.core.math.Vec3;
import kite.core.motion.MotionEdit;
import kite.core.number.Unit;
import kite.core.rules.Change;
import org.teavm.jso.JSExport;

/** Writes the page's TypeScript types from the core's records and the bridge's functions. */
final class PageTypes {
  private final Map<String, String> types = new LinkedHashMap<>();
  private final Map<String, Class<?>> named = new HashMap<>();

  static String generate() {
    PageTypes p = new PageTypes();
    p.types.put("Vec3", "export type Vec3 = [number, number, number];");
    for (Class<?> c :
        List.of(
            Header.class, Entity.class, Command.class, Change.class, Unit.class, MotionEdit.class))
      p.name(c);
    StringBuilder b =
        new StringBuilder(
            "// Written from the core's records by PageTypes; do not edit. See docs/carrying-on.md.\n\n");
    p.types.values().forEach(t -> b.append(t).append("\n\n"));
    return b.append(lensRow()).append("\n\n").append(bridge()).toString();
  }

  private String name(Class<?> c) {
    if (c == Vec3.class) return "Vec3";
    String n = c == Channel.Curve.class ? "Curve" : c.getSimpleName();
    if (c == Channel.class) {
      if (types.putIfAbsent("Channel", "export type Channel = number | Curve;") == null)
        name(Channel.Curve.class);
      return "Channel";
    }
    Class<?> other = named.putIfAbsent(n, c);
    if (other != null && other != c)
      throw new IllegalStateException(c + " and " + other + " would share a name in the page");
    if (types.containsKey(n)) return n;
    types.put(n, "");
    if (c.isEnum()) {
      types.put(
          n,
          "export type "
              + n
              + " = "
              + Arrays.stream(c.getEnumConstants())
                  .map(e -> "'" + Words.of((Enum<?>) e) + "'")
                  .collect(Collectors.joining(" | "))
              + ";");
    } else if (c.isSealed()) {
      String union = leaves(c).map(this::name).collect(Collectors.joining(" | "));
      types.put(n, "export type " + n + " = " + union + ";");
    } else {
      types.put(n, record(c, n));
    }
    return n;
  }

  static Stream<Class<?>> leaves(Class<?> c) {
    return c.isSealed()
        ? Arrays.stream(c.getPermittedSubclasses()).flatMap(PageTypes::leaves)
        : Stream.of(c);
  }

  private String record(Class<?> c, String n) {
    List<String> fields = new ArrayList<>();
    if (saysKind(c)) fields.add("  kind: '" + kindOf(c) + "';");
    for (RecordComponent r : c.getRecordComponents()) {
      String orNull = r.isAnnotationPresent(OrNull.class) ? " | null" : "";
      fields.add("  " + r.getName() + ": " + type(r.getGenericType()) + orNull + ";");
    }
    return "export interface " + n + " {\n" + String.join("\n", fields) + "\n}";
  }

  static boolean saysKind(Class<?> c) {
    return c != Channel.Curve.class && Arrays.stream(c.getInterfaces()).anyMatch(Class::isSealed);
  }

  static String kindOf(Class<?> c) {
    try {
      return (String) c.getField("KIND").get(null);
    } catch (ReflectiveOperationException e) {
      throw new IllegalStateException(c + " does not say its kind", e);
    }
  }

  private String type(Type t) {
    if (t == String.class) return "string";
    if (t == boolean.class) return "boolean";
    if (t == double.class || t == int.class || t == Double.class) return "number";
    if (t == com.eclipsesource.json.JsonValue.class) return "unknown";
    if (t == Channels.class) return "Record<string, " + name(Channel.class) + ">";
    if (t instanceof ParameterizedType p) {
      Type[] a = p.getActualTypeArguments();
      return p.getRawType() == List.class
          ? type(a[0]) + "[]"
          : "Record<string, " + type(a[1]) + ">";
    }
    return name((Class<?>) t);
  }

  /** Where each number of a camera stands in what {@link KiteCore#evaluate} gives. */
  private static String lensRow() {
    List<String> places = new ArrayList<>();
    for (Field f : LensRow.class.getFields()) {
      try {
        places.add("  " + f.getName() + ": " + f.getInt(null) + ",");
      } catch (IllegalAccessException e) {
        throw new IllegalStateException(e);
      }
    }
    return "/** Where each number of a camera stands in its row; LensRow.java says what each is. */\n"
        + "export const LensRow = {\n"
        + String.join("\n", places)
        + "\n} as const;";
  }

  private static String bridge() {
    String functions =
        Arrays.stream(KiteCore.class.getDeclaredMethods())
            .filter(
                m -> m.isAnnotationPresent(JSExport.class) && Modifier.isStatic(m.getModifiers()))
            .sorted(Comparator.comparing(Method::getName))
            .map(PageTypes::function)
            .collect(Collectors.joining("\n"));
    return "/** The functions the core exports; KiteCore.java says what each gives. */\nexport interface KiteCore {\n"
        + functions
        + "\n}\n";
  }

  private static String function(Method m) {
    String args =
        Arrays.stream(m.getParameters())
            .map(p -> p.getName() + ": " + plain(p.getType()))
            .collect(Collectors.joining(", "));
    return "  " + m.getName() + "(" + args + "): " + plain(m.getReturnType()) + ";";
  }

  private static String plain(Class<?> c) {
    return switch (c.getSimpleName()) {
      case "String" -> "string";
      case "double", "int" -> "number";
      case "boolean" -> "boolean";
      default -> c.getSimpleName();
    };
  }
}
