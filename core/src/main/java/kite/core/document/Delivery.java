package kite.core.document;

/** A delivery size in pixels. */
public record Delivery(int width, int height) {}
