package kite.core.form;

import kite.core.document.Sound;
import kite.core.document.SoundTrack;

/** Sounds and their tracks. */
final class SoundJson {
  private SoundJson() {}

  static void write(SoundTrack t, Out o) {
    o.put("place", t.place())
        .put("gainDb", t.gainDb())
        .put("muted", t.muted())
        .put("solo", t.solo());
  }

  static SoundTrack track(String id, String name, Fields f) {
    return new SoundTrack(
        id, name, f.text("place"), f.number("gainDb"), f.truth("muted"), f.truth("solo"));
  }

  static void write(Sound s, Out o) {
    o.put("track", s.track())
        .put("recording", s.recording())
        .put("recordingS", s.recordingS())
        .put("at", s.at())
        .put("fromS", s.fromS())
        .put("lastsS", s.lastsS())
        .put("gainDb", s.gainDb())
        .put("muted", s.muted())
        .put("fadeInS", s.fadeInS())
        .put("fadeOutS", s.fadeOutS());
  }

  static Sound sound(String id, String name, Fields f) {
    return new Sound(
        id,
        name,
        f.text("track"),
        f.text("recording"),
        f.number("recordingS"),
        f.number("at"),
        f.number("fromS"),
        f.number("lastsS"),
        f.number("gainDb"),
        f.truth("muted"),
        f.number("fadeInS"),
        f.number("fadeOutS"));
  }
}
