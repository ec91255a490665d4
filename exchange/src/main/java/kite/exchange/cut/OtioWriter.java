package kite.exchange.cut;

import kite.core.cut.Programme;
import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.document.Speed;
import kite.core.document.Take;
import kite.core.number.Rate;
import kite.exchange.Json;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The cut as one OpenTimelineIO timeline: a video track of clips and gaps, each clip's media being
 * the sequence as its camera sees it, audio tracks of its sounds, and its markers. Times are frames
 * at the sequence's rate.
 */
public final class OtioWriter {

  private OtioWriter() {}

  /** The text of an .otio file. */
  public static String write(Sequence s) {
    Rate rate = s.header().rate();
    OtioTimes times = new OtioTimes(rate);
    ObjectNode timeline = OtioTimes.schema("Timeline.1").put("name", s.header().code());
    timeline.set("global_start_time", times.time(s.header().firstFrame()));
    ObjectNode track = OtioTimes.schema("Track.1").put("name", "Cut").put("kind", "Video");
    track.putNull("source_range");
    ArrayNode children = track.putArray("children");
    for (Shot shot : Programme.order(s)) children.add(clip(s, shot, times));
    ObjectNode stack = OtioTimes.schema("Stack.1").put("name", "tracks");
    stack.putNull("source_range");
    ArrayNode tracks = stack.putArray("children").add(track);
    OtioSounds.tracks(s, times).forEach(tracks::add);
    ArrayNode markers = stack.putArray("markers");
    OtioMarkers.of(s, times).forEach(markers::add);
    timeline.set("tracks", stack);
    timeline
        .putObject("metadata")
        .putObject("jolly_kite")
        .put("title", s.header().title())
        .put("rate", rate.numerator() + "/" + rate.denominator());
    return Json.MAPPER.writerWithDefaultPrettyPrinter().writeValueAsString(timeline);
  }

  private static ObjectNode clip(Sequence s, Shot shot, OtioTimes times) {
    Take take = shot.take();
    // a range is of the media's own frames: what a warp makes of it is the shot's length
    ObjectNode range = times.range(take.scene(0), take.frames());
    if (take.camera() == null) {
      ObjectNode gap = OtioTimes.schema("Gap.1").put("name", shot.name());
      gap.set("source_range", range);
      return gap;
    }
    Camera c = (Camera) s.get(take.camera());
    ObjectNode clip = OtioTimes.schema("Clip.1").put("name", shot.name());
    clip.set("source_range", range);
    ObjectNode media =
        OtioTimes.schema("MissingReference.1")
            .put("name", "Camera " + c.letter() + " – " + c.name());
    int first = s.header().firstFrame();
    media.set("available_range", times.range(first, s.header().lastFrame() - first + 1));
    clip.set("media_reference", media);
    if (!take.speed().isAsItIs()) clip.putArray("effects").add(warp(take));
    clip.putObject("metadata")
        .putObject("jolly_kite")
        .put("camera", c.name())
        .put("letter", c.letter())
        .put("camera_id", c.id())
        .put("take", take.name())
        .put("status", shot.status().name())
        .put("notes", shot.notes());
    return clip;
  }

  /** A speed of its own; a curve is its mean, with each frame's of the scene beside it. */
  private static ObjectNode warp(Take take) {
    double mean = (take.scene(take.frames()) - take.scene(0)) / take.frames();
    ObjectNode warp =
        OtioTimes.schema("LinearTimeWarp.1")
            .put("name", "Speed")
            .put("effect_name", "LinearTimeWarp")
            .put("time_scalar", mean);
    if (take.speed() instanceof Speed.Curved) {
      ArrayNode frames = warp.putObject("metadata").putObject("jolly_kite").putArray("frames");
      for (int i = 0; i < take.frames(); i++) frames.add(take.scene(i));
    }
    return warp;
  }
}
