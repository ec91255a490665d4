package kite.server.output;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.core.io.Resource;

/**
 * Files of jobs, each under its job and a name. Every server and worker on a database has the same
 * one. A file that is there is whole.
 */
public interface OutputStore {
  /** What a store is called among the things that the application leans on. */
  String name();

  /**
   * Keeps a file; one that was there under its name is replaced at once.
   *
   * @param file on this machine, in a place of {@link #scratch}; it is gone afterwards
   */
  void put(UUID job, String name, Path file) throws IOException;

  /** A file to be read, or null when there is none. */
  Resource get(UUID job, String name) throws IOException;

  /** What a job has. */
  Set<String> names(UUID job) throws IOException;

  /** Takes a file away, if it is there. */
  void remove(UUID job, String name) throws IOException;

  /** Takes all away that a job has. */
  void removeAll(UUID job) throws IOException;

  /** A folder on this machine for what is being made, which is gone when it is closed. */
  Scratch scratch() throws IOException;

  /**
   * Why a file could not be written in a {@link #scratch}: {@link OutputTrouble} where no other
   * could be either, else what is given.
   */
  IOException why(IOException e);

  /**
   * Files of a job in a folder on this machine, for programs that read files.
   *
   * @throws IOException when one of them is missing
   */
  Scratch bring(UUID job, List<String> names) throws IOException;

  /**
   * Looks whether files can be kept.
   *
   * @return how much room there is, or where it is, in a few words
   * @throws OutputTrouble when they cannot
   */
  String look() throws IOException;
}
