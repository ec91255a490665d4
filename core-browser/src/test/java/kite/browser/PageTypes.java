package kite.browser;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.lang.reflect.Field;
import java.lang.reflect.Method;
import java.lang.reflect.Modifier;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import kite.bridge.BridgeProcessor;
import kite.core.codec.CommandJson;
import kite.core.command.Command;
import kite.core.curve.Channel;
import kite.core.document.Channels;
import kite.core.document.Entity;
import kite.core.document.Header;
import kite.core.document.OrNull;
import kite.core.document.Sequence;
import kite.core.evaluate.LensRow;
import kite.core.form.Words;
import kite.core.math.Vec3;
import kite.core.motion.MotionEdit;
import kite.core.number.Unit;
import kite.core.rig.PartKind;
import kite.core.rig.PartKinds;
import kite.core.rig.RigPart;
import kite.core.rules.Change;
import org.teavm.jso.typedarrays.Float64Array;

/** Writes the page's TypeScript types from the core's records and the classes that answer. */
final class PageTypes {
  private static final List<String> NEED_OWNER =
      List.of("By", "Bar", "Row", "Answer", "Span", "Handle", "Tool", "Form", "Kind", "Loaded");

  private final Map<String, String> types = new LinkedHashMap<>();
  private final Map<String, Class<?>> named = new HashMap<>();

  private PageTypes() {
    types.put("Vec3", "export type Vec3 = [number, number, number];");
    named.put("Vec3", Vec3.class);
    types.put(
        "SequenceDocument",
        "/** A whole sequence, as it is kept. */\n"
            + "export interface SequenceDocument {\n"
            + "  format: number;\n  header: Header;\n  entities: Entity[];\n}");
    named.put("SequenceDocument", Sequence.class);
  }

  static String generate() {
    PageTypes p = new PageTypes();
    for (Class<?> c :
        List.of(
            Header.class, Entity.class, Command.class, Change.class, Unit.class, MotionEdit.class))
      p.name(c);
    answering().forEach(p::call);
    StringBuilder b =
        new StringBuilder(
            "// Written from the core's records by PageTypes; do not edit. See docs/carrying-on.md.\n\n");
    p.types.values().forEach(t -> b.append(t).append("\n\n"));
    return b.append(lensRow()).append("\n\n").append(exports()).toString();
  }

  private String name(Class<?> c) {
    if (c == Vec3.class) return "Vec3";
    if (c == Sequence.class) return "SequenceDocument";
    String n = simple(c);
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
    } else if (c.isSealed() || c == RigPart.class) {
      String union = leaves(c).map(this::name).collect(Collectors.joining(" | "));
      types.put(n, "export type " + n + " = " + union + ";");
    } else {
      types.put(n, record(c, n));
    }
    return n;
  }

  /** A name that says little by itself goes behind its owner's. */
  private static String simple(Class<?> c) {
    if (c == Channel.Curve.class) return "Curve";
    return NEED_OWNER.contains(c.getSimpleName())
        ? c.getEnclosingClass().getSimpleName() + c.getSimpleName()
        : c.getSimpleName();
  }

  static Stream<Class<?>> leaves(Class<?> c) {
    if (c == RigPart.class) return PartKinds.all().stream().map(PartKind::type);
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
    return c != Channel.Curve.class
        && Arrays.stream(c.getInterfaces()).anyMatch(i -> i.isSealed() || i == RigPart.class);
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
    if (t == Float64Array.class) return "Float64Array";
    if (t == double.class || t == int.class || t == Double.class || t == Integer.class)
      return "number";
    if (t == CommandJson.Said.class) return name(Command.class) + "[]";
    if (t == com.eclipsesource.json.JsonValue.class) return "unknown";
    if (t == Channels.class) return "Record<string, " + name(Channel.class) + ">";
    if (t == double[].class || t == float[].class || t == int[].class) return "number[]";
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

  /** The module's functions as they are exported: text and arrays. */
  private static String exports() {
    return "/** The functions the core's module exports; bridge.ts calls them with types. */\n"
        + "export interface KiteCore {\n"
        + answering().stream()
            .map(
                a ->
                    "  "
                        + a.method().getName()
                        + "("
                        + parameters(a.method(), PageTypes::plain)
                        + "): "
                        + (a.asIs() ? plain(a.method().getReturnType()) : "string")
                        + ";")
            .collect(Collectors.joining("\n"))
        + "\n}\n";
  }

  /** A method that answers, and whether its answer crosses as it is or as JSON. */
  private record Answering(Method method, boolean asIs) {}

  /** The methods that answer, by name, as the processor lists them. */
  private static List<Answering> answering() {
    try (var list = PageTypes.class.getClassLoader().getResourceAsStream(BridgeProcessor.LIST)) {
      return new String(list.readAllBytes(), StandardCharsets.UTF_8)
          .lines()
          .map(l -> l.split(" ", 3))
          .map(l -> new Answering(method(named(l[0]), l[1]), l[2].equals("as it is")))
          .sorted(Comparator.comparing(a -> a.method().getName()))
          .toList();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static Method method(Class<?> of, String name) {
    return Arrays.stream(of.getDeclaredMethods())
        .filter(m -> m.getName().equals(name) && Modifier.isPublic(m.getModifiers()))
        .findFirst()
        .orElseThrow();
  }

  private static Class<?> named(String name) {
    try {
      return Class.forName(name);
    } catch (ClassNotFoundException e) {
      throw new IllegalStateException(e);
    }
  }

  private static String parameters(Method m, Function<Class<?>, String> type) {
    return Arrays.stream(m.getParameters())
        .map(p -> p.getName() + ": " + type.apply(p.getType()))
        .collect(Collectors.joining(", "));
  }

  private static boolean isPlain(Class<?> c) {
    return c.isPrimitive() || c == String.class || c == Float64Array.class;
  }

  private static String plain(Class<?> c) {
    if (c == void.class || c == boolean.class) return c.getSimpleName();
    if (c == double.class || c == int.class) return "number";
    return c == Float64Array.class ? "Float64Array" : "string";
  }

  /** {@code bridge.ts}: every function with its types, answers read and refusals thrown. */
  static String bridge() {
    PageTypes p = new PageTypes();
    String calls = answering().stream().map(p::call).collect(Collectors.joining("\n"));
    String used =
        p.named.keySet().stream()
            .filter(n -> calls.matches("(?s).*\\b" + n + "\\b.*"))
            .sorted()
            .collect(Collectors.joining(",\n  "));
    return "// Written from the classes that answer by PageTypes; do not edit. See docs/carrying-on.md.\n\n"
        + "import { answer } from './answer';\n"
        + "import type {\n  KiteCore,\n  "
        + used
        + ",\n} from './types';\n\n"
        + "/** What the core can be asked, typed; a refusal is thrown. The Java method of the name says more. */\n"
        + "export const bridge = (core: KiteCore) => ({\n"
        + calls
        + "\n});\n\n"
        + "export type Core = ReturnType<typeof bridge>;\n";
  }

  private String call(Answering a) {
    Method m = a.method();
    String given =
        Arrays.stream(m.getParameters())
            .map(
                x ->
                    isPlain(x.getType()) || x.getType().isEnum()
                        ? x.getName()
                        : "JSON.stringify(" + x.getName() + ")")
            .collect(Collectors.joining(", "));
    String taken =
        Arrays.stream(m.getParameters())
            .map(x -> x.getName() + ": " + type(x.getParameterizedType()))
            .collect(Collectors.joining(", "));
    String made = "core." + m.getName() + "(" + given + ")";
    String gives =
        m.getReturnType() == void.class
            ? "void"
            : type(m.getGenericReturnType())
                + (m.isAnnotationPresent(OrNull.class) ? " | null" : "");
    return "  "
        + m.getName()
        + ": ("
        + taken
        + "): "
        + gives
        + " => "
        + (a.asIs() ? made : "answer(" + made + ")")
        + ",";
  }
}
