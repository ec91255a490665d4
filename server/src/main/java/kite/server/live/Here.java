package kite.server.live;

import java.util.UUID;
import kite.exchange.Json;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;

/**
 * Where somebody is in a sequence.
 *
 * @param page of the many that people have open; of one socket
 * @param name of whose page it is
 * @param camera the letter of the camera they look through; "" for none
 * @param left whether they are gone
 */
record Here(UUID sequence, String page, String name, String camera, int frame, boolean left) {
  private static final int LONGEST_LETTER = 4;

  /** What goes over the line, between servers too. */
  String json() {
    return Json.MAPPER.writeValueAsString(Json.MAPPER.createObjectNode().putPOJO("here", this));
  }

  static Here read(String json) {
    return Json.MAPPER.treeToValue(Json.MAPPER.readTree(json).get("here"), Here.class);
  }

  /** What a page says of itself as {@code {camera, frame}}; null when it says something else. */
  static Here said(UUID sequence, String page, String name, String json) {
    try {
      JsonNode n = Json.MAPPER.readTree(json);
      String camera = n.path("camera").asString("");
      if (camera.length() > LONGEST_LETTER || !n.path("frame").canConvertToInt()) return null;
      return new Here(sequence, page, name, camera, n.get("frame").intValue(), false);
    } catch (JacksonException e) {
      return null;
    }
  }
}
