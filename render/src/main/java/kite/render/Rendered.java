package kite.render;

import java.util.List;

/**
 * A rendered frame.
 *
 * @param picture as a screen shows it
 * @param layers the picture in linear light with what it covers (R, G, B, A), multiplied with that,
 *     and the passes that were wanted
 * @param without passes that were wanted of a light which can have no share in them, by their names
 */
public record Rendered(
    Picture picture, List<Layer> layers, List<Matte> mattes, List<String> without) {}
