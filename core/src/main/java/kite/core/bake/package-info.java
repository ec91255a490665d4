/** Any camera as a plain one in world space, frame by frame. The rig stays as it was. */
package kite.core.bake;
