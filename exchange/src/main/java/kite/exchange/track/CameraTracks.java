package kite.exchange.track;

import java.util.List;
import java.util.Locale;
import kite.core.bake.CameraTrack;
import kite.exchange.BadFile;
import kite.exchange.Budget;
import kite.exchange.Names;
import kite.exchange.gltf.GltfCameras;

/** Reads the cameras of a file with their motion, whatever kind of file it is. */
public final class CameraTracks {
  public static final int LARGEST_FILE = 64 << 20;

  /** Of all cameras of a file together: more than two hours. */
  static final int MOST_FRAMES = 200_000;

  private CameraTracks() {}

  /**
   * @param fps frames a second of the sequence it comes into, for files that count seconds
   * @throws BadFile with one sentence saying what is wrong and what to do
   */
  public static List<CameraTrack> read(String name, byte[] bytes, double fps, Budget budget)
      throws BadFile {
    if (bytes.length > LARGEST_FILE)
      throw new BadFile("The file has more than 64 MB; camera tracks are far smaller.");
    String ending = name.substring(name.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
    String plain = name.contains(".") ? name.substring(0, name.lastIndexOf('.')) : name;
    List<CameraTrack> found =
        switch (ending) {
          case "usda", "usdz", "usd" -> UsdTracks.read(name, bytes, fps, budget);
          case "glb", "gltf" -> GltfCameras.read(bytes, fps, MOST_FRAMES, budget);
          case "csv", "tsv", "txt" -> List.of(TableTrack.read(bytes, Names.clean(plain), budget));
          default ->
              throw new BadFile(
                  "Camera tracks are read from .usda, .usdz, .glb, .gltf and .csv; this is a ."
                      + Names.shown(ending)
                      + " file.");
        };
    if (found.isEmpty()) throw new BadFile("There is no camera in " + Names.shown(name) + ".");
    return found;
  }
}
