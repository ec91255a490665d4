package kite.core.document;

/** The stand-ins that come with the product. */
public enum StandInKind {
  BOX,
  SPHERE,
  CYLINDER,
  CONE,
  PLANE,
  ADULT,
  CHILD
}
