package kite.core.document;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import kite.core.curve.Channel;
import kite.core.number.Unit;
import kite.core.optics.FilmBack;
import kite.core.optics.Fit;
import kite.core.rig.RigPart;

/**
 * A camera: a lens on a stack of rig parts, ground first.
 *
 * @param letter A, B, C …
 * @param colour #rrggbb, the same everywhere; never the only sign of which camera it is
 * @param locked whether nothing about it may be changed
 * @param lockedChannels addresses of single channels that may not be changed
 * @param depthOfField whether blur is shown and rendered
 * @param motionBlur whether what moves while the shutter is open is blurred, where it is shown at
 *     rest and in renders
 * @param filmBack instead of the sequence's, or null to follow
 * @param fit instead of the sequence's, or null to follow
 * @param iconSize how large its icon is drawn, 1 is usual; never reaches the lens
 * @param focus subjects that focus follows, or null for the distance alone
 * @param guides lines laid over its frame
 * @param layer the layer its icon lies on, or null
 * @param shown whether the set views draw its icon; it is cut to and rendered all the same
 * @param surround how dark the view is outside the delivery frame, 0–1
 */
@RecordBuilder
public record Camera(
    String id,
    String name,
    String letter,
    String colour,
    boolean locked,
    List<String> lockedChannels,
    boolean depthOfField,
    boolean motionBlur,
    @OrNull FilmBack filmBack,
    @OrNull Fit fit,
    double iconSize,
    @OrNull Focus focus,
    List<Guide> guides,
    double surround,
    @OrNull String layer,
    boolean shown,
    Channels channels,
    List<RigPart> rig)
    implements Entity, CameraBuilder.With {
  public static final String KIND = "camera";

  @Override
  public String kind() {
    return KIND;
  }

  public static final ChannelSpec FOCAL_LENGTH =
      ChannelSpec.of("focalLength", "Focal length", Unit.MILLIMETRES, 35, 1, 5000);
  public static final ChannelSpec F_STOP =
      ChannelSpec.of("fStop", "f-stop", Unit.F_STOP, 4, 0.5, 128);
  public static final ChannelSpec FOCUS =
      ChannelSpec.of("focusDistance", "Focus distance", Unit.METRES, 5, 0.01, ChannelSpec.FAR_M);
  public static final ChannelSpec NEAR_CLIP =
      ChannelSpec.of("nearClip", "Near clip", Unit.METRES, 0.1, 0.001, ChannelSpec.FAR_M);
  public static final ChannelSpec FAR_CLIP =
      ChannelSpec.of("farClip", "Far clip", Unit.METRES, 1000, 0.002, ChannelSpec.FAR_M);
  public static final ChannelSpec SHUTTER =
      ChannelSpec.of("shutter", "Shutter", Unit.DEGREES, 180, 0, 360);
  public static final ChannelSpec SHIFT_X =
      ChannelSpec.of("shiftX", "Shift across", Unit.MILLIMETRES, 0, -100, 100);
  public static final ChannelSpec SHIFT_Y =
      ChannelSpec.of("shiftY", "Shift up", Unit.MILLIMETRES, 0, -100, 100);

  /** By how much the shutter's opening lies later than with the frame in its middle. */
  public static final ChannelSpec SHUTTER_OFFSET =
      ChannelSpec.of("shutterOffset", "Shutter offset", Unit.DEGREES, 0, -360, 360);

  /** The lens channels, in the order evaluation writes them. */
  public static final List<ChannelSpec> LENS =
      List.of(FOCAL_LENGTH, F_STOP, FOCUS, NEAR_CLIP, FAR_CLIP, SHUTTER, SHIFT_X, SHIFT_Y);

  private static final Map<String, ChannelSpec> OWN_BY_NAME =
      Entity.byName(Stream.concat(LENS.stream(), Stream.of(SHUTTER_OFFSET)).toList());

  public Camera {
    rig = List.copyOf(rig);
    guides = List.copyOf(guides);
    lockedChannels = List.copyOf(lockedChannels);
  }

  /** A camera that follows its sequence in everything. */
  public Camera(
      String id,
      String name,
      String letter,
      String colour,
      boolean locked,
      boolean depthOfField,
      Channels channels,
      List<RigPart> rig) {
    this(
        id,
        name,
        letter,
        colour,
        locked,
        List.of(),
        depthOfField,
        false,
        null,
        null,
        1,
        null,
        List.of(),
        1,
        null,
        true,
        channels,
        rig);
  }

  @Override
  public Map<String, ChannelSpec> channelSpecs() {
    Map<String, ChannelSpec> all = new LinkedHashMap<>(OWN_BY_NAME);
    for (RigPart p : rig) for (ChannelSpec s : p.specs()) all.put(p.id() + "/" + s.name(), s);
    return all;
  }

  @Override
  public ChannelSpec channelSpec(String address) {
    int slash = address.indexOf('/');
    if (slash < 0) return OWN_BY_NAME.get(address);
    RigPart p = part(address.substring(0, slash));
    if (p == null) return null;
    String name = address.substring(slash + 1);
    for (ChannelSpec s : p.specs()) if (s.name().equals(name)) return s;
    return null;
  }

  @Override
  public Channel channel(String address) {
    int slash = address.indexOf('/');
    Channels of = slash < 0 ? channels : part(address.substring(0, slash)).channels();
    return of.get(channelSpec(address));
  }

  @Override
  public Camera withChannel(String address, Channel channel) {
    if (OWN_BY_NAME.containsKey(address)) return withChannels(channels.with(address, channel));
    int slash = address.indexOf('/');
    RigPart p = part(address.substring(0, slash));
    return withPart(p.withChannels(p.channels().with(address.substring(slash + 1), channel)));
  }

  /** The part with an id, or null. */
  public RigPart part(String partId) {
    for (RigPart p : rig) if (p.id().equals(partId)) return p;
    return null;
  }

  /** The first part of a kind from the ground up, or null. */
  public <T extends RigPart> T first(Class<T> kind) {
    for (RigPart p : rig) if (kind.isInstance(p)) return kind.cast(p);
    return null;
  }

  @Override
  public Camera withChannels(Channels c) {
    return CameraBuilder.With.super.withChannels(c);
  }

  /** The same camera with a part in place of the one with its id. */
  public Camera withPart(RigPart part) {
    List<RigPart> parts = new ArrayList<>(rig);
    parts.replaceAll(p -> p.id().equals(part.id()) ? part : p);
    return withRig(parts);
  }

  @Override
  public Camera withName(String n) {
    return CameraBuilder.With.super.withName(n);
  }
}
