package kite.server.sequence;

/**
 * Who makes an edit.
 *
 * @param reviews whether they may put markers and write notes on shots, and no more
 */
public record Editor(String name, boolean reviews) {}
