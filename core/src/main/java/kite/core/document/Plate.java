package kite.core.document;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Map;
import kite.core.number.Unit;

/**
 * An image or image sequence fixed to a camera's frame.
 *
 * @param camera the camera that sees it, or null for all
 * @param frames image assets (SHA-256) in order
 * @param inFront over everything instead of behind
 * @param firstFrame frame on which the first image stands
 * @param after what shows after the last image
 */
@RecordBuilder
public record Plate(
    String id,
    String name,
    @OrNull String camera,
    List<String> frames,
    PlateFit fit,
    boolean inFront,
    boolean shown,
    int firstFrame,
    After after,
    Channels channels)
    implements Entity, PlateBuilder.With {
  public static final String KIND = "plate";

  @Override
  public String kind() {
    return KIND;
  }

  /** How the image meets the delivery frame. */
  public enum PlateFit {
    WIDTH,
    HEIGHT,
    /** Covers the frame; what is over is cut. */
    FILL,
    /** All of it is in the frame. */
    INSIDE,
    STRETCH
  }

  /** What shows when the images have run out; before the first, the first stands. */
  public enum After {
    HOLD,
    LOOP
  }

  public static final ChannelSpec ACROSS =
      ChannelSpec.of("across", "Offset across", Unit.SHARE, 0, -10, 10);
  public static final ChannelSpec DOWN =
      ChannelSpec.of("down", "Offset down", Unit.SHARE, 0, -10, 10);
  public static final ChannelSpec SIZE = ChannelSpec.of("size", "Size", Unit.FACTOR, 1, 0.01, 100);
  public static final ChannelSpec OPACITY =
      ChannelSpec.of("opacity", "Opacity", Unit.SHARE, 1, 0, 1);

  /** Metres along the axis at which it stands in the set; 0 puts it behind everything. */
  public static final ChannelSpec DEPTH =
      ChannelSpec.of("depth", "Depth", Unit.METRES, 0, 0, ChannelSpec.FAR_M);

  public static final List<ChannelSpec> CHANNELS = List.of(ACROSS, DOWN, SIZE, OPACITY, DEPTH);
  private static final Map<String, ChannelSpec> SPECS = Entity.byName(CHANNELS);

  public Plate {
    frames = List.copyOf(frames);
  }

  @Override
  public Map<String, ChannelSpec> channelSpecs() {
    return SPECS;
  }

  @Override
  public Plate withChannels(Channels c) {
    return PlateBuilder.With.super.withChannels(c);
  }

  @Override
  public Plate withName(String n) {
    return PlateBuilder.With.super.withName(n);
  }

  /** The image that stands on a frame. */
  public String at(double frame) {
    int i = Math.max(0, (int) Math.floor(frame) - firstFrame), n = frames.size();
    return frames.get(after == After.LOOP ? i % n : Math.min(i, n - 1));
  }
}
