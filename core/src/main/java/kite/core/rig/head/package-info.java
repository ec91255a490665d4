/** Pan, tilt and roll. */
package kite.core.rig.head;
