package kite.server.render;

import java.util.UUID;

/**
 * A frame that is to be made.
 *
 * @param number in the job, from 1
 * @param round how often the job had been taken up again when it was asked for; what is of an
 *     earlier round is wanted no more
 */
record FrameWork(UUID job, int number, int round) {}
