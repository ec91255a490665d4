package kite.exchange.cut;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import kite.core.cutting.SoundEdits;
import kite.core.document.Sequence;
import kite.core.document.Sound;
import kite.core.document.SoundTrack;
import tools.jackson.databind.node.ObjectNode;

/**
 * The sounds of the programme as audio tracks. In a track nothing lies over anything else: sounds
 * that overlap stand in a second one of the same name. Gains and fades are metadata.
 */
final class OtioSounds {
  /** Parts of a frame that two sounds may lie over each other by: what rounding leaves. */
  private static final double ROUNDING = 1e-6;

  private OtioSounds() {}

  static List<ObjectNode> tracks(Sequence s, OtioTimes times) {
    List<ObjectNode> all = new ArrayList<>();
    for (SoundTrack t : SoundEdits.tracks(s)) {
      List<Sound> left = new ArrayList<>();
      for (Sound x : s.all(Sound.class)) if (x.track().equals(t.id())) left.add(x);
      left.sort(Comparator.comparingDouble(Sound::at));
      do all.add(track(s, t, left, times));
      while (!left.isEmpty());
    }
    return all;
  }

  /** A track of those that follow each other; the others are left. */
  private static ObjectNode track(Sequence s, SoundTrack t, List<Sound> left, OtioTimes times) {
    ObjectNode track =
        OtioTimes.schema("Track.1")
            .put("name", t.name())
            .put("kind", "Audio")
            .put("enabled", !t.muted());
    track.putNull("source_range");
    var children = track.putArray("children");
    double end = s.header().firstFrame();
    for (Sound x : List.copyOf(left)) {
      // what comes before the programme has no place in it
      double late = Math.max(0, s.header().firstFrame() - x.at()), at = x.at() + late;
      double frames = times.frames(x.lastsS()) - late;
      if (at < end - ROUNDING) continue;
      left.remove(x);
      if (frames <= 0) continue;
      if (at > end + ROUNDING) children.add(times.gap(at - end));
      children.add(clip(x, late, frames, times));
      end = at + frames;
    }
    track
        .putObject("metadata")
        .putObject("jolly_kite")
        .put("gain_db", t.gainDb())
        .put("solo", t.solo());
    return track;
  }

  private static ObjectNode clip(Sound x, double late, double frames, OtioTimes times) {
    ObjectNode clip = OtioTimes.schema("Clip.1").put("name", x.name()).put("enabled", !x.muted());
    clip.set("source_range", times.range(times.frames(x.fromS()) + late, frames));
    ObjectNode media = OtioTimes.schema("MissingReference.1").put("name", x.name());
    media.set("available_range", times.range(0, times.frames(x.recordingS())));
    media.putObject("metadata").putObject("jolly_kite").put("sha256", x.recording());
    clip.set("media_reference", media);
    clip.putObject("metadata")
        .putObject("jolly_kite")
        .put("gain_db", x.gainDb())
        .put("fade_in_s", x.fadeInS())
        .put("fade_out_s", x.fadeOutS());
    return clip;
  }
}
