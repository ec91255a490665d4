package kite.exchange.cut;

import kite.core.cut.Cut;
import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.number.Rate;
import kite.exchange.Json;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The cut as one OpenTimelineIO timeline: a video track of clips and gaps, each clip's media being
 * the sequence as its camera sees it. Times are frames at the sequence's rate.
 */
public final class OtioWriter {

  private OtioWriter() {}

  /** The text of an .otio file. */
  public static String write(Sequence s) {
    Rate rate = s.header().rate();
    ObjectNode timeline = schema("Timeline.1").put("name", s.header().code());
    timeline.set("global_start_time", time(s.header().firstFrame(), rate));
    ObjectNode track = schema("Track.1").put("name", "Cut").put("kind", "Video");
    track.putNull("source_range");
    ArrayNode children = track.putArray("children");
    int next = s.header().firstFrame();
    for (Cut.Span span : Cut.spans(s)) {
      if (span.first() > next) children.add(gap(next, span.first() - 1, rate));
      children.add(
          span.camera() == null ? gap(span.first(), span.last(), rate) : clip(s, span, rate));
      next = span.last() + 1;
    }
    ObjectNode stack = schema("Stack.1").put("name", "tracks");
    stack.putNull("source_range");
    stack.putArray("children").add(track);
    timeline.set("tracks", stack);
    timeline
        .putObject("metadata")
        .putObject("jolly_kite")
        .put("title", s.header().title())
        .put("rate", rate.numerator() + "/" + rate.denominator());
    return Json.MAPPER.writerWithDefaultPrettyPrinter().writeValueAsString(timeline);
  }

  private static ObjectNode clip(Sequence s, Cut.Span span, Rate rate) {
    Camera c = (Camera) s.get(span.camera());
    ObjectNode clip = schema("Clip.1").put("name", span.shot());
    clip.set("source_range", range(span.first(), span.last(), rate));
    ObjectNode media =
        schema("MissingReference.1").put("name", "Camera " + c.letter() + " – " + c.name());
    media.set("available_range", range(s.header().firstFrame(), s.header().lastFrame(), rate));
    clip.set("media_reference", media);
    clip.putObject("metadata")
        .putObject("jolly_kite")
        .put("camera", c.name())
        .put("letter", c.letter())
        .put("camera_id", c.id());
    return clip;
  }

  private static ObjectNode gap(int first, int last, Rate rate) {
    ObjectNode gap = schema("Gap.1").put("name", "");
    gap.set("source_range", range(first, last, rate));
    return gap;
  }

  private static ObjectNode schema(String name) {
    return Json.MAPPER.createObjectNode().put("OTIO_SCHEMA", name);
  }

  private static ObjectNode range(int first, int last, Rate rate) {
    ObjectNode r = schema("TimeRange.1");
    r.set("start_time", time(first, rate));
    r.set("duration", time(last - first + 1, rate));
    return r;
  }

  private static ObjectNode time(int frame, Rate rate) {
    return schema("RationalTime.1").put("rate", rate.perSecond()).put("value", (double) frame);
  }
}
