package kite.server.render;

import java.util.List;
import kite.exchange.Json;
import tools.jackson.core.type.TypeReference;

/**
 * A run of frames through one camera.
 *
 * @param camera null for a gap, which becomes black
 * @param last included
 * @param code of the shot; null for a frame alone, and in jobs of earlier builds
 */
record Shot(String camera, int first, int last, String code) {
  int frames() {
    return last - first + 1;
  }

  /** A frame of a run. */
  record At(String camera, int frame, String code) {}

  /**
   * @param number of a frame in all runs, from 1
   */
  static At at(List<Shot> shots, int number) {
    int before = 0;
    for (Shot s : shots) {
      if (number <= before + s.frames())
        return new At(s.camera, s.first + number - before - 1, s.code);
      before += s.frames();
    }
    throw new IllegalArgumentException("There is no frame " + number + " in " + before);
  }

  static String write(List<Shot> shots) {
    return Json.MAPPER.writeValueAsString(shots);
  }

  static List<Shot> read(String json) {
    return Json.MAPPER.readValue(json, new TypeReference<>() {});
  }
}
