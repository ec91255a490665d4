package kite.core.document;

/**
 * One way of doing a shot.
 *
 * @param camera null for a gap
 * @param first the frame of the scene it begins on; sub-frames come from trims of a retimed shot
 * @param frames its length in the programme
 */
public record Take(
    String id, String name, @OrNull String camera, double first, int frames, Speed speed) {

  /** What it is called among the takes of all shots. */
  public static String inShot(String shot, String take) {
    return shot + "/" + take;
  }

  /** The frame of the scene it shows after so many frames, before it and behind it too. */
  public double scene(double after) {
    return first + speed.action(after);
  }

  /** The frame of the scene it shows last. */
  public double last() {
    return scene(frames - 1);
  }

  /** The same without frames at its ends; below 0 it grows. */
  public Take trimmed(int head, int tail) {
    return new Take(id, name, camera, scene(head), frames - head - tail, speed.from(head));
  }

  public Take withCamera(String newCamera) {
    return new Take(id, name, newCamera, first, frames, speed);
  }

  public Take withFirst(double newFirst) {
    return new Take(id, name, camera, newFirst, frames, speed);
  }

  public Take withFrames(int newFrames) {
    return new Take(id, name, camera, first, newFrames, speed);
  }

  public Take withSpeed(Speed newSpeed) {
    return new Take(id, name, camera, first, frames, newSpeed);
  }

  /**
   * Whether another goes on where this one ends: same camera, same speed, the next of the action.
   */
  public boolean goesOnIn(Take next) {
    return camera != null
        && camera.equals(next.camera)
        && speed.from(frames).equals(next.speed)
        && Math.abs(scene(frames) - next.first) < SAME_FRAME;
  }

  /** Frames nearer to each other than this are one: what rounding of trimmed speeds leaves. */
  private static final double SAME_FRAME = 1e-6;
}
