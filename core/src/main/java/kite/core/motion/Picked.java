package kite.core.motion;

import java.util.List;

/**
 * Keys that are chosen in one channel.
 *
 * @param id the entity
 * @param channel its channel's address
 * @param frames where the chosen keys stand; none means all of them
 */
public record Picked(String id, String channel, List<Double> frames) {
  public Picked {
    frames = List.copyOf(frames);
  }

  boolean has(double frame) {
    return frames.isEmpty() || frames.contains(frame);
  }
}
