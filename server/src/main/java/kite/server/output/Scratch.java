package kite.server.output;

import java.io.IOException;
import java.nio.file.Path;
import org.springframework.util.FileSystemUtils;

/**
 * A folder on this machine.
 *
 * @param own whether it goes when it is closed; what is kept in it elsewhere stays
 */
public record Scratch(Path folder, boolean own) implements AutoCloseable {
  /** With less room a file may not be written whole. */
  static final long LEAST_BYTES = 64L << 20;

  public Path file(String name) {
    return folder.resolve(name);
  }

  @Override
  public void close() throws IOException {
    if (own) FileSystemUtils.deleteRecursively(folder);
  }
}
