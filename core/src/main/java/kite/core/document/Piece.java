package kite.core.document;

import java.util.Map;
import kite.core.math.AxisOrder;

/**
 * Anything placed in the set.
 *
 * @param parent the piece it is nested in, or null
 * @param layer the layer it lies on, or null
 * @param colour base colour as #rrggbb; a model keeps its own materials
 * @param shown whether the views and the render see it
 */
public record Piece(
    String id,
    String name,
    @OrNull String parent,
    @OrNull String layer,
    Shape shape,
    String colour,
    boolean shown,
    boolean locked,
    AxisOrder order,
    Channels channels)
    implements Entity {
  public static final String KIND = "piece";

  @Override
  public String kind() {
    return KIND;
  }

  private static final Map<String, ChannelSpec> SPECS = Entity.byName(Place.FULL);

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
  public Piece with(Channels c) {
    return new Piece(id, name, parent, layer, shape, colour, shown, locked, order, c);
  }

  public Piece with(Shape s, String newColour) {
    return new Piece(id, name, parent, layer, s, newColour, shown, locked, order, channels);
  }

  @Override
  public Piece named(String n) {
    return new Piece(id, n, parent, layer, shape, colour, shown, locked, order, channels);
  }

  public Piece under(String newParent) {
    return new Piece(id, name, newParent, layer, shape, colour, shown, locked, order, channels);
  }

  public Piece onLayer(String newLayer) {
    return new Piece(id, name, parent, newLayer, shape, colour, shown, locked, order, channels);
  }

  public Piece shown(boolean nowShown) {
    return new Piece(id, name, parent, layer, shape, colour, nowShown, locked, order, channels);
  }

  public Piece locked(boolean nowLocked) {
    return new Piece(id, name, parent, layer, shape, colour, shown, nowLocked, order, channels);
  }
}
