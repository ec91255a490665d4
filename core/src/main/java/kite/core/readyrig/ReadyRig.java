package kite.core.readyrig;

/** Stacks that are made in one action. */
public enum ReadyRig {
  TRIPOD(false),
  /** A straight move of a metre or two, in any heading, as one curve. */
  SLIDER(false),
  /** A straight rail on the ground ahead, to be bent as wanted. */
  RAIL(false),
  CRANE(false),
  /** Round a subject, at the present distance. */
  ORBIT(true),
  /** On a vehicle or whatever else moves, with all of its motion. */
  RIDING(true),
  /** At the present distance from a subject that moves, looking at it. */
  FOLLOWING(true),
  /** A tripod with an operator holding the camera. */
  HANDHELD(false),
  /** Between other cameras' framings; it starts from where it is. */
  TRAVELLING(false),
  /** A tripod with an empty trim on top. */
  TRIMMED(false);

  private final boolean needsSubject;

  ReadyRig(boolean needsSubject) {
    this.needsSubject = needsSubject;
  }

  public boolean needsSubject() {
    return needsSubject;
  }
}
