package kite.exchange;

import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import kite.exchange.gltf.GlbReader;

/**
 * Files that came together and name one another. They are found by their names without folders;
 * nothing else is ever opened.
 *
 * @param main the file that names the others
 * @param byName the others, by {@link Names#file}
 */
public record Together(byte[] main, Map<String, byte[]> byName) {

  /**
   * @param ending of the main file, as {@code .obj}
   */
  public static Together of(Map<String, byte[]> files, String ending) throws BadFile {
    Map<String, byte[]> byName = new HashMap<>();
    byte[] main = null;
    long size = 0;
    for (Map.Entry<String, byte[]> f : files.entrySet()) {
      byName.put(Names.file(f.getKey()), f.getValue());
      if (f.getKey().toLowerCase(Locale.ROOT).endsWith(ending)) main = f.getValue();
      size += f.getValue().length;
    }
    if (main == null) throw new BadFile("There is no " + ending + " file among these.");
    if (size > GlbReader.LARGEST_FILE)
      throw new BadFile("These files have more than 200 MB together. Bring a lighter version.");
    return new Together(main, byName);
  }

  /** A file by the name another calls it, or null. */
  public byte[] named(String name) {
    return byName.get(Names.file(name));
  }
}
