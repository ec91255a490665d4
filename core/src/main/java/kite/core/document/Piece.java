package kite.core.document;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Map;
import kite.core.math.AxisOrder;

/**
 * Anything placed in the set.
 *
 * @param parent the piece it is nested in, or null
 * @param layer the layer it lies on, or null
 * @param colour base colour as #rrggbb; a model without a finish keeps its own materials
 * @param finish what its surface is like, or null for what its shape says
 * @param shown whether the views and the render see it
 */
@RecordBuilder
public record Piece(
    String id,
    String name,
    @OrNull String parent,
    @OrNull String layer,
    Shape shape,
    String colour,
    @OrNull Finish finish,
    boolean shown,
    boolean locked,
    AxisOrder order,
    Channels channels)
    implements Entity, PieceBuilder.With {
  public static final String KIND = "piece";

  @Override
  public String kind() {
    return KIND;
  }

  private static final Map<String, ChannelSpec> SPECS = Entity.byName(Place.FULL);

  /** A piece that looks as its shape says. */
  public Piece(
      String id,
      String name,
      String parent,
      String layer,
      Shape shape,
      String colour,
      boolean shown,
      boolean locked,
      AxisOrder order,
      Channels channels) {
    this(id, name, parent, layer, shape, colour, null, shown, locked, order, channels);
  }

  /** A piece on no layer. */
  public Piece(
      String id,
      String name,
      String parent,
      Shape shape,
      String colour,
      boolean shown,
      boolean locked,
      AxisOrder order,
      Channels channels) {
    this(id, name, parent, null, shape, colour, shown, locked, order, channels);
  }

  @Override
  public Map<String, ChannelSpec> channelSpecs() {
    return SPECS;
  }

  @Override
  public Piece withChannels(Channels c) {
    return PieceBuilder.With.super.withChannels(c);
  }

  @Override
  public Piece withName(String n) {
    return PieceBuilder.With.super.withName(n);
  }
}
