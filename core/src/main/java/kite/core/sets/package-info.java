/**
 * Sets that sequences of a production share: making one of things in a sequence, placing it, and
 * taking a later version without losing what a sequence made of it.
 */
package kite.core.sets;
