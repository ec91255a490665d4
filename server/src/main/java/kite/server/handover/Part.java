package kite.server.handover;

import java.util.List;

/** What of a sequence is handed over, and of what kinds a manifest calls its files. */
enum Part {
  CUT("cut"),
  SHOT_LIST("shotList"),
  CAMERAS("camera"),
  PLACES("places"),
  LENS("lens"),
  SET("set"),
  NOTES("notes", "thumbnail"),
  SOUND("sound"),
  PICTURES("picture", "film");

  final List<String> kinds;

  Part(String... kinds) {
    this.kinds = List.of(kinds);
  }

  /** What its files are called, where they are of one kind. */
  String kind() {
    return kinds.get(0);
  }

  /** Whether its files are of the whole programme, whichever shots are handed over. */
  boolean isOfTheWhole() {
    return this == CUT || this == SHOT_LIST || this == SET || this == NOTES || this == SOUND;
  }
}
