package kite.browser;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;

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
}
