/** A straight move on the axes of the part below. */
package kite.core.rig.slide;
