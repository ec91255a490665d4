package kite.core.document;

import java.util.List;
import java.util.Map;
import kite.core.number.Unit;

/**
 * The haze that the far pales in, and what stands behind everything.
 *
 * @param colour of the haze, #rrggbb
 * @param background a plain colour in the sky's place, #rrggbb, or null for the sky
 */
public record Air(
    String id, String name, String colour, @OrNull String background, Channels channels)
    implements Entity {
  public static final String KIND = "air";

  @Override
  public String kind() {
    return KIND;
  }

  /** Share of light lost per metre at height 0, as the exponent of exp(−density · metres). */
  public static final ChannelSpec DENSITY =
      ChannelSpec.of("density", "Haze per metre", Unit.FACTOR, 0.004, 0, 10);

  /** Height over which the haze thins to 1/e; the air below 0 is as thick as at 0. */
  public static final ChannelSpec HEIGHT =
      ChannelSpec.of("height", "Haze height", Unit.METRES, 30, 0.01, ChannelSpec.FAR_M);

  private static final Map<String, ChannelSpec> SPECS = Entity.byName(List.of(DENSITY, HEIGHT));

  @Override
  public Map<String, ChannelSpec> channelSpecs() {
    return SPECS;
  }

  @Override
  public Air withChannels(Channels own) {
    return new Air(id, name, colour, background, own);
  }

  @Override
  public Air withName(String n) {
    return new Air(id, n, colour, background, channels);
  }
}
