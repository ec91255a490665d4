/** Travels between other cameras. */
package kite.core.rig.framings;
