package kite.bridge;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.element.VariableElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/**
 * The class of exported functions. A function takes numbers, truths, text and arrays as they are,
 * words for enums, and JSON for the rest, which {@code Asked} reads. It gives numbers, truths and
 * text as they are where its method cannot refuse; otherwise JSON, or a refusal.
 */
final class Exports {
  private static final String ARRAY = "org.teavm.jso.typedarrays.Float64Array";

  private final AnswerWriter writer;
  private final Map<String, String> functions = new TreeMap<>();
  private final List<String> list = new ArrayList<>();

  Exports(AnswerWriter writer) {
    this.writer = writer;
  }

  void add(TypeElement owner, ExecutableElement m) {
    String name = m.getSimpleName().toString();
    List<String> taken = new ArrayList<>(), given = new ArrayList<>();
    boolean reads = false;
    for (VariableElement p : m.getParameters()) {
      String as = p.getSimpleName().toString();
      boolean plain = isPlain(p.asType());
      taken.add((plain ? p.asType().toString() : "String") + " " + as);
      given.add(plain ? as : read(p.asType(), as));
      reads |= !plain && !isWord(p.asType());
    }
    String call = owner.getQualifiedName() + "." + name + "(" + String.join(", ", given) + ")";
    TypeMirror result = m.getReturnType();
    boolean nothing = result.getKind() == TypeKind.VOID;
    boolean asIs = !reads && m.getThrownTypes().isEmpty() && (nothing || isPlain(result));
    String body =
        asIs
            ? (nothing ? "" : "return ") + call + ";"
            : nothing
                ? "return Asked.of(() -> { " + call + "; return Json.NULL; });"
                : "return Asked.of(() -> " + writer.json(result, call, writer.orNull(m)) + ");";
    String old =
        functions.put(
            name,
            "  @JSExport\n  public static "
                + (asIs ? result.toString() : "String")
                + " "
                + name
                + "("
                + String.join(", ", taken)
                + ") {\n    "
                + body
                + "\n  }\n");
    list.add(owner.getQualifiedName() + " " + name + " " + (asIs ? "as it is" : "as JSON"));
    if (old != null)
      throw new IllegalArgumentException(
          "Another method answers as “" + name + "”: in the page a name stands for one function.");
  }

  private static boolean isPlain(TypeMirror t) {
    return t.getKind().isPrimitive()
        || t.toString().equals("java.lang.String")
        || t.toString().equals(ARRAY);
  }

  private static boolean isWord(TypeMirror t) {
    return t instanceof DeclaredType d && BridgeProcessor.isEnum(d.asElement());
  }

  private String read(TypeMirror t, String text) {
    if (isWord(t)) return "Words.find(" + text + ", " + t + ".values())";
    return writer.reader(t) + "(" + text + ")";
  }

  /** Every function: its class, its name, and whether its answer crosses as it is or as JSON. */
  List<String> list() {
    return list;
  }

  String source() {
    return "package "
        + BridgeProcessor.PACKAGE
        + ";\n\n"
        + "import com.eclipsesource.json.Json;\n"
        + "import kite.core.form.Words;\n"
        + "import org.teavm.jso.JSExport;\n\n"
        + "/** The functions of the page's core; written by BridgeProcessor from the classes that"
        + " answer. */\n"
        + "public final class KiteCore {\n  private KiteCore() {}\n\n"
        + "  public static void main(String[] args) {}\n\n"
        + functions.values().stream().collect(Collectors.joining("\n"))
        + "}\n";
  }
}
