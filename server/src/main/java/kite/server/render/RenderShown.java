package kite.server.render;

import java.util.List;
import java.util.UUID;

/**
 * A job as the page shows it.
 *
 * @param numbered the how-manieth of its kind and name, or of its shots, from 1
 * @param form of the files that a frame is handed on in ({@link Kept.Form})
 * @param preview whether it is a film of the lens view
 * @param byServer whether a preview is drawn by a page of the server's own
 * @param urgency when it has its turn ({@link Urgency})
 * @param failed frames that could not be made
 * @param share of the work that is done, 0 to 1; parts of large frames count too
 * @param newest number of the frame that came last; 0 before the first
 * @param picture number of the frame that stands for it: the middle one of what is done, else the
 *     newest; 0 before the first
 * @param underWay frames that workers are at
 * @param secondsAFrame that its frames took on the average; null before the first
 * @param secondsLeft about how long it goes on with those who work at it now; null when that is not
 *     known, or nobody does
 */
record RenderShown(
    UUID id,
    String label,
    int numbered,
    boolean preview,
    boolean byServer,
    String state,
    String message,
    String urgency,
    int done,
    int failed,
    int total,
    double share,
    int newest,
    int picture,
    List<AtIt> underWay,
    int width,
    int height,
    int samples,
    String form,
    String askedBy,
    String askedAt,
    boolean film,
    Double secondsAFrame,
    Double secondsLeft) {
  /** A frame that a worker is at. */
  record AtIt(int number, String worker) {}
}
