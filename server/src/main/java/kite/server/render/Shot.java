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

  static String write(List<Shot> shots) {
    return Json.MAPPER.writeValueAsString(shots);
  }

  static List<Shot> read(String json) {
    return Json.MAPPER.readValue(json, new TypeReference<>() {});
  }
}
