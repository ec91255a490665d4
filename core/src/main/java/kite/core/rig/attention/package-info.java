/**
 * What the camera looks at. How it turns there is parted: in which direction the subjects lie,
 * which way is up, how much of the turn is taken.
 */
package kite.core.rig.attention;
