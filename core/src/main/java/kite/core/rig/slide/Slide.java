package kite.core.rig.slide;

import java.util.List;
import kite.core.document.ChannelSpec;
import kite.core.document.Channels;
import kite.core.rig.RigPart;

/** Truck, pedestal and dolly: metres on the axes of the part below; dolly forward is positive. */
public record Slide(String id, boolean on, Channels channels) implements RigPart {
  public static final String KIND = "slide";

  @Override
  public String kind() {
    return KIND;
  }

  public static final ChannelSpec TRUCK = ChannelSpec.metres("truck", "Truck");
  public static final ChannelSpec PEDESTAL = ChannelSpec.metres("pedestal", "Pedestal");
  public static final ChannelSpec DOLLY = ChannelSpec.metres("dolly", "Dolly");
  private static final List<ChannelSpec> SPECS = List.of(TRUCK, PEDESTAL, DOLLY);

  @Override
  public List<ChannelSpec> specs() {
    return SPECS;
  }

  @Override
  public Slide withChannels(Channels c) {
    return new Slide(id, on, c);
  }

  @Override
  public Slide withOn(boolean nowOn) {
    return new Slide(id, nowOn, channels);
  }
}
