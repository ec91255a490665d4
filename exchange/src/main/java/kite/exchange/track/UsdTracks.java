package kite.exchange.track;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import kite.core.bake.CameraTrack;
import kite.core.math.Matrix;
import kite.exchange.BadFile;
import kite.exchange.Budget;
import kite.exchange.usd.UsdPlaces;
import kite.exchange.usd.UsdStage;
import kite.exchange.usd.UsdText;

/** Cameras of an OpenUSD text file or package, carried by whatever they are nested in. */
final class UsdTracks {
  /** UsdGeomCamera counts focal length in tenths of the stage's unit. */
  private static final double TENTH = 0.1;

  /** Rates nearer than this are one: 23.976 for 24000/1001. */
  private static final double SAME_RATE = 1e-4;

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
  static List<CameraTrack> read(String name, byte[] bytes, double fps, Budget budget)
      throws BadFile {
    UsdText.Prim stage = UsdStage.open(name, bytes, Map.of(), budget).root();
    UsdTracks t = new UsdTracks(stage, fps, budget);
    t.visit(stage, new ArrayList<>());
    return t.all;
  }

  /** Frames a time code; exactly 1 where both say the same rate, however it was rounded. */
  private static double rateOf(double fps, double codes) {
    return Math.abs(fps / codes - 1) < SAME_RATE ? 1 : fps / codes;
  }

  private void visit(UsdText.Prim p, List<UsdText.Prim> above) throws BadFile {
    budget.step();
    UsdStage.notTooDeep(above.size());
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
      for (UsdText.Prim p : chain) m = UsdPlaces.inParent(m, p, at[r], budget);
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

  private static double number(UsdText.Prim p, String name, double time, double otherwise)
      throws BadFile {
    Object v = UsdPlaces.at(p, name, time);
    if (v == null) return otherwise;
    List<Double> n = UsdPlaces.numbers(v);
    if (n.size() != 1 || !(Math.abs(n.get(0)) < MOST))
      throw new BadFile("“" + name + "” of a camera in the file is not one finite number.");
    return n.get(0);
  }
}
