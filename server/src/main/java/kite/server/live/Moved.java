package kite.server.live;

import java.util.UUID;

/** A render of a sequence has got further, or has come to an end. */
public record RenderMoved(UUID sequence) {}
