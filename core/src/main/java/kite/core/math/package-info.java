/**
 * The small algebra the rig needs: points, 4×4 transforms and rotations.
 *
 * <p>Right-handed, +Y up, metres, radians. Matrices are column-major arrays of 16 doubles, the
 * layout the page's graphics library takes as it is. Nothing here knows about cameras.
 */
package kite.core.math;
