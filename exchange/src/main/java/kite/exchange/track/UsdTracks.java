package kite.exchange.track;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import kite.core.bake.CameraTrack;
import kite.core.math.Matrix;
import kite.core.math.Rotation;
import kite.exchange.BadFile;
import kite.exchange.Budget;
import kite.exchange.Names;

/** Cameras of an OpenUSD text file, carried by whatever they are nested in. */
final class UsdTracks {
  /** UsdGeomCamera counts focal length in tenths of the stage's unit. */
  private static final double TENTH = 0.1;

  /** Rates nearer than this are one: 23.976 for 24000/1001. */
  private static final double SAME_RATE = 1e-4;

  private static final String INVERT = "!invert!";
  private static final String RESET = "!resetXformStack!";

  /** No camera is farther away, no lens longer, no frame later, in whatever unit. */
  private static final double MOST = 1e12;

  private final Budget budget;
  private final boolean zUp;
  private final double unit;
  private final double framesPerCode;
  private final List<CameraTrack> all = new ArrayList<>();
  private int frames;

  private UsdTracks(UsdText.Prim stage, double fps, Budget budget) {
    this.budget = budget;
    double codes =
        stage.values.get("timeCodesPerSecond") instanceof Double d && d > 0 && d < MOST ? d : fps;
    zUp = "Z".equals(stage.values.get("upAxis"));
    unit = stage.values.get("metersPerUnit") instanceof Double d && d > 0 && d < MOST ? d : 0.01;
    framesPerCode = rateOf(fps, codes);
  }

  /**
   * @param fps frames a second of the sequence; a file that says how many time codes a second has
   *     is brought to it
   */
  static List<CameraTrack> read(String text, double fps, Budget budget) throws BadFile {
    UsdText.Prim stage = UsdText.read(text, budget);
    UsdTracks t = new UsdTracks(stage, fps, budget);
    t.visit(stage, new ArrayList<>());
    return t.all;
  }

  /** Frames a time code; exactly 1 where both say the same rate, however it was rounded. */
  private static double rateOf(double fps, double codes) {
    return Math.abs(fps / codes - 1) < SAME_RATE ? 1 : fps / codes;
  }

  private void visit(UsdText.Prim p, List<UsdText.Prim> above) throws BadFile {
    above.add(p);
    if (p.type.equals("Camera")) all.add(track(p, above));
    for (UsdText.Prim c : p.children) visit(c, above);
    above.remove(above.size() - 1);
  }

  private CameraTrack track(UsdText.Prim camera, List<UsdText.Prim> chain) throws BadFile {
    TreeSet<Double> times = new TreeSet<>();
    for (UsdText.Prim p : chain)
      for (Map.Entry<String, TreeMap<Double, Object>> s : p.samples.entrySet())
        if (s.getKey().startsWith("xformOp:")) addTimes(times, s.getValue());
    TreeMap<Double, Object> focal = camera.samples.get("focalLength");
    if (focal != null) addTimes(times, focal);
    if (times.isEmpty()) times.add(0.0);
    frames += times.size();
    if (frames > CameraTracks.MOST_FRAMES)
      throw new BadFile(
          "The file's cameras have more than "
              + CameraTracks.MOST_FRAMES
              + " time samples together. Bring fewer.");
    budget.take(8L * (Matrix.SIZE + 2) * times.size(), "The cameras of the file");
    double[] at = times.stream().mapToDouble(d -> d).toArray();
    double[] world = new double[at.length * Matrix.SIZE], mm = new double[at.length];
    double mmPerUnit = TENTH * unit * 1000;
    boolean lens = focal != null || camera.values.get("focalLength") instanceof Double;
    for (int r = 0; r < at.length; r++) {
      double[] m = Matrix.newIdentity();
      for (UsdText.Prim p : chain) m = resets(p) ? local(p, at[r]) : times(m, local(p, at[r]));
      for (double d : m)
        if (!(Math.abs(d) < MOST))
          throw new BadFile("A camera of the file is at a place that is not finite or too far.");
      System.arraycopy(m, 0, world, r * Matrix.SIZE, Matrix.SIZE);
      if (lens) mm[r] = number(camera, "focalLength", at[r], 50) * mmPerUnit;
    }
    double wide = number(camera, "horizontalAperture", at[0], 0) * mmPerUnit;
    double high = number(camera, "verticalAperture", at[0], 0) * mmPerUnit;
    for (int r = 0; r < at.length; r++) {
      at[r] *= framesPerCode;
      if (!(Math.abs(at[r]) < MOST) || r > 0 && at[r] <= at[r - 1])
        throw new BadFile("The time samples of a camera in the file are not frames.");
    }
    return new CameraTrack(
        camera.name,
        at,
        world,
        lens ? mm : new double[0],
        0,
        zUp,
        unit,
        wide > 0 ? new double[] {wide, Math.max(0, high)} : new double[0]);
  }

  private void addTimes(TreeSet<Double> times, TreeMap<Double, Object> samples) throws BadFile {
    for (Double d : samples.keySet()) {
      budget.step();
      times.add(d);
    }
  }

  /** A prim's transform to its parent: its ops from the outermost in. */
  private double[] local(UsdText.Prim p, double time) throws BadFile {
    double[] m = Matrix.newIdentity();
    if (!(p.values.get("xformOpOrder") instanceof List<?> order)) return m;
    for (Object o : order) {
      budget.step();
      if (!(o instanceof String op)) throw unread("?");
      if (op.equals(RESET)) continue; // said by resets()
      boolean inverted = op.startsWith(INVERT);
      String name = inverted ? op.substring(INVERT.length()) : op;
      Object v = sampled(p, name, time);
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
      List<Double> n = flat(v);
      if (n.size() != 16) throw new BadFile("A transform of the camera has not 16 numbers.");
      for (int i = 0; i < 16; i++) m[i] = n.get(i);
      return m;
    }
    List<Double> n = flat(v);
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
    return new BadFile(
        "The camera has a transform “" + Names.shown(name) + "”, which is not read.");
  }

  private static void turn(double[] m, char axis, double degrees) {
    double a = Math.toRadians(degrees);
    Rotation.panTiltRoll(axis == 'Y' ? a : 0, axis == 'X' ? a : 0, axis == 'Z' ? a : 0, m, 0);
  }

  private static List<Double> flat(Object v) throws BadFile {
    List<Double> all = new ArrayList<>();
    if (v instanceof Double d) {
      if (!Double.isFinite(d)) throw new BadFile("A number of the camera is not finite.");
      all.add(d);
    } else if (v instanceof List<?> l) {
      for (Object o : l) all.addAll(flat(o));
    } else {
      throw new BadFile("A transform of the camera holds something that is not a number.");
    }
    if (all.size() > Matrix.SIZE)
      throw new BadFile("A transform of the camera has more than 16 numbers.");
    return all;
  }

  private static double number(UsdText.Prim p, String name, double time, double otherwise)
      throws BadFile {
    Object v = sampled(p, name, time);
    if (v == null) return otherwise;
    List<Double> n = flat(v);
    if (n.size() != 1 || !(Math.abs(n.get(0)) < MOST))
      throw new BadFile("“" + name + "” of a camera in the file is not one finite number.");
    return n.get(0);
  }

  /** A value at a time: blended straight between samples, held beyond them. */
  private static Object sampled(UsdText.Prim p, String name, double time) throws BadFile {
    TreeMap<Double, Object> s = p.samples.get(name);
    if (s == null || s.isEmpty()) return p.values.get(name);
    Map.Entry<Double, Object> a = s.floorEntry(time), b = s.ceilingEntry(time);
    if (a == null) return b.getValue();
    if (b == null || a.getKey().equals(b.getKey())) return a.getValue();
    List<Double> x = flat(a.getValue()), y = flat(b.getValue());
    if (x.size() != y.size())
      throw new BadFile("Two samples of the camera do not belong together.");
    double t = (time - a.getKey()) / (b.getKey() - a.getKey());
    List<Object> between = new ArrayList<>();
    for (int i = 0; i < x.size(); i++) between.add(x.get(i) + (y.get(i) - x.get(i)) * t);
    return between;
  }

  private static double[] times(double[] a, double[] b) {
    double[] out = new double[Matrix.SIZE];
    Matrix.multiply(a, 0, b, 0, out, 0);
    return out;
  }
}
