package kite.core.document;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import kite.core.curve.Channel;
import kite.core.number.Unit;
import kite.core.rig.RigPart;
import kite.core.rig.attention.Attention;

/**
 * A light.
 *
 * @param form what it is
 * @param parent the piece it is carried by, or null; the sun has none
 * @param layer the layer it lies on, or null
 * @param colour #rrggbb when {@code kelvin} is 0
 * @param kelvin colour temperature of its light, or 0 for the swatch
 * @param softShadow whether its size softens its shadows
 * @param shadowTint what its shadows are filled with, as a share of its own light: #000000 is none
 * @param specular whether it shows as a highlight
 * @param sky colour overhead, #rrggbb, for the sun
 * @param horizon colour at the horizon, #rrggbb, for the sun
 * @param shown whether it is lit
 * @param attention what a spot is kept aimed at, or null
 */
@RecordBuilder
public record Light(
    String id,
    String name,
    Form form,
    @OrNull String parent,
    @OrNull String layer,
    String colour,
    double kelvin,
    boolean softShadow,
    String shadowTint,
    boolean specular,
    String sky,
    String horizon,
    boolean shown,
    @OrNull Attention attention,
    Channels channels)
    implements Entity, LightBuilder.With {
  public static final String KIND = "light";

  @Override
  public String kind() {
    return KIND;
  }

  /** Kinds of light. */
  public enum Form {
    /** The sun with the sky around it. */
    SUN,
    /** A glowing rectangle, facing its −Z. */
    AREA,
    /** A cone along its −Z. */
    SPOT,
    POINT,
    /** Lights nothing here; its place is handed over for whoever lights the shot. */
    GUIDE
  }

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

  /** Irradiance at one metre straight ahead, in the sun's measure; for area its face's radiance. */
  public static final ChannelSpec POWER =
      ChannelSpec.of("power", "Intensity", Unit.FACTOR, 10, 0, 1e6);

  public static final ChannelSpec RADIUS =
      ChannelSpec.of("radius", "Bulb radius", Unit.METRES, 0.05, 0, 100);

  /** Whole opening angle. */
  public static final ChannelSpec CONE = ChannelSpec.of("cone", "Cone", Unit.DEGREES, 50, 1, 170);

  /** Share of the cone over which its edge falls off. */
  public static final ChannelSpec EDGE =
      ChannelSpec.of("edge", "Soft edge", Unit.SHARE, 0.25, 0, 1);

  public static final ChannelSpec WIDTH =
      ChannelSpec.of("width", "Width", Unit.METRES, 1.2, 0.01, 1000);
  public static final ChannelSpec HEIGHT =
      ChannelSpec.of("height", "Height", Unit.METRES, 0.8, 0.01, 1000);

  private static final Map<String, ChannelSpec> SUN_SPECS =
      Entity.byName(List.of(HEADING, ELEVATION, INTENSITY, SKY_INTENSITY, SOFTNESS));
  private static final Map<String, ChannelSpec> POINT_SPECS = placed(POWER, RADIUS);
  private static final Map<String, ChannelSpec> SPOT_SPECS = placed(POWER, RADIUS, CONE, EDGE);
  private static final Map<String, ChannelSpec> AREA_SPECS = placed(POWER, WIDTH, HEIGHT);
  private static final Map<String, ChannelSpec> GUIDE_SPECS = placed();

  private static Map<String, ChannelSpec> placed(ChannelSpec... own) {
    List<ChannelSpec> all = new ArrayList<>(Place.POSE);
    all.addAll(List.of(own));
    return Entity.byName(all);
  }

  /** The sun with its sky. */
  public Light(
      String id, String name, String colour, String sky, String horizon, Channels channels) {
    this(
        id, name, Form.SUN, null, null, colour, 0, true, "#000000", true, sky, horizon, true, null,
        channels);
  }

  @Override
  public Map<String, ChannelSpec> channelSpecs() {
    return switch (form) {
      case SUN -> SUN_SPECS;
      case AREA -> AREA_SPECS;
      case SPOT -> specsWithAttention(SPOT_SPECS);
      case POINT -> POINT_SPECS;
      case GUIDE -> GUIDE_SPECS;
    };
  }

  private Map<String, ChannelSpec> specsWithAttention(Map<String, ChannelSpec> own) {
    if (attention == null) return own;
    Map<String, ChannelSpec> all = new java.util.LinkedHashMap<>(own);
    all.put(attention.id() + "/" + RigPart.STRENGTH.name(), RigPart.STRENGTH);
    return all;
  }

  @Override
  public Channel channel(String address) {
    int slash = address.indexOf('/');
    return slash < 0
        ? channels.get(channelSpecs().get(address))
        : attention.channels().get(RigPart.STRENGTH);
  }

  @Override
  public Light withChannel(String address, Channel channel) {
    int slash = address.indexOf('/');
    return slash < 0
        ? withChannels(channels.with(address, channel))
        : withAttention(
            attention.withChannels(
                attention.channels().with(address.substring(slash + 1), channel)));
  }

  @Override
  public Light withChannels(Channels c) {
    return LightBuilder.With.super.withChannels(c);
  }

  @Override
  public Light withName(String n) {
    return LightBuilder.With.super.withName(n);
  }
}
