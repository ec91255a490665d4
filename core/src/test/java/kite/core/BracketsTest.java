package kite.core;

import static org.junit.jupiter.api.Assertions.assertEquals;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.tree.CompoundAssignmentTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.ParenthesizedTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.JavacTask;
import com.sun.source.util.TreeScanner;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import javax.tools.JavaCompiler;
import javax.tools.StandardJavaFileManager;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.Test;

/**
 * The core as JavaScript, in which recipes run on the server, has a·(b·c) as a·b·c and a + (b + c)
 * as a + b + c: TeaVM leaves such brackets out, and the last digit is another. What is in them
 * stands in front here, where it needs none; a number that is used once counts as if it stood where
 * it is used.
 */
class BracketsTest {
  private static final Set<Tree.Kind> PRODUCTS =
      Set.of(Tree.Kind.MULTIPLY, Tree.Kind.DIVIDE, Tree.Kind.REMAINDER);
  private static final Set<Tree.Kind> TIMES =
      Set.of(Tree.Kind.MULTIPLY, Tree.Kind.MULTIPLY_ASSIGNMENT);
  private static final Set<Tree.Kind> SUMS = Set.of(Tree.Kind.PLUS, Tree.Kind.MINUS);
  private static final Set<Tree.Kind> PLUS = Set.of(Tree.Kind.PLUS, Tree.Kind.PLUS_ASSIGNMENT);

  /** Whole numbers, and constants that are worked out before: nothing is lost in them. */
  private static final List<String> EXACT =
      List.of("square * (5 / 56.0)", "(end - f) * (i % BETWEEN)", "skip", "2 * left");

  @Test
  void nothingStandsInBracketsThatWouldBeLost() throws Exception {
    JavaCompiler compiler = ToolProvider.getSystemJavaCompiler();
    List<Path> files;
    try (Stream<Path> all = Files.walk(Path.of("src/main/java"))) {
      files = all.filter(p -> p.toString().endsWith(".java")).toList();
    }
    List<String> found = new ArrayList<>();
    try (StandardJavaFileManager sources = compiler.getStandardFileManager(null, null, null)) {
      JavacTask task =
          (JavacTask)
              compiler.getTask(
                  null,
                  sources,
                  null,
                  List.of("-proc:none"),
                  null,
                  sources.getJavaFileObjectsFromPaths(files));
      for (CompilationUnitTree unit : task.parse()) new Brackets(unit, found).scan(unit, null);
    }
    found.removeIf(f -> EXACT.stream().anyMatch(f::contains));
    assertEquals(List.of(), found);
  }

  private static final class Brackets extends TreeScanner<Void, Void> {
    private final CompilationUnitTree unit;
    private final List<String> found;
    private Map<String, Tree> values = new HashMap<>();
    private Map<String, Integer> uses = new HashMap<>();
    private Map<String, List<Tree>> behind = new HashMap<>();

    Brackets(CompilationUnitTree unit, List<String> found) {
      this.unit = unit;
      this.found = found;
    }

    @Override
    public Void visitMethod(MethodTree m, Void v) {
      values = new HashMap<>();
      uses = new HashMap<>();
      behind = new HashMap<>();
      super.visitMethod(m, v);
      behind.forEach(
          (name, wholes) -> {
            if (values.containsKey(name) && uses.get(name) == 1)
              for (Tree whole : wholes) look(whole, values.get(name));
          });
      return null;
    }

    @Override
    public Void visitVariable(VariableTree t, Void v) {
      if (t.getInitializer() != null) values.put(t.getName().toString(), t.getInitializer());
      return super.visitVariable(t, v);
    }

    @Override
    public Void visitIdentifier(IdentifierTree t, Void v) {
      uses.merge(t.getName().toString(), 1, Integer::sum);
      return null;
    }

    @Override
    public Void visitBinary(BinaryTree t, Void v) {
      look(t, t.getRightOperand());
      return super.visitBinary(t, v);
    }

    @Override
    public Void visitCompoundAssignment(CompoundAssignmentTree t, Void v) {
      look(t, t.getExpression());
      return super.visitCompoundAssignment(t, v);
    }

    private void look(Tree whole, Tree last) {
      Tree bare = last;
      while (bare instanceof ParenthesizedTree p) bare = p.getExpression();
      Tree.Kind kind = whole.getKind();
      if (bare instanceof IdentifierTree i && (TIMES.contains(kind) || PLUS.contains(kind)))
        behind.computeIfAbsent(i.getName().toString(), k -> new ArrayList<>()).add(whole);
      boolean lost =
          TIMES.contains(kind) && PRODUCTS.contains(bare.getKind())
              || PLUS.contains(kind) && SUMS.contains(bare.getKind());
      boolean words = whole.toString().contains("\"") || bare.toString().contains("\"");
      if (lost && !words) found.add(unit.getSourceFile().getName() + ": " + whole);
    }
  }
}
