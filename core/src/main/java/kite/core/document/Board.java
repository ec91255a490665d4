package kite.core.document;

/**
 * A picture that stands for a shot until a camera does.
 *
 * @param picture an image asset, by its SHA-256
 * @param shown whether it is seen where there is a camera, too
 */
public record Board(String picture, boolean shown) {}
