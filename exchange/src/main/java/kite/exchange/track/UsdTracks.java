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

/** Cameras of an OpenUSD text file, carried by whatever they are nested in. */
final class UsdTracks {
  /** UsdGeomCamera counts focal length in tenths of the stage's unit. */
  private static final double TENTH = 0.1;

  private static final int MOST_FRAMES = 200_000;

  /** Rates nearer than this are one: 23.976 for 24000/1001. */
  private static final double SAME_RATE = 1e-4;

  private static final String INVERT = "!invert!";
  private static final String RESET = "!resetXformStack!";

  private UsdTracks() {}

  /**
   * @param fps frames a second of the sequence; a file that says how many time codes a second has
   *     is brought to it
   */
  static List<CameraTrack> read(String text, double fps) throws BadFile {
    UsdText.Prim stage = UsdText.read(text);
    double codes = stage.values.get("timeCodesPerSecond") instanceof Double d && d > 0 ? d : fps;
    boolean zUp = "Z".equals(stage.values.get("upAxis"));
    double unit = stage.values.get("metersPerUnit") instanceof Double d && d > 0 ? d : 0.01;
    List<CameraTrack> all = new ArrayList<>();
    visit(stage, new ArrayList<>(), zUp, unit, rateOf(fps, codes), all);
    return all;
  }

  /** Frames a time code; exactly 1 where both say the same rate, however it was rounded. */
  private static double rateOf(double fps, double codes) {
    return Math.abs(fps / codes - 1) < SAME_RATE ? 1 : fps / codes;
  }

  private static void visit(
      UsdText.Prim p,
      List<UsdText.Prim> above,
      boolean zUp,
      double unit,
      double framesPerCode,
      List<CameraTrack> all)
      throws BadFile {
    above.add(p);
    if (p.type.equals("Camera")) all.add(track(p, above, zUp, unit, framesPerCode));
    for (UsdText.Prim c : p.children) visit(c, above, zUp, unit, framesPerCode, all);
    above.remove(above.size() - 1);
  }

  private static CameraTrack track(
      UsdText.Prim camera, List<UsdText.Prim> chain, boolean zUp, double unit, double framesPerCode)
      throws BadFile {
    TreeSet<Double> times = new TreeSet<>();
    for (UsdText.Prim p : chain)
      p.samples.forEach(
          (name, s) -> {
            if (name.startsWith("xformOp:")) times.addAll(s.keySet());
          });
    TreeMap<Double, Object> focal = camera.samples.get("focalLength");
    if (focal != null) times.addAll(focal.keySet());
    if (times.isEmpty()) times.add(0.0);
    if (times.size() > MOST_FRAMES) throw new BadFile("The camera has too many time samples.");
    double[] frames = times.stream().mapToDouble(d -> d).toArray();
    double[] world = new double[frames.length * Matrix.SIZE], mm = new double[frames.length];
    boolean lens = focal != null || camera.values.get("focalLength") instanceof Double;
    for (int r = 0; r < frames.length; r++) {
      double[] m = Matrix.newIdentity();
      for (UsdText.Prim p : chain)
        m = resets(p) ? local(p, frames[r]) : times(m, local(p, frames[r]));
      System.arraycopy(m, 0, world, r * Matrix.SIZE, Matrix.SIZE);
      if (lens) mm[r] = number(camera, "focalLength", frames[r], 50) * TENTH * unit * 1000;
    }
    double mmPerUnit = TENTH * unit * 1000;
    double wide = number(camera, "horizontalAperture", frames[0], 0) * mmPerUnit;
    double high = number(camera, "verticalAperture", frames[0], 0) * mmPerUnit;
    for (int r = 0; r < frames.length; r++) frames[r] *= framesPerCode;
    return new CameraTrack(
        camera.name,
        frames,
        world,
        lens ? mm : new double[0],
        0,
        zUp,
        unit,
        wide > 0 ? new double[] {wide, Math.max(0, high)} : new double[0]);
  }

  /** A prim's transform to its parent: its ops from the outermost in. */
  private static double[] local(UsdText.Prim p, double time) throws BadFile {
    double[] m = Matrix.newIdentity();
    if (!(p.values.get("xformOpOrder") instanceof List<?> order)) return m;
    for (Object o : order) {
      String op = o.toString();
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
      throw new BadFile("The transform “" + name + "” is flat and cannot be inverted, as it asks.");
    }
  }

  private static double[] op(String name, Object v) throws BadFile {
    double[] m = Matrix.newIdentity();
    if (!name.startsWith("xformOp:"))
      throw new BadFile("The camera has a transform “" + name + "”, which is not read.");
    String kind = name.split(":")[1];
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
      throw new BadFile("The camera has a transform “" + name + "”, which is not read.");
    }
    return m;
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
    return all;
  }

  private static double number(UsdText.Prim p, String name, double time, double otherwise)
      throws BadFile {
    Object v = sampled(p, name, time);
    return v == null ? otherwise : flat(v).get(0);
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
