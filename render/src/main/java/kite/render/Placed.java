package kite.render;

/**
 * A surface where it stands.
 *
 * @param piece id of the piece that it belongs to
 * @param world place and axes, 16 numbers
 * @param key what tells its mesh from any other; null for one of this frame alone, such as a skin
 */
public record Placed(String piece, Surface surface, double[] world, Object key) {}
