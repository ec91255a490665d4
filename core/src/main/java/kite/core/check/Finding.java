package kite.core.check;

import kite.core.document.OrNull;

/**
 * Something that is pointed out before a shot leaves.
 *
 * @param about the word of what it is, by which it can be accepted
 * @param of the entity that it is accepted on, which is called {@code name}
 * @param shot the code of the shot it belongs to; null where it is of none
 * @param programme the frame of the programme where it is, or null
 * @param scene the frame of the scene where it is, or null
 * @param advice what would mend it
 * @param mend what a click makes of it; null where nothing is sure to be better
 * @param accepted why it stays; null while nobody has said
 */
public record Finding(
    Severity severity,
    String about,
    String of,
    String name,
    @OrNull String shot,
    @OrNull Integer programme,
    @OrNull Integer scene,
    String text,
    String advice,
    @OrNull String mend,
    @OrNull String accepted) {

  /** How much it weighs; the heaviest first. */
  public enum Severity {
    /** It will be seen, or is missing, in what is handed over. */
    WRONG,
    /** It may be meant so. */
    LOOK,
    /** Whoever gets it will want to know. */
    KNOW
  }
}
