package kite.server.handover;

/** What of a sequence is handed over. */
enum Part {
  CUT,
  SHOT_LIST,
  CAMERAS,
  PLACES,
  LENS,
  SOUND,
  PICTURES
}
