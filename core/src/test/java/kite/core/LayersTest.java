package kite.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertThrows;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.JavaCall;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.syntax.ArchRuleDefinition;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import kite.core.kind.Kind;
import kite.core.rig.PartKind;
import kite.core.rig.PartKinds;
import kite.core.rig.RigPart;
import org.junit.jupiter.api.Test;

/** The core is a house of layers: each uses only those below it. */
class LayersTest {
  /** From the ground up. Packages of one layer do not use one another, unless they stand as one. */
  private static final List<List<String>> LAYERS =
      List.of(
          List.of("math"),
          List.of("curve", "cue", "path", "optics", "number", "model"),
          List.of("document+rig"), // with the parts of the kinds of rig parts, see below
          List.of("cut", "rules", "shape"),
          List.of("form", "naming"),
          List.of("delta"),
          List.of("evaluate"),
          List.of("command"),
          List.of("motion", "frame", "drawing", "bake", "cueing", "cutting", "begin", "sets"),
          List.of("kind"),
          List.of("readyrig", "report", "light"),
          List.of("check"),
          List.of("codec"));

  /**
   * Packages of the JDK that also exist in the browser; of {@code java.lang} those that do not are
   * named below.
   */
  private static final String[] IN_THE_BROWSER = {
    "java.lang",
    "java.lang.annotation",
    "java.lang.invoke", // what lambdas and the methods of records are made of; compiled away
    "java.lang.runtime",
    "java.util",
    "java.util.function",
    "java.util.regex",
    "java.util.stream",
    "com.eclipsesource.json"
  };

  private static final Set<String> NOT_IN_THE_BROWSER =
      Set.of("java.lang.Thread", "java.lang.Process", "java.lang.Runtime", "java.lang.ThreadLocal");

  /**
   * A kind of rig part is one folder: the part as it stands in a document is of the layer of
   * documents, all else of it, its step and its words, stands above {@code kind}.
   */
  private static final String KINDS = "kite.core.rig.";

  private static final JavaClasses CORE =
      new ClassFileImporter()
          .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
          .importPackages("kite.core");

  @Test
  void eachLayerUsesOnlyThoseBelow() {
    List<String> below = new ArrayList<>();
    for (List<String> layer : LAYERS) {
      for (String together : layer) {
        List<String> own = packages(together);
        List<String> may = new ArrayList<>(below);
        may.addAll(own);
        for (String p : own) usesOnly(p, may);
      }
      for (String together : layer) below.addAll(packages(together));
    }
  }

  /** Sums, products and roots are the same on every machine; these are not. */
  private static final Set<String> NOT_THE_SAME_EVERYWHERE =
      Set.of(
          "sin",
          "cos",
          "tan",
          "asin",
          "acos",
          "atan",
          "atan2",
          "sinh",
          "cosh",
          "tanh",
          "exp",
          "expm1",
          "log",
          "log10",
          "log1p",
          "pow",
          "cbrt",
          "hypot",
          "toRadians",
          "toDegrees",
          "IEEEremainder",
          "fma");

  @Test
  void numbersAreTheSameToTheLastDigitInThePageAndOnTheServer() {
    DescribedPredicate<JavaCall<?>> platforms =
        DescribedPredicate.describe(
            "a function whose last digit the platform chooses; kite.core.math has it",
            c ->
                Set.of("java.lang.Math", "java.lang.StrictMath")
                        .contains(c.getTargetOwner().getName())
                    && NOT_THE_SAME_EVERYWHERE.contains(c.getName()));
    noClasses().should().callCodeUnitWhere(platforms).check(CORE);
  }

  @Test
  void ofAKindOnlyThePartItselfIsUsedBelow() {
    Set<String> kinds = new TreeSet<>();
    for (JavaClass c : CORE)
      if (c.getPackageName().startsWith(KINDS)) kinds.add(c.getPackageName());
    assertEquals(PartKinds.all().size(), kinds.size(), "a folder each: " + kinds);
    ArchRuleDefinition.noClasses()
        .that(describe("are of no kind", c -> !c.getPackageName().startsWith(KINDS)))
        .should()
        .dependOnClassesThat(
            describe(
                "are more of a kind than its part",
                c -> c.getPackageName().startsWith(KINDS) && !isPart(c)))
        .check(CORE);
    for (String kind : kinds)
      ArchRuleDefinition.noClasses()
          .that(describe("are parts", c -> c.getPackageName().equals(kind) && isPart(c)))
          .should()
          .dependOnClassesThat(
              describe(
                  "lie above documents",
                  c ->
                      c.getPackageName().startsWith("kite.core.")
                          && !isPart(c)
                          && !packagesBelow("rig").contains(c.getPackageName())))
          .check(CORE);
    for (PartKind<?> k : PartKinds.all()) assertInstanceOf(Kind.class, k);
  }

  /** Whether a class is a part as it stands in a document, or stands within one. */
  private static boolean isPart(JavaClass of) {
    JavaClass c = of.getBaseComponentType();
    return c.isAssignableTo(RigPart.class) && c.getPackageName().startsWith(KINDS)
        || c.getEnclosingClass().map(LayersTest::isPart).orElse(false);
  }

  /** The packages of the layer that has a package, and of those below it. */
  private static Set<String> packagesBelow(String last) {
    Set<String> all = new TreeSet<>();
    for (List<String> layer : LAYERS) {
      layer.forEach(together -> all.addAll(packages(together)));
      if (all.contains("kite.core." + last)) break;
    }
    return all;
  }

  private static DescribedPredicate<JavaClass> describe(String what, Predicate<JavaClass> is) {
    return DescribedPredicate.describe(what, is);
  }

  @Test
  void everyPackageHasItsPlace() {
    Set<String> placed = new TreeSet<>();
    LAYERS.forEach(l -> l.forEach(t -> placed.addAll(packages(t))));
    Set<String> there =
        CORE.stream()
            .map(JavaClass::getPackageName)
            .filter(p -> !p.equals("kite.core") && !p.startsWith(KINDS))
            .collect(Collectors.toCollection(TreeSet::new));
    assertEquals(placed, there);
  }

  @Test
  void nothingIsUsedThatTheBrowserHasNot() {
    ArchRuleDefinition.classes()
        .should()
        .onlyDependOnClassesThat(
            DescribedPredicate.describe(
                "also exist in the browser",
                c ->
                    c.getPackageName().startsWith("kite.core")
                        || c.isPrimitive()
                        || c.isArray()
                        || List.of(IN_THE_BROWSER).contains(c.getPackageName())
                            && !NOT_IN_THE_BROWSER.contains(c.getName())))
        .check(CORE);
  }

  @Test
  void aUseOfWhatLiesAboveIsFound() {
    assertThrows(
        AssertionError.class, () -> usesOnly("kite.core.rules", List.of("kite.core.math")));
  }

  private void usesOnly(String p, List<String> may) {
    ArchRuleDefinition.noClasses()
        .that()
        .resideInAPackage(p)
        .should()
        .dependOnClassesThat(
            DescribedPredicate.describe(
                "lie above " + p,
                c ->
                    c.getPackageName().startsWith("kite.core.")
                        && !may.contains(c.getPackageName())
                        && !(isPart(c) && may.contains("kite.core.rig"))))
        .check(CORE);
  }

  private static List<String> packages(String together) {
    List<String> all = new ArrayList<>();
    for (String p : together.split("\\+")) all.add("kite.core." + p);
    return all;
  }
}
