package kite.core.motion;

import java.util.List;

/** What is asked to be done to chosen keys. */
public record MotionRequest(List<Picked> picked, MotionEdit edit) {
  public MotionRequest {
    picked = List.copyOf(picked);
  }
}
