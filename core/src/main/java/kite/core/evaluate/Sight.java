package kite.core.evaluate;

/** Edges of what a camera or a spot sees at the frame being evaluated, as slopes. */
public final class Sight {
  public double left = -1;
  public double right = 1;
  public double bottom = -1;
  public double top = 1;

  public void set(Sight other) {
    left = other.left;
    right = other.right;
    bottom = other.bottom;
    top = other.top;
  }
}
