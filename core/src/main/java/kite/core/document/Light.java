package kite.core.document;

import java.util.List;
import java.util.Map;
import kite.core.curve.Channel;

/**
 * The sun and the sky around it.
 *
 * @param colour of the sun, #rrggbb
 * @param sky colour overhead, #rrggbb
 * @param horizon colour at the horizon, #rrggbb
 */
public record Light(
    String id, String name, String colour, String sky, String horizon, Channels channels)
    implements Entity {
  /** Compass heading the light comes from, measured like pan from +Z towards +X. */
  public static final ChannelSpec HEADING = ChannelSpec.degrees("heading", "Heading");

  public static final ChannelSpec ELEVATION =
      ChannelSpec.of("elevation", "Elevation", Unit.DEGREES, 35, -90, 90);
  public static final ChannelSpec INTENSITY =
      ChannelSpec.of("intensity", "Sun", Unit.FACTOR, 3, 0, 100);
  public static final ChannelSpec SKY_INTENSITY =
      ChannelSpec.of("skyIntensity", "Sky", Unit.FACTOR, 1, 0, 100);
  public static final ChannelSpec SOFTNESS =
      ChannelSpec.of("softness", "Shadow softness", Unit.DEGREES, 1, 0, 30);
  private static final Map<String, ChannelSpec> SPECS =
      Entity.byName(List.of(HEADING, ELEVATION, INTENSITY, SKY_INTENSITY, SOFTNESS));

  @Override
  public Map<String, ChannelSpec> channelSpecs() {
    return SPECS;
  }

  @Override
  public Channel channel(String address) {
    return channels.get(SPECS.get(address));
  }

  @Override
  public Light withChannel(String address, Channel channel) {
    return new Light(id, name, colour, sky, horizon, channels.with(address, channel));
  }

  @Override
  public Light named(String n) {
    return new Light(id, n, colour, sky, horizon, channels);
  }
}
