package kite.core.document;

/** What a piece looks like. */
public sealed interface Shape permits Shape.StandIn, Shape.Model, Shape.Group, Shape.Instance {
  /** The word it is known by in stored documents and edits: it never changes. */
  String kind();

  /**
   * A stand-in at true scale, standing on its own origin.
   *
   * @param width metres along X
   * @param height metres along Y
   * @param depth metres along Z
   * @param stance how a figure holds itself, or null for upright
   */
  record StandIn(StandInKind form, double width, double height, double depth, @OrNull Stance stance)
      implements Shape {
    public static final String KIND = "standIn";

    @Override
    public String kind() {
      return KIND;
    }

    public StandIn(StandInKind form, double width, double height, double depth) {
      this(form, width, height, depth, null);
    }
  }

  /**
   * How a figure holds itself, degrees.
   *
   * @param headTurn to its left
   * @param headTilt upwards
   * @param leftArm raised from hanging; 90 is straight ahead, 180 straight up
   * @param lean of the upper body, forwards
   */
  record Stance(double headTurn, double headTilt, double leftArm, double rightArm, double lean) {
    public static final Stance UPRIGHT = new Stance(0, 0, 0, 0, 0);
  }

  /**
   * An imported or made model.
   *
   * @param asset SHA-256 of the model file, lower-case hex
   * @param clip name of the animation played, or null for none
   * @param clipStart frame at which the animation's second 0 stands
   * @param clipSpeed seconds of animation per second of film
   * @param loops whether the animation begins again at its end
   * @param unitM metres per unit of the file
   * @param zUp whether the file's up is +Z instead of +Y
   * @param text what it says, when it is lettering made from a typeface
   */
  record Model(
      String asset,
      @OrNull String clip,
      double clipStart,
      double clipSpeed,
      boolean loops,
      double unitM,
      boolean zUp,
      @OrNull String text)
      implements Shape {
    public static final String KIND = "model";

    @Override
    public String kind() {
      return KIND;
    }

    public Model(
        String asset,
        String clip,
        double clipStart,
        double clipSpeed,
        boolean loops,
        double unitM) {
      this(asset, clip, clipStart, clipSpeed, loops, unitM, false, null);
    }
  }

  /** Nothing of its own: carries what is nested in it. */
  record Group() implements Shape {
    public static final String KIND = "group";

    @Override
    public String kind() {
      return KIND;
    }
  }

  /**
   * The shape and colour of another piece, at a place of its own.
   *
   * @param of the piece it repeats, which is no instance itself
   */
  record Instance(String of) implements Shape {
    public static final String KIND = "instance";

    @Override
    public String kind() {
      return KIND;
    }
  }
}
