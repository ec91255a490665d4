package kite.server.render;

import java.util.UUID;

/**
 * A frame that is to be made, or a part of one.
 *
 * @param number in the job, from 1
 * @param round how often the job had been taken up again when it was asked for; what is of an
 *     earlier round is wanted no more
 * @param part which rows, from 0 at the top; whoever makes the last one joins them
 * @param parts how many there are; 1 for the whole frame
 */
record FrameWork(UUID job, int number, int round, int part, int parts) {
  /** Work of one part, so many pixels times lens rays: some seconds. */
  private static final double RAYS_A_PART = 2e7;

  private static final int MOST_PARTS = 64;

  /** A job of more frames has enough of them for every worker. */
  private static final int FEW_FRAMES = 4;

  boolean isPart() {
    return parts > 1;
  }

  /** In how many parts a job's frames are made. */
  static int partsOf(int frames, int width, int height, int samples) {
    if (frames > FEW_FRAMES) return 1;
    int parts = (int) Math.ceil((double) width * height * samples / RAYS_A_PART);
    return Math.max(1, Math.min(parts, Math.min(MOST_PARTS, height / 2)));
  }
}
