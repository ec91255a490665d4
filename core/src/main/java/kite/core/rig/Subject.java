package kite.core.rig;

import kite.core.document.OrNull;
import kite.core.math.Vec3;

/**
 * Something a camera looks at.
 *
 * @param entity a piece, mark or camera
 * @param anchor a named point of a piece (eyes, head, centre, a model's node), or null for its
 *     usual one
 * @param offset metres on the subject's own axes
 */
public record Subject(String entity, @OrNull String anchor, Vec3 offset) {
  public static Subject of(String entity) {
    return new Subject(entity, null, Vec3.ZERO);
  }
}
