package kite.exchange.cut;

import kite.core.number.Rate;
import kite.exchange.Json;
import tools.jackson.databind.node.ObjectNode;

/** Times and ranges of OpenTimelineIO, in frames at a rate. */
record OtioTimes(Rate rate) {
  static ObjectNode schema(String name) {
    return Json.MAPPER.createObjectNode().put("OTIO_SCHEMA", name);
  }

  ObjectNode range(double first, double frames) {
    ObjectNode r = schema("TimeRange.1");
    r.set("start_time", time(first));
    r.set("duration", time(frames));
    return r;
  }

  ObjectNode time(double frame) {
    return schema("RationalTime.1").put("rate", rate.perSecond()).put("value", frame);
  }

  /** Seconds, as frames. */
  double frames(double seconds) {
    return seconds * rate.perSecond();
  }

  /** Nothing, for so long. */
  ObjectNode gap(double frames) {
    ObjectNode gap = schema("Gap.1").put("name", "");
    gap.set("source_range", range(0, frames));
    return gap;
  }
}
