package kite.server.render;

import kite.core.document.Air;
import kite.core.document.Camera;
import kite.core.document.Plate;
import kite.core.document.Sequence;
import kite.exchange.Json;

/**
 * What a preview or a render shows beside the set.
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

  /** A sequence without what is not to be seen. */
  Sequence seen(Sequence s) {
    Sequence seen = s;
    if (!blur) for (Camera c : s.all(Camera.class)) seen = seen.with(c.withDepthOfField(false));
    if (!plates) for (Plate p : s.all(Plate.class)) seen = seen.with(p.withShown(false));
    if (!haze) for (Air a : s.all(Air.class)) seen = seen.without(a.id());
    return seen;
  }
}
