package kite.core.evaluate;

/** Edges of what a camera or a spot sees at the frame being evaluated, as slopes. */
final class Sight {
  double left = -1;
  double right = 1;
  double bottom = -1;
  double top = 1;

  void set(Sight other) {
    left = other.left;
    right = other.right;
    bottom = other.bottom;
    top = other.top;
  }
}
