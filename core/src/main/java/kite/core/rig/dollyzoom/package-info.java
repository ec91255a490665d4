/** Holds a size while the distance changes. */
package kite.core.rig.dollyzoom;
