package kite.server.render;

import kite.render.FrameRenderer;

/** Whether a picture can be rendered in the memory that there is. */
final class PictureRoom {
  /** Bytes that a picture may take while it is rendered: the scene needs room too. */
  private static final long BYTES = Runtime.getRuntime().maxMemory() / 2;

  private PictureRoom() {}

  /** Pixels that a picture of a job's kind may have here. */
  static long mostPixels(RenderJob job) {
    return BYTES / (FrameRenderer.BYTES_A_PIXEL + Kept.read(job.kept).bytesAPixel());
  }

  static boolean holds(RenderJob job) {
    return (long) job.width * job.height <= mostPixels(job);
  }
}
