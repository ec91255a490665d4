package kite.core.document;

/** The stand-ins that come with the product. */
public enum StandInKind {
  BOX,
  SPHERE,
  CYLINDER,
  CONE,
  PLANE,
  RAMP,
  STAIRS,
  ARCH,
  TREE,
  VEHICLE,
  ADULT,
  CHILD,
  SITTING;

  /** A person: it has eyes, and can be posed. */
  public boolean isFigure() {
    return this == ADULT || this == CHILD || this == SITTING;
  }
}
