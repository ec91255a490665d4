package kite.core.check;

import kite.core.check.Finding.Severity;

/** What is pointed out about a shot beside its cuts and its move. */
public enum Flag {
  LENS_OFF_KIT(Severity.LOOK, "Take a lens of the kit, or add this one to the kit."),
  /** A clip cuts something that is in frame. */
  CLIPPED(Severity.WRONG, "Bring the near clip closer, or take the far clip farther."),
  /** What the camera looks at is not within the limits of what is sharp. */
  NOT_SHARP(Severity.LOOK, "Focus on it, or close the iris."),
  KEY_BETWEEN(Severity.LOOK, "Put the key onto a whole frame, or others will not find it."),
  /** The camera moves where the shot begins or ends, and stands still before or behind. */
  MOVE_AT_EDGE(Severity.KNOW, "Begin the move before the shot, or end it behind, by its handles."),
  /** Whom the camera looks at is hidden. */
  HIDDEN_SUBJECT(Severity.LOOK, "Show it, or look at something else."),
  /** Something in frame is seen in the views and not in a render. */
  NOT_RENDERED(Severity.LOOK, "Render its layer, or hide it in the views as well."),
  /** The images of a plate run out, or begin too late. */
  PLATE_SHORT(Severity.WRONG, "Move the plate, bring in more images, or trim the shot."),
  /** The same, in the handles only. */
  PLATE_SHORT_IN_HANDLES(Severity.KNOW, "Bring in more images, or hand over with less handles."),
  NOT_APPROVED(Severity.KNOW, "Have it approved in the review first."),
  /** An image, model or recording is not there. */
  FILE_MISSING(Severity.WRONG, "Bring the file in again.");

  public final Severity severity;
  public final String advice;

  Flag(Severity severity, String advice) {
    this.severity = severity;
    this.advice = advice;
  }
}
