package kite.browser;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;

class PageTypesTest {
  private static final Path PAGE = Path.of("../web/src/core");

  /** Run with -Dtypes.write to renew the files after a record or an answer has changed. */
  @Test
  void thePageHasTheTypesOfTheCore() throws Exception {
    said("types.ts", PageTypes.generate());
    said("bridge.ts", PageTypes.bridge());
  }

  private static void said(String name, String now) throws IOException {
    Path file = PAGE.resolve(name);
    if (System.getProperty("types.write") != null) {
      Files.createDirectories(PAGE);
      Files.writeString(file, now);
    }
    assertEquals(
        now, Files.readString(file), name + " is not what the core says; run ./kite types");
  }
}
