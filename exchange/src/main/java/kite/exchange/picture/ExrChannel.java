package kite.exchange.picture;

/**
 * One channel of an OpenEXR file.
 *
 * @param name whole, with that of its layer
 * @param values a row after the other from above
 * @param half whether 16 bits are kept of a number instead of 32
 */
record ExrChannel(String name, float[] values, boolean half) {}
