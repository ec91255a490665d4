package kite.server.output;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.util.FileSystemUtils;

/**
 * A folder that every server and worker reaches, on this machine or mounted. It is made when the
 * application starts and not again: a folder that goes meanwhile is one that was unmounted.
 */
final class FolderStore implements OutputStore {
  private static final Logger LOG = LoggerFactory.getLogger(FolderStore.class);

  /** Less room than this is said to be little. */
  private static final long LITTLE_BYTES = 5L << 30;

  private static final long GB = 1_000_000_000;

  /** Below the folder itself, so that a finished file is moved and not copied. */
  private static final String BEING_MADE = ".being-made";

  private final Path root;

  FolderStore(Path root) {
    this.root = root.toAbsolutePath().normalize();
    try {
      Files.createDirectories(this.root);
    } catch (IOException e) {
      LOG.warn("The output folder {} cannot be made", root, e); // whatever is made then says so too
    }
  }

  @Override
  public String name() {
    return "Folder of renders";
  }

  @Override
  public void put(UUID job, String name, Path file) throws IOException {
    Path folder = root.resolve(job.toString());
    try {
      there();
      Files.createDirectories(folder);
      Files.move(
          file,
          folder.resolve(name),
          StandardCopyOption.ATOMIC_MOVE,
          StandardCopyOption.REPLACE_EXISTING);
    } catch (IOException e) {
      throw why(e);
    }
  }

  @Override
  public Resource get(UUID job, String name) {
    Path file = root.resolve(job.toString()).resolve(name);
    return Files.isRegularFile(file) ? new FileSystemResource(file) : null;
  }

  @Override
  public Set<String> names(UUID job) throws IOException {
    there();
    Path folder = root.resolve(job.toString());
    if (!Files.isDirectory(folder)) return Set.of();
    try (Stream<Path> all = Files.list(folder)) {
      return all.map(f -> f.getFileName().toString()).collect(Collectors.toSet());
    }
  }

  @Override
  public void remove(UUID job, String name) throws IOException {
    Files.deleteIfExists(root.resolve(job.toString()).resolve(name));
  }

  @Override
  public void removeAll(UUID job) throws IOException {
    FileSystemUtils.deleteRecursively(root.resolve(job.toString()));
  }

  @Override
  public Scratch scratch() throws IOException {
    try {
      there();
      Path all = Files.createDirectories(root.resolve(BEING_MADE));
      return new Scratch(Files.createTempDirectory(all, ""), true);
    } catch (IOException e) {
      throw why(e);
    }
  }

  @Override
  public Scratch bring(UUID job, List<String> names) throws IOException {
    Path folder = root.resolve(job.toString());
    for (String n : names)
      if (!Files.isRegularFile(folder.resolve(n)))
        throw new NoSuchFileException(n + " is not in the output folder any more");
    return new Scratch(folder, false);
  }

  @Override
  public String look() throws IOException {
    try (Scratch tried = scratch()) {
      Files.createFile(tried.file("tried"));
    }
    long free = Files.getFileStore(root).getUsableSpace();
    if (free < LITTLE_BYTES)
      throw new OutputTrouble("There is little room in " + root + ": " + free / GB + " GB.", null);
    return root + ", " + free / GB + " GB free";
  }

  private void there() throws OutputTrouble {
    if (!Files.isDirectory(root)) throw gone(null);
  }

  private OutputTrouble gone(IOException e) {
    return new OutputTrouble(
        "The output folder " + root + " is not there any more. Bring it back, then resume.", e);
  }

  @Override
  public IOException why(IOException e) {
    if (e instanceof OutputTrouble) return e;
    if (!Files.isDirectory(root)) return gone(e);
    if (!Files.isWritable(root))
      return new OutputTrouble(
          "The output folder " + root + " cannot be written to. Make it writable, then resume.", e);
    try {
      if (Files.getFileStore(root).getUsableSpace() < Scratch.LEAST_BYTES)
        return new OutputTrouble(
            "The disk with the output folder is full. Make room on it, then resume.", e);
    } catch (IOException unknown) {
      e.addSuppressed(unknown);
    }
    return e;
  }
}
