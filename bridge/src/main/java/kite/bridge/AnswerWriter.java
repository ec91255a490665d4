package kite.bridge;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.stream.Collectors;
import javax.annotation.processing.ProcessingEnvironment;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.RecordComponentElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.ElementFilter;

/**
 * The writer of answers: a method a record, which puts its components under their names. What the
 * document's own codec writes is left to it, as {@code Asked} says.
 */
final class AnswerWriter {
  private static final String ASKED = BridgeProcessor.PACKAGE + ".Asked";
  private static final String OR_NULL = "kite.core.document.OrNull";

  private final ProcessingEnvironment env;
  private final Map<String, String> written = new LinkedHashMap<>();
  private final Deque<TypeElement> waiting = new ArrayDeque<>();

  AnswerWriter(ProcessingEnvironment env) {
    this.env = env;
  }

  /** The method of {@code Asked} that reads a type from JSON. */
  String reader(TypeMirror t) {
    for (ExecutableElement m : asked())
      if (m.getParameters().size() == 1
          && m.getParameters().get(0).asType().toString().equals("java.lang.String")
          && env.getTypeUtils().isSameType(m.getReturnType(), t))
        return "Asked." + m.getSimpleName();
    throw new IllegalArgumentException("Asked reads no " + t + ": give it a method that does.");
  }

  /** Whether {@code Asked} has a method of its own that writes a type. */
  private boolean isWrittenByCodec(TypeMirror t) {
    for (ExecutableElement m : asked())
      if (m.getSimpleName().contentEquals("json")
          && m.getParameters().size() == 1
          && env.getTypeUtils().isSameType(m.getParameters().get(0).asType(), t)) return true;
    return false;
  }

  private Iterable<ExecutableElement> asked() {
    return ElementFilter.methodsIn(
        env.getElementUtils().getTypeElement(ASKED).getEnclosedElements());
  }

  static boolean marked(Element e) {
    return e.getAnnotationMirrors().stream()
        .anyMatch(a -> a.getAnnotationType().toString().equals(OR_NULL));
  }

  boolean orNull(ExecutableElement m) {
    return marked(m);
  }

  /** What writes a value of a type. */
  String json(TypeMirror t, String value, boolean orNull) {
    if (t.getKind() == TypeKind.DOUBLE && orNull) return "Asked.finite(" + value + ")";
    if (orNull) return "Asked.orNull(" + value + ", present -> " + json(t, "present", false) + ")";
    if (t.getKind().isPrimitive() || t.toString().equals("java.lang.String"))
      return "Json.value(" + value + ")";
    if (t.getKind() == TypeKind.ARRAY) return "Asked.numbers(" + array((ArrayType) t, value) + ")";
    if (isWrittenByCodec(t)) return "Asked.json(" + value + ")";
    TypeElement e = (TypeElement) ((DeclaredType) t).asElement();
    if (BridgeProcessor.isEnum(e)) return "Json.value(Words.of(" + value + "))";
    if (e.getQualifiedName().contentEquals("java.util.List"))
      return "Asked.list("
          + value
          + ", item -> "
          + json(((DeclaredType) t).getTypeArguments().get(0), "item", false)
          + ")";
    if (e.getQualifiedName().contentEquals("java.lang.Double")) return "Json.value(" + value + ")";
    if (e.getQualifiedName().contentEquals("com.eclipsesource.json.JsonValue")) return value;
    if (e.getKind() != ElementKind.RECORD)
      throw new IllegalArgumentException(
          t + " is no record: nothing says how it is written for the page.");
    if (written.putIfAbsent(e.getQualifiedName().toString(), "") == null) waiting.add(e);
    return "AnswerJson.json(" + value + ")";
  }

  private static String array(ArrayType t, String value) {
    if (!t.getComponentType().getKind().isPrimitive())
      throw new IllegalArgumentException(t + " is no array of numbers; give a list.");
    return value;
  }

  String source() {
    while (!waiting.isEmpty()) {
      TypeElement e = waiting.remove();
      written.put(e.getQualifiedName().toString(), method(e));
    }
    return "package "
        + BridgeProcessor.PACKAGE
        + ";\n\nimport com.eclipsesource.json.Json;\n"
        + "import com.eclipsesource.json.JsonObject;\n"
        + "import com.eclipsesource.json.JsonValue;\n"
        + "import kite.core.form.Words;\n\n"
        + "/** Writes what is answered; written by BridgeProcessor from the records of answers. */\n"
        + "final class AnswerJson {\n  private AnswerJson() {}\n\n"
        + written.values().stream().collect(Collectors.joining("\n"))
        + "}\n";
  }

  private String method(TypeElement e) {
    StringBuilder b =
        new StringBuilder("  static JsonValue json(" + e.getQualifiedName() + " r) {\n");
    b.append("    JsonObject o = new JsonObject();\n");
    for (RecordComponentElement c : e.getRecordComponents()) {
      String value = "r." + c.getSimpleName() + "()";
      b.append("    o.add(\"")
          .append(c.getSimpleName())
          .append("\", ")
          .append(json(c.asType(), value, marked(c)))
          .append(");\n");
    }
    return b.append("    return o;\n  }\n").toString();
  }
}
