package kite.server.render;

import java.util.List;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/**
 * A run of frames through one camera.
 *
 * @param camera null for a gap, which becomes black
 * @param last included
 */
record Shot(String camera, int first, int last) {
  private static final JsonMapper JSON = JsonMapper.builder().build();

  int frames() {
    return last - first + 1;
  }

  static String write(List<Shot> shots) {
    return JSON.writeValueAsString(shots);
  }

  static List<Shot> read(String json) {
    return JSON.readValue(json, new TypeReference<>() {});
  }
}
