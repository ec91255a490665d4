package kite.exchange.usd;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import kite.core.math.Matrix;
import kite.core.math.Rotation;
import kite.exchange.BadFile;
import kite.exchange.Budget;
import kite.exchange.Names;

/** Where prims stand, and what their attributes are at a time. */
public final class UsdPlaces {
  private static final String INVERT = "!invert!";
  private static final String RESET = "!resetXformStack!";

  private UsdPlaces() {}

  /** A prim's place in the world, from that of what it is nested in. */
  public static double[] inParent(double[] parent, UsdText.Prim p, double time, Budget budget)
      throws BadFile {
    double[] own = local(p, time, budget);
    return resets(p) ? own : times(parent, own);
  }

  /** A prim's transform to its parent: its ops from the outermost in. */
  private static double[] local(UsdText.Prim p, double time, Budget budget) throws BadFile {
    double[] m = Matrix.newIdentity();
    if (!(p.values.get("xformOpOrder") instanceof List<?> order)) return m;
    for (Object o : order) {
      budget.step();
      if (!(o instanceof String op)) throw unread("?");
      if (op.equals(RESET)) continue; // said by resets()
      boolean inverted = op.startsWith(INVERT);
      String name = inverted ? op.substring(INVERT.length()) : op;
      Object v = at(p, name, time);
      if (v != null) m = times(m, inverted ? inverse(op(name, v), name) : op(name, v));
    }
    return m;
  }

  /** Whether a prim stands in the world, whatever it is nested in. */
  private static boolean resets(UsdText.Prim p) {
    return p.values.get("xformOpOrder") instanceof List<?> order && order.contains(RESET);
  }

  private static double[] inverse(double[] m, String name) throws BadFile {
    try {
      return Matrix.newInverse(m, 0);
    } catch (ArithmeticException flat) {
      throw new BadFile(
          "The transform “" + Names.shown(name) + "” is flat and cannot be inverted, as it asks.");
    }
  }

  private static double[] op(String name, Object v) throws BadFile {
    double[] m = Matrix.newIdentity();
    if (!name.startsWith("xformOp:")) throw unread(name);
    String kind = name.substring("xformOp:".length()).split(":", 2)[0];
    if (kind.equals("transform")) {
      List<Double> n = numbers(v);
      if (n.size() != 16) throw new BadFile("A transform has not 16 numbers.");
      for (int i = 0; i < 16; i++) m[i] = n.get(i);
      return m;
    }
    List<Double> n = numbers(v);
    if (kind.equals("translate") && n.size() == 3) {
      for (int i = 0; i < 3; i++) m[12 + i] = n.get(i);
    } else if (kind.equals("scale") && n.size() == 3) {
      for (int i = 0; i < 3; i++) m[i * 5] = n.get(i);
    } else if (kind.equals("orient") && n.size() == 4) {
      double[] q = {n.get(1), n.get(2), n.get(3), n.get(0)};
      Rotation.normalise(q);
      Rotation.toMatrix(q, m, 0);
    } else if (kind.matches("rotate[XYZ]") && n.size() == 1) {
      turn(m, kind.charAt(6), n.get(0));
    } else if (kind.matches("rotate[XYZ]{3}") && n.size() == 3) {
      // rotateXYZ turns about X first: the last factor of the product for column vectors
      for (int i = 2; i >= 0; i--) {
        double[] one = Matrix.newIdentity();
        char axis = kind.charAt(6 + i);
        turn(one, axis, n.get(axis - 'X'));
        m = times(m, one);
      }
    } else {
      throw unread(name);
    }
    return m;
  }

  private static BadFile unread(String name) {
    return new BadFile("There is a transform “" + Names.shown(name) + "”, which is not read.");
  }

  private static void turn(double[] m, char axis, double degrees) {
    double a = Math.toRadians(degrees);
    Rotation.panTiltRoll(axis == 'Y' ? a : 0, axis == 'X' ? a : 0, axis == 'Z' ? a : 0, m, 0);
  }

  public static List<Double> numbers(Object v) throws BadFile {
    List<Double> all = new ArrayList<>();
    if (v instanceof Double d) {
      if (!Double.isFinite(d)) throw new BadFile("A number is not finite.");
      all.add(d);
    } else if (v instanceof List<?> l) {
      for (Object o : l) all.addAll(numbers(o));
    } else {
      throw new BadFile("A transform holds something that is not a number.");
    }
    if (all.size() > Matrix.SIZE) throw new BadFile("A transform has more than 16 numbers.");
    return all;
  }

  /** A value at a time: blended straight between samples, held beyond them. */
  public static Object at(UsdText.Prim p, String name, double time) throws BadFile {
    TreeMap<Double, Object> s = p.samples.get(name);
    if (s == null || s.isEmpty()) return p.values.get(name);
    Map.Entry<Double, Object> a = s.floorEntry(time), b = s.ceilingEntry(time);
    if (a == null) return b.getValue();
    if (b == null || a.getKey().equals(b.getKey())) return a.getValue();
    List<Double> x = numbers(a.getValue()), y = numbers(b.getValue());
    if (x.size() != y.size()) throw new BadFile("Two time samples do not belong together.");
    double t = (time - a.getKey()) / (b.getKey() - a.getKey());
    List<Object> between = new ArrayList<>();
    for (int i = 0; i < x.size(); i++) between.add(x.get(i) + (y.get(i) - x.get(i)) * t);
    return between;
  }

  static double[] times(double[] a, double[] b) {
    double[] out = new double[Matrix.SIZE];
    Matrix.multiply(a, 0, b, 0, out, 0);
    return out;
  }
}
