package kite.exchange.usd;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import kite.exchange.BadFile;
import kite.exchange.Budget;
import kite.exchange.usd.UsdText.Prim;
import kite.exchange.usd.UsdText.Ref;

/**
 * Value clips of a prim: layers that take turns to say how its attributes, and those of what is in
 * it, go over time. OpenUSD, “Sequencable, Re-timeable Animated Value Clips”.
 */
final class UsdClips {
  /** A clip a frame over a long shot. */
  private static final int MOST = 5000;

  /** A turn: from when on which clip says, in the stage's time. */
  private record Turn(double from, int clip) {}

  /** A moment of the stage and that of the clips. */
  private record Knot(double stage, double clip) {}

  private final List<String> layers;
  private final String prim;
  private final List<Turn> turns;
  private final List<Knot> knots;

  private UsdClips(List<String> layers, String prim, List<Turn> turns, List<Knot> knots) {
    this.layers = layers;
    this.prim = prim;
    this.turns = turns;
    this.knots = knots;
  }

  /** From what a set of clips says, by names as they stand in the file. */
  static UsdClips of(Map<?, ?> set) throws BadFile {
    String prim = set.get("primPath") instanceof String s ? s : "";
    Object template = set.get("templateAssetPath");
    if (template != null) return ofTemplate(set, template);
    List<String> layers = new ArrayList<>();
    if (set.get("assetPaths") instanceof List<?> all)
      for (Object o : all) if (o instanceof Ref r) layers.add(r.layer());
    List<Turn> turns = new ArrayList<>();
    for (double[] a : pairs(set.get("active"))) turns.add(new Turn(a[0], (int) a[1]));
    List<Knot> knots = new ArrayList<>();
    for (double[] t : pairs(set.get("times"))) knots.add(new Knot(t[0], t[1]));
    return checked(new UsdClips(layers, prim, turns, knots));
  }

  private static UsdClips ofTemplate(Map<?, ?> set, Object template) throws BadFile {
    String name = template instanceof Ref r ? r.layer() : String.valueOf(template);
    double first = number(set, "templateStartTime"), last = number(set, "templateEndTime");
    double step = set.containsKey("templateStride") ? number(set, "templateStride") : 1;
    int from = name.indexOf('#'), to = name.lastIndexOf('#');
    if (from < 0 || !(step > 0) || !((last - first) / step < MOST))
      throw new BadFile("The value clips of the file have no pattern that can be counted through.");
    List<String> layers = new ArrayList<>();
    List<Turn> turns = new ArrayList<>();
    for (double t = first; t <= last; t += step) {
      String counted = String.format("%0" + (to - from + 1) + "d", Math.round(t));
      turns.add(new Turn(t, layers.size()));
      layers.add(name.substring(0, from) + counted + name.substring(to + 1));
    }
    String prim = set.get("primPath") instanceof String s ? s : "";
    return checked(new UsdClips(layers, prim, turns, List.of()));
  }

  private static UsdClips checked(UsdClips c) throws BadFile {
    if (c.layers.size() > MOST || c.turns.size() > MOST || c.knots.size() > 2 * MOST)
      throw new BadFile("A prim of the file has more than " + MOST + " value clips.");
    c.turns.sort((a, b) -> Double.compare(a.from, b.from));
    for (Turn t : c.turns)
      if (t.clip < 0 || t.clip >= c.layers.size())
        throw new BadFile("A value clip is to have its turn which the file does not name.");
    return c;
  }

  private static double number(Map<?, ?> set, String name) throws BadFile {
    if (set.get(name) instanceof Double d && Double.isFinite(d)) return d;
    throw new BadFile("The value clips of the file lack “" + name + "”.");
  }

  private static List<double[]> pairs(Object value) throws BadFile {
    List<double[]> all = new ArrayList<>();
    if (value instanceof List<?> l)
      for (Object o : l) {
        List<Double> n = UsdPlaces.numbers(o);
        if (n.size() != 2) throw new BadFile("The times of value clips are no pairs.");
        all.add(new double[] {n.get(0), n.get(1)});
      }
    return all;
  }

  /** The clips' layers, as they are named. */
  List<String> layers() {
    return layers;
  }

  /** Where in each layer the prim is. */
  String prim() {
    return prim;
  }

  /**
   * Gives a prim and all in it the samples that the clips have for them. What has samples already
   * keeps those.
   *
   * @param clips the prim in each of the layers; null where it is not
   */
  void lay(Prim p, List<Prim> clips, Budget budget) throws BadFile {
    Set<String> names = new HashSet<>();
    for (Prim c : clips) if (c != null) names.addAll(c.samples.keySet());
    for (String name : names) {
      if (p.samples.containsKey(name)) continue;
      TreeMap<Double, Object> all = new TreeMap<>();
      for (int i = 0; i < turns.size(); i++) {
        Prim c = clips.get(turns.get(i).clip);
        if (c == null || !c.samples.containsKey(name)) continue;
        // the first turn reaches back, the last one on
        double from = i == 0 ? Double.NEGATIVE_INFINITY : turns.get(i).from;
        double to = i + 1 < turns.size() ? turns.get(i + 1).from : Double.POSITIVE_INFINITY;
        turn(c, name, from, to, all, budget);
      }
      if (!all.isEmpty()) p.samples.put(name, all);
    }
    for (int i = 0; i < p.children.size(); i++) {
      Prim child = p.children.get(i);
      List<Prim> inside = clips.stream().map(c -> child(c, child.name)).toList();
      if (inside.stream().allMatch(c -> c == null)) continue;
      Prim own = child.copy(); // it may be in several places
      lay(own, inside, budget);
      p.children.set(i, own);
    }
  }

  private static Prim child(Prim in, String name) {
    if (in == null) return null;
    for (Prim c : in.children) if (c.name.equals(name)) return c;
    return null;
  }

  /** What a clip says in its turn: its samples at the stage's times, and how it begins and ends. */
  private void turn(
      Prim clip, String name, double from, double to, TreeMap<Double, Object> into, Budget budget)
      throws BadFile {
    List<Double> times = new ArrayList<>();
    for (double c : clip.samples.get(name).keySet()) stageTimes(c, times);
    for (Knot k : knots) times.add(k.stage);
    for (double t : times) {
      budget.step();
      if (t >= from && t < to) into.put(t, UsdPlaces.at(clip, name, clipTime(t)));
    }
    if (Double.isFinite(from)) into.put(from, UsdPlaces.at(clip, name, clipTime(from)));
    double end = Math.nextDown(to); // the next clip's own values begin at once
    if (Double.isFinite(to) && end > from) into.put(end, UsdPlaces.at(clip, name, clipTime(end)));
  }

  private double clipTime(double stage) {
    if (knots.isEmpty()) return stage;
    Knot a = knots.get(0);
    if (stage < a.stage) return a.clip;
    for (int i = 1; i < knots.size(); i++) {
      Knot b = knots.get(i);
      if (stage < b.stage)
        return a.clip + (b.clip - a.clip) * (stage - a.stage) / (b.stage - a.stage);
      a = b;
    }
    return a.clip;
  }

  /** The moments of the stage at which a moment of the clip is seen. */
  private void stageTimes(double clip, List<Double> into) {
    if (knots.isEmpty()) into.add(clip);
    for (int i = 0; i + 1 < knots.size(); i++) {
      Knot a = knots.get(i), b = knots.get(i + 1);
      double share = (clip - a.clip) / (b.clip - a.clip);
      if (b.stage > a.stage && share >= 0 && share <= 1)
        into.add(a.stage + share * (b.stage - a.stage));
    }
  }
}
