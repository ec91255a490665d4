package kite.core.rules;

import kite.core.document.Sound;
import kite.core.document.SoundTrack;
import kite.core.number.NumberText;

/** What must hold of sounds and their tracks. */
final class SoundRules {
  private static final double MOST_DB = 24, LEAST_DB = -60;

  /** Seconds by which a stretch may be longer than its recording: what rounding leaves. */
  private static final double ROUNDING_S = 1e-6;

  /** Shorter ones could not be taken hold of, seconds. */
  private static final double SHORTEST_S = 0.01;

  private SoundRules() {}

  static void check(SoundTrack t) {
    if (!Words.isPlace(t.place()))
      throw bad(t.id(), "place", "“" + t.name() + "” has no place among the tracks.");
    gain(t.id(), t.name(), t.gainDb());
  }

  static void check(Sound s) {
    if (!Words.isAsset(s.recording()))
      throw bad(s.id(), "recording", "“" + s.name() + "” is no recording of this studio.");
    if (!Rules.positive(s.recordingS()))
      throw bad(s.id(), "recordingS", "The recording of “" + s.name() + "” has no length.");
    if (!(Math.abs(s.at()) <= Rules.MOST_PROGRAMME_FRAMES))
      throw bad(s.id(), "at", "“" + s.name() + "” would begin far from any programme.");
    if (!(s.fromS() >= 0 && s.lastsS() >= SHORTEST_S)
        || s.fromS() + s.lastsS() > s.recordingS() + ROUNDING_S)
      throw bad(
          s.id(),
          "lastsS",
          "“"
              + s.name()
              + "” can be heard from "
              + NumberText.rounded(SHORTEST_S, 2)
              + " s on, up to all of its recording, which has "
              + NumberText.rounded(s.recordingS(), 2)
              + " s.");
    gain(s.id(), s.name(), s.gainDb());
    if (!(s.fadeInS() >= 0
        && s.fadeOutS() >= 0
        && s.fadeInS() + s.fadeOutS() <= s.lastsS() + ROUNDING_S))
      throw bad(
          s.id(),
          "fadeInS",
          "The fades of “"
              + s.name()
              + "” fit into what is heard of it, "
              + NumberText.rounded(s.lastsS(), 2)
              + " s.");
  }

  private static void gain(String id, String name, double db) {
    if (!(db >= LEAST_DB && db <= MOST_DB))
      throw bad(
          id,
          "gainDb",
          "The gain of “"
              + name
              + "” is "
              + NumberText.plain(LEAST_DB)
              + " to "
              + NumberText.plain(MOST_DB)
              + " dB. Mute it to hear nothing of it.");
  }

  private static Refusal bad(String id, String field, String text) {
    return new Refusal("range", id, field, text);
  }
}
