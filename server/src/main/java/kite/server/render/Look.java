package kite.server.render;

import kite.exchange.Json;

/**
 * What a preview shows beside the set.
 *
 * @param blur depth-of-field blur, for cameras that have it
 * @param motionBlur of cameras that have it
 * @param guides those that each camera shows
 * @param slate a line below the picture that says what it is of
 */
record Look(
    boolean blur, boolean motionBlur, boolean plates, boolean haze, boolean guides, boolean slate) {
  String write() {
    return Json.MAPPER.writeValueAsString(this);
  }

  static Look read(String json) {
    return Json.MAPPER.readValue(json, Look.class);
  }
}
