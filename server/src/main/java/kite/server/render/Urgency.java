package kite.server.render;

/** When a job has its turn. */
enum Urgency {
  /** When nothing else waits, as over night. */
  LATER,
  /** In turn with what others asked for. */
  NORMAL,
  /** Before all that is not urgent. */
  URGENT;

  /** More than any job's place in its person's row. */
  static final int BAND = 500_000_000;

  /**
   * What the engine goes by: the highest first.
   *
   * @param place in the row, from 0
   */
  int priority(long place) {
    return (ordinal() - NORMAL.ordinal()) * BAND - (int) Math.min(place, BAND - 1);
  }
}
