package kite.server.sequence;

import java.util.List;
import java.util.UUID;

/**
 * A sequence was taken away for good.
 *
 * @param renders ids of its render jobs, which are gone with it
 */
public record SequenceRemoved(UUID sequence, List<UUID> renders) {}
