package kite.exchange.gltf;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import kite.exchange.BadFile;
import tools.jackson.databind.JsonNode;

/**
 * A camera's vertical angle of view as the first animation keys it by KHR_animation_pointer. Cubic
 * splines are taken as straight between their keys.
 */
final class KeyedAngle {
  private static final Pattern POINTER = Pattern.compile("/cameras/([0-9]{1,9})/perspective/yfov");

  /** An angle of view is above and below these, radians. */
  private static final double LEAST = 1e-4, MOST = Math.PI - 1e-4;

  private final double[] times;
  private final double[] angles;
  private final boolean holds;

  private KeyedAngle(double[] times, double[] angles, boolean holds) {
    this.times = times;
    this.angles = angles;
    this.holds = holds;
  }

  /** By the numbers of the cameras. */
  static Map<Long, KeyedAngle> all(JsonNode root, GltfBuffers buffers) throws BadFile {
    Map<Long, KeyedAngle> all = new HashMap<>();
    JsonNode animation = root.path("animations").path(0);
    for (JsonNode channel : animation.path("channels")) {
      JsonNode pointer =
          channel.path("target").path("extensions").path("KHR_animation_pointer").path("pointer");
      Matcher m = POINTER.matcher(pointer.asString(""));
      if (m.matches()) all.put(Long.parseLong(m.group(1)), read(animation, channel, buffers));
    }
    return all;
  }

  private static KeyedAngle read(JsonNode animation, JsonNode channel, GltfBuffers buffers)
      throws BadFile {
    String what = "an angle of view";
    JsonNode sampler = Numbers.item(animation, "samplers", Numbers.whole(channel, "sampler", what));
    double[] times = buffers.sharedNumbers(Numbers.whole(sampler, "input", what));
    double[] values = buffers.numbers(Numbers.whole(sampler, "output", what), 1);
    String how = Numbers.text(sampler, "interpolation", "LINEAR");
    int each = how.equals("CUBICSPLINE") ? 3 : 1, middle = each / 2;
    if (times.length == 0 || values.length != (long) times.length * each)
      throw new BadFile("The keys of an angle of view do not belong together.");
    double[] angles = new double[times.length];
    for (int i = 0; i < angles.length; i++) {
      angles[i] = values[i * each + middle];
      if (!(angles[i] > LEAST && angles[i] < MOST) || i > 0 && !(times[i] >= times[i - 1]))
        throw new BadFile("The keys of an angle of view are not angles in rising time.");
    }
    return new KeyedAngle(times, angles, how.equals("STEP"));
  }

  double seconds() {
    return times[times.length - 1];
  }

  /** Held before the first and after the last key. */
  double degrees(double seconds) {
    float at = (float) seconds; // on the key itself, as the file's single precision has it
    int found = Arrays.binarySearch(times, at);
    int i = Math.max(0, found >= 0 ? found : -found - 2);
    if (i + 1 == times.length || at <= times[0] || holds) return Math.toDegrees(angles[i]);
    double share = (at - times[i]) / (times[i + 1] - times[i]);
    return Math.toDegrees(angles[i] + (angles[i + 1] - angles[i]) * share);
  }
}
