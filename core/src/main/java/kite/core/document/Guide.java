package kite.core.document;

/**
 * Lines laid over the delivery frame.
 *
 * @param across columns of a grid, the width of another aspect ratio, or the share of a safe area
 * @param down rows of a grid, or the height of another aspect ratio
 * @param turn which of the four ways a spiral winds, 0–3
 * @param colour #rrggbb
 * @param strength 0–1
 */
public record Guide(
    Rule form, double across, double down, int turn, String colour, double strength) {

  /** Kinds of guide. */
  public enum Rule {
    THIRDS,
    GOLDEN_SECTION,
    GOLDEN_SPIRAL,
    DIAGONALS,
    TRIANGLES,
    CENTRE,
    GRID,
    HORIZON,
    ACTION_SAFE,
    TITLE_SAFE,
    ASPECT
  }
}
