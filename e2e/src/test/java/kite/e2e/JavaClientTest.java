package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.StringWriter;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import javax.tools.JavaCompiler;
import javax.tools.StandardJavaFileManager;
import javax.tools.ToolProvider;
import kite.core.document.Piece;
import kite.demo.SaltWind;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openapitools.codegen.DefaultGenerator;
import org.openapitools.codegen.config.CodegenConfigurator;
import tools.jackson.databind.JsonNode;

/**
 * A client for Java is made of the description by a generator that knows nothing of us, compiled,
 * and used.
 */
class JavaClientTest {
  @TempDir Path folder;

  @Test
  void aClientMadeOfTheDescriptionWorks() throws Exception {
    Application application = Application.get();
    String sequence = application.reset(new SaltWind().sw010());
    int pieces = application.stored().all(Piece.class).size();
    Person pim = Person.signedIn(application.address(), "pim", "hold-on-tight");
    String token =
        Person.json(pim.post("api/account/tokens", Map.of("name", "Generated")))
            .get("token")
            .asString();
    HttpResponse<String> description = pim.get("api/openapi.json");
    assertEquals(200, description.statusCode());
    everyAddressHasANameOfItsOwn(Person.json(description));
    Path said = Files.writeString(folder.resolve("openapi.json"), description.body());
    Path client = folder.resolve("client");
    generate(said, client);
    Path classes = Files.createDirectory(folder.resolve("classes"));
    compile(client.resolve("src/main/java"), classes);
    Process use =
        new ProcessBuilder(
                ServerProcess.java(),
                "-cp",
                classes + ":" + System.getProperty("java.class.path"),
                "UseOfTheClient",
                application.address(),
                token,
                sequence)
            .redirectErrorStream(true)
            .start();
    String says = new String(use.getInputStream().readAllBytes());
    assertTrue(use.waitFor(1, TimeUnit.MINUTES));
    assertEquals(0, use.exitValue(), says);
    assertEquals(
        List.of("SW010", "1 changes", "1 watcher", "refused 422"), says.strip().lines().toList());
    assertEquals(pieces + 1, application.stored().all(Piece.class).size());
  }

  private static void everyAddressHasANameOfItsOwn(JsonNode description) {
    Set<String> names = new HashSet<>();
    for (JsonNode path : description.get("paths"))
      for (JsonNode operation : path) {
        String name = operation.get("operationId").asString();
        assertTrue(names.add(name), "Two are called " + name);
      }
    assertTrue(names.size() > 100, "all of them: " + names.size());
  }

  private static void generate(Path description, Path to) {
    CodegenConfigurator c = new CodegenConfigurator();
    c.setInputSpec(description.toString());
    c.setGeneratorName("java");
    c.setLibrary("native");
    c.setOutputDir(to.toString());
    c.setApiPackage("generated.api");
    c.setModelPackage("generated.model");
    c.setInvokerPackage("generated");
    c.addAdditionalProperty("openApiNullable", "false");
    c.addAdditionalProperty("useJakartaEe", "true");
    c.addAdditionalProperty("annotationLibrary", "none");
    DefaultGenerator g = new DefaultGenerator();
    g.setGenerateMetadata(false);
    g.setGeneratorPropertyDefault("apiTests", "false");
    g.setGeneratorPropertyDefault("modelTests", "false");
    g.setGeneratorPropertyDefault("apiDocs", "false");
    g.setGeneratorPropertyDefault("modelDocs", "false");
    g.opts(c.toClientOptInput()).generate();
  }

  private static void compile(Path sources, Path to) throws Exception {
    JavaCompiler compiler = ToolProvider.getSystemJavaCompiler();
    StringWriter says = new StringWriter();
    try (StandardJavaFileManager files = compiler.getStandardFileManager(null, null, null);
        Stream<Path> all = Files.walk(sources)) {
      List<Path> java = all.filter(p -> p.toString().endsWith(".java")).toList();
      Path use = Path.of("src/test/resources/client/UseOfTheClient.java");
      boolean done =
          compiler
              .getTask(
                  says,
                  files,
                  null,
                  List.of(
                      "-nowarn",
                      "-proc:none",
                      "-d",
                      to.toString(),
                      "-cp",
                      System.getProperty("java.class.path")),
                  null,
                  files.getJavaFileObjectsFromPaths(
                      Stream.concat(java.stream(), Stream.of(use)).toList()))
              .call();
      assertTrue(done, says::toString);
    }
  }
}
