package kite.exchange.usd;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import kite.exchange.BadFile;
import kite.exchange.Budget;
import kite.exchange.Names;

/** The files of a .usdz package by their paths, in their order; the first is the root layer. */
final class UsdzFile {
  private static final int MOST_FILES = 5000;

  private UsdzFile() {}

  static boolean isOne(byte[] bytes) {
    return bytes.length > 3 && bytes[0] == 'P' && bytes[1] == 'K' && bytes[2] == 3 && bytes[3] == 4;
  }

  static Map<String, byte[]> read(byte[] bytes, Budget budget) throws BadFile {
    Map<String, byte[]> all = new LinkedHashMap<>();
    try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(bytes))) {
      for (ZipEntry e = zip.getNextEntry(); e != null; e = zip.getNextEntry()) {
        if (e.isDirectory()) continue;
        if (all.size() == MOST_FILES)
          throw new BadFile("The .usdz file holds more than " + MOST_FILES + " files.");
        String path = UsdStage.within("", e.getName());
        if (path == null)
          throw new BadFile(
              "The .usdz file holds “"
                  + Names.shown(e.getName())
                  + "”, which leads out of it. Write it anew.");
        all.put(path, held(zip, budget));
      }
    } catch (IOException | IllegalArgumentException e) {
      throw new BadFile("The .usdz file cannot be opened: it is damaged or cut short.");
    }
    if (all.isEmpty()) throw new BadFile("The .usdz file is empty.");
    return all;
  }

  private static byte[] held(ZipInputStream zip, Budget budget) throws BadFile, IOException {
    ByteArrayOutputStream held = new ByteArrayOutputStream();
    byte[] some = new byte[1 << 16];
    for (int n = zip.read(some); n >= 0; n = zip.read(some)) {
      budget.take(n, "What the .usdz file holds");
      budget.look();
      held.write(some, 0, n);
    }
    return held.toByteArray();
  }
}
