package kite.render;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;

/** What is kept of a picture's rays beside the picture. Each pixel belongs to one thread. */
final class Gathered {
  /** Metres that stand for endless where nothing was met. */
  static final float ENDLESS_M = 1e10f;

  private static final List<String> RGB = List.of("R", "G", "B"), XYZ = List.of("X", "Y", "Z");

  private final int pixels;
  private final Wanted wanted;
  private final List<Layer> layers = new ArrayList<>();
  private final List<Matte> mattes = new ArrayList<>();
  private final List<String> without = new ArrayList<>();
  private final float[] covered;
  private final int[] met;

  /** For each lamp that is kept apart its number among all, and its layers. */
  private final List<Apart> apart = new ArrayList<>();

  private record Apart(int lamp, Layer diffuse, Layer specular, Layer shadow) {}

  private final Map<Pass, Layer> of = new EnumMap<>(Pass.class);

  /** How near the nearest of each pixel is; null where no pass asks. */
  private final float[] nearest;

  /** For each matte the number of each placed surface's name. */
  private final List<int[]> named = new ArrayList<>();

  /**
   * @param named what mattes call a piece, by its id
   */
  Gathered(int pixels, Wanted wanted, Moment moment, Map<Pass, Map<String, String>> named) {
    this.pixels = pixels;
    this.wanted = wanted;
    covered = new float[pixels];
    met = new int[pixels];
    for (Pass p : Pass.values()) {
      if (!wanted.passes().contains(p)) continue;
      switch (p.kind) {
        case LIGHT, COLOUR -> layer(p, RGB);
        case VECTOR -> layer(p, XYZ);
        case PAIR -> layer(p, List.of("X", "Y"));
        case NUMBER -> layer(p, List.of("Z"));
        case EACH_LIGHT -> lights(moment);
        case MATTE -> matte(p, moment.scene(), named.get(p));
      }
    }
    boolean asked = of.containsKey(Pass.POSITION) || of.containsKey(Pass.MOTION);
    if (of.containsKey(Pass.DEPTH)) nearest = of.get(Pass.DEPTH).planes()[0];
    else nearest = asked ? new float[pixels] : null;
    if (nearest != null) Arrays.fill(nearest, ENDLESS_M);
  }

  /** A pass in which a light can have no share, on no frame of it. */
  private Layer none(String name) {
    without.add(name);
    return new Layer(name, List.of(), new float[0][]);
  }

  private Layer layer(String name, List<String> channels) {
    Layer l = new Layer(name, channels, new float[channels.size()][pixels]);
    layers.add(l);
    return l;
  }

  private void layer(Pass p, List<String> channels) {
    of.put(p, layer(p.key, channels));
  }

  private void lights(Moment m) {
    List<Lamp> lamps = m.around().lamps();
    for (int i = 0; i < lamps.size(); i++) {
      Lamp l = lamps.get(i);
      if (!wanted.lights().contains(l.id())) continue;
      String name = Pass.LIGHTS.key + "." + l.name();
      apart.add(
          new Apart(
              i,
              layer(name + ".diffuse", RGB),
              l.specular() ? layer(name + ".specular", RGB) : none(name + ".specular"),
              l.castsShadow() ? layer(name + ".shadow", RGB) : none(name + ".shadow")));
    }
  }

  private void matte(Pass p, Scene scene, Map<String, String> called) {
    List<String> names = new ArrayList<>(new TreeSet<>(called.values()));
    int[] number = new int[scene.count()];
    for (int i = 0; i < number.length; i++)
      number[i] = names.indexOf(called.get(scene.placed(i).piece()));
    named.add(number);
    int[] which = new int[pixels * Matte.RANKS];
    Arrays.fill(which, -1);
    mattes.add(new Matte(p.key, names, which, new float[pixels * Matte.RANKS]));
  }

  /**
   * Takes a ray.
   *
   * @param motion pixels to the next frame, of what was met
   */
  void add(int at, LensRay ray, double[] motion) {
    Parts p = ray.parts;
    covered[at] += (float) ray.covers;
    for (Map.Entry<Pass, Layer> e : of.entrySet()) {
      double[] light = light(e.getKey(), p);
      if (light != null) sum(e.getValue(), at, light);
    }
    for (Apart a : apart) {
      sum(a.diffuse, at, p.lampDiffuse[a.lamp]);
      sum(a.specular, at, p.lampSpecular[a.lamp]);
      sum(a.shadow, at, p.lampShadow[a.lamp]);
    }
    if (Double.isInfinite(ray.depthM)) return;
    met[at]++;
    if (of.containsKey(Pass.DEPTH_SMOOTH))
      of.get(Pass.DEPTH_SMOOTH).planes()[0][at] += (float) ray.depthM;
    if (of.containsKey(Pass.NORMAL)) sum(of.get(Pass.NORMAL), at, ray.hit.normal);
    for (int i = 0; i < mattes.size(); i++)
      cover(mattes.get(i), at * Matte.RANKS, named.get(i)[ray.hit.placed]);
    if (nearest == null || ray.depthM >= nearest[at]) return;
    nearest[at] = (float) ray.depthM;
    if (of.containsKey(Pass.POSITION)) put(of.get(Pass.POSITION), at, ray.hit.at);
    if (of.containsKey(Pass.MOTION)) put(of.get(Pass.MOTION), at, motion);
  }

  /** The light of a pass, or null for one that is none. */
  private static double[] light(Pass p, Parts of) {
    return switch (p) {
      case AMBIENT -> of.ambient;
      case DIFFUSE -> of.diffuse;
      case SPECULAR -> of.specular;
      case REFLECTION -> of.reflection;
      case BOUNCE -> of.bounce;
      case EMISSION -> of.emission;
      case SURROUNDINGS -> of.surroundings;
      case SHADOW -> of.shadow;
      case LIGHTS, DEPTH, DEPTH_SMOOTH, POSITION, NORMAL, MOTION, PIECES, GROUPS, LAYERS -> null;
    };
  }

  private static void sum(Layer l, int at, double[] v) {
    for (int c = 0; c < l.planes().length; c++) l.planes()[c][at] += (float) v[c];
  }

  private static void put(Layer l, int at, double[] v) {
    for (int c = 0; c < l.planes().length; c++) l.planes()[c][at] = (float) v[c];
  }

  /** One more ray of a thing; one that finds no rank free is left out. */
  private static void cover(Matte m, int from, int thing) {
    if (thing < 0) return;
    for (int r = from; r < from + Matte.RANKS; r++) {
      if (m.which()[r] != thing && m.which()[r] >= 0) continue;
      m.which()[r] = thing;
      m.covers()[r]++;
      return;
    }
  }

  /**
   * Makes means of the sums.
   *
   * @param light what the picture gathered
   */
  Rendered of(Accumulated light, Picture picture) {
    Layer whole = new Layer("", List.of("R", "G", "B", "A"), new float[4][pixels]);
    for (int i = 0; i < pixels; i++) {
      int n = light.samples(i);
      for (int c = 0; c < 3; c++) whole.planes()[c][i] = (float) light.mean(i, c);
      whole.planes()[3][i] = covered[i] / n;
      for (Map.Entry<Pass, Layer> e : of.entrySet())
        if (light(e.getKey(), NOTHING) != null) divide(e.getValue(), i, n);
      for (Apart a : apart) {
        divide(a.diffuse, i, n);
        divide(a.specular, i, n);
        divide(a.shadow, i, n);
      }
      if (of.containsKey(Pass.DEPTH_SMOOTH)) {
        float[] z = of.get(Pass.DEPTH_SMOOTH).planes()[0];
        z[i] = met[i] == 0 ? ENDLESS_M : z[i] / met[i];
      }
      if (of.containsKey(Pass.NORMAL)) divide(of.get(Pass.NORMAL), i, n);
      for (Matte m : mattes) rank(m, i * Matte.RANKS, n);
    }
    List<Layer> all = new ArrayList<>(List.of(whole));
    all.addAll(layers);
    return new Rendered(picture, all, mattes, without);
  }

  private static final Parts NOTHING = new Parts(0);

  private static void divide(Layer l, int at, int by) {
    for (float[] p : l.planes()) p[at] /= by;
  }

  /** Puts those that cover most first. */
  private static void rank(Matte m, int from, int samples) {
    for (int i = from; i < from + Matte.RANKS; i++) {
      m.covers()[i] /= samples;
      for (int k = i; k > from && m.covers()[k] > m.covers()[k - 1]; k--) {
        float c = m.covers()[k];
        m.covers()[k] = m.covers()[k - 1];
        m.covers()[k - 1] = c;
        int w = m.which()[k];
        m.which()[k] = m.which()[k - 1];
        m.which()[k - 1] = w;
      }
    }
  }
}
