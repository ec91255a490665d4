/** A carriage on a path. */
package kite.core.rig.rail;
