package kite.server.output;

import java.nio.file.Path;

/** The store of a folder, for tests of what keeps files. */
public final class FoldersForTests {
  private FoldersForTests() {}

  public static OutputStore store(Path root) {
    return new FolderStore(root);
  }
}
