package kite.bridge;

import java.io.IOException;
import java.io.Writer;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import javax.annotation.processing.AbstractProcessor;
import javax.annotation.processing.RoundEnvironment;
import javax.annotation.processing.SupportedAnnotationTypes;
import javax.lang.model.SourceVersion;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.util.ElementFilter;
import javax.tools.Diagnostic;
import javax.tools.JavaFileObject;
import javax.tools.StandardLocation;

/** Finds the classes that answer and has the exported class, the writer and their list written. */
@SupportedAnnotationTypes("kite.bridge.Answers")
public final class BridgeProcessor extends AbstractProcessor {
  /**
   * Where the list of all functions stands for who writes bridge.ts, one a line: the class, the
   * name, and whether the answer crosses "as it is" or "as JSON".
   */
  public static final String LIST = "META-INF/kite/answering";

  static final String PACKAGE = "kite.browser";

  @Override
  public SourceVersion getSupportedSourceVersion() {
    return SourceVersion.latestSupported();
  }

  @Override
  public boolean process(Set<? extends TypeElement> annotations, RoundEnvironment round) {
    List<TypeElement> classes =
        ElementFilter.typesIn(round.getElementsAnnotatedWith(Answers.class)).stream()
            .sorted(Comparator.comparing(c -> c.getQualifiedName().toString()))
            .collect(Collectors.toList());
    if (classes.isEmpty()) return false;
    AnswerWriter writer = new AnswerWriter(processingEnv);
    Exports exports = new Exports(writer);
    for (TypeElement c : classes)
      for (ExecutableElement m : ElementFilter.methodsIn(c.getEnclosedElements()))
        if (m.getModifiers().containsAll(Set.of(Modifier.PUBLIC, Modifier.STATIC)))
          refusing(m, () -> exports.add(c, m));
    write("KiteCore", exports.source(), classes);
    write("AnswerJson", writer.source(), classes);
    list(exports.list());
    return true;
  }

  /** What cannot cross the bridge is an error at the method that asks for it. */
  private void refusing(ExecutableElement m, Runnable work) {
    try {
      work.run();
    } catch (IllegalArgumentException e) {
      processingEnv.getMessager().printMessage(Diagnostic.Kind.ERROR, e.getMessage(), m);
    }
  }

  private void write(String name, String source, List<TypeElement> from) {
    try {
      JavaFileObject file =
          processingEnv
              .getFiler()
              .createSourceFile(PACKAGE + "." + name, from.toArray(new Element[0]));
      try (Writer w = file.openWriter()) {
        w.write(source);
      }
    } catch (IOException e) {
      processingEnv
          .getMessager()
          .printMessage(Diagnostic.Kind.ERROR, name + " could not be written: " + e);
    }
  }

  private void list(List<String> functions) {
    try (Writer w =
        processingEnv
            .getFiler()
            .createResource(StandardLocation.CLASS_OUTPUT, "", LIST)
            .openWriter()) {
      for (String f : functions) w.write(f + "\n");
    } catch (IOException e) {
      processingEnv
          .getMessager()
          .printMessage(Diagnostic.Kind.ERROR, LIST + " could not be written: " + e);
    }
  }

  static boolean isEnum(Element e) {
    return e != null && e.getKind() == ElementKind.ENUM;
  }
}
