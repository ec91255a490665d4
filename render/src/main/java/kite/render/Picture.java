package kite.render;

/**
 * A finished picture.
 *
 * @param argb rows from the top, opaque sRGB
 */
public record Picture(int width, int height, int[] argb) {}
