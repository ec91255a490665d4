package kite.browser;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.lang.reflect.Method;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.teavm.jso.JSExport;

class PageTypesTest {
  private static final Path FILE = Path.of("../web/src/core/types.ts");

  /** Run with -Dtypes.write to renew the file after a record has changed. */
  @Test
  void thePageHasTheTypesOfTheCore() throws Exception {
    String now = PageTypes.generate();
    if (System.getProperty("types.write") != null) {
      Files.createDirectories(FILE.getParent());
      Files.writeString(FILE, now);
    }
    assertEquals(
        now,
        Files.readString(FILE),
        "web/src/core/types.ts is not what the core says; run ./kite types");
  }

  /** In the page a name stands for one function: the second of that name would hide the first. */
  @Test
  void everyExportHasANameOfItsOwn() {
    List<String> names =
        Arrays.stream(KiteCore.class.getDeclaredMethods())
            .filter(m -> m.isAnnotationPresent(JSExport.class))
            .map(Method::getName)
            .toList();
    List<String> twice =
        names.stream().filter(n -> Collections.frequency(names, n) > 1).distinct().toList();
    assertEquals(List.of(), twice);
  }
}
