package kite.core.document;

/** What a piece looks like. */
public sealed interface Shape permits Shape.StandIn, Shape.Model, Shape.Group {

  /**
   * A stand-in at true scale, standing on its own origin.
   *
   * @param width metres along X
   * @param height metres along Y
   * @param depth metres along Z
   */
  record StandIn(StandInKind form, double width, double height, double depth) implements Shape {}

  /**
   * An imported or made model.
   *
   * @param asset SHA-256 of the model file, lower-case hex
   * @param clip name of the animation played, or null for none
   * @param clipStart frame at which the animation's second 0 stands
   * @param clipSpeed seconds of animation per second of film
   * @param loops whether the animation begins again at its end
   * @param unitM metres per unit of the file
   */
  record Model(
      String asset,
      @OrNull String clip,
      double clipStart,
      double clipSpeed,
      boolean loops,
      double unitM)
      implements Shape {}

  /** Nothing of its own: carries what is nested in it. */
  record Group() implements Shape {}
}
