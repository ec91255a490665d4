package kite.core.path;

/** How a path passes its points. */
public enum PathStyle {
  /** Smoothly through every point: centripetal Catmull–Rom, which never loops between points. */
  THROUGH,
  /** By each point's own handles. */
  BEZIER
}
