package kite.render;

import java.util.List;

/**
 * One pass of a rendered picture.
 *
 * @param name in files; "" for the picture itself
 * @param channels their names, one letter each
 * @param planes a number for each pixel, by rows from the top, of each channel
 */
public record Layer(String name, List<String> channels, float[][] planes) {}
