package kite.exchange.usd;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import kite.exchange.BadFile;
import kite.exchange.Budget;
import kite.exchange.Names;
import kite.exchange.usd.UsdText.Prim;
import kite.exchange.usd.UsdText.Ref;

/**
 * An OpenUSD stage as one tree: layers below it, classes, references and payloads are put in their
 * place, opinions on what is there are taken; then the variants that are chosen, and what value
 * clips say. All of it comes from the file itself, a package, or from what came beside it; nothing
 * else is ever opened. What a variant says gives way to what the prim refers to beside it, where a
 * full reader has it the other way round.
 */
public final class UsdStage {
  /** What is put in a prim's place from elsewhere, the strongest first. */
  private static final List<String> ARCS =
      List.of("inherits", "references", "payload", "specializes");

  /** A path in a layer has no more parts, a chain of layers no more links. */
  private static final int DEEPEST = 64;

  /** Prims in one another, with what they refer to. */
  private static final int DEEPEST_PRIM = 200;

  private static final byte[] CRATE = "PXR-USDC".getBytes(StandardCharsets.US_ASCII);

  private final Map<String, byte[]> files;
  private final Budget budget;
  private final Map<String, Prim> layers = new HashMap<>();

  /** Prims that are being put together, or are; false while they are. */
  private final Map<Prim, Boolean> whole = new IdentityHashMap<>();

  /** Prims whose variants are taken and clips laid over. */
  private final Map<Prim, Boolean> settled = new IdentityHashMap<>();

  /** In which layer variants and clips are said: what they name is looked for from there. */
  private final Map<Object, Said> said = new IdentityHashMap<>();

  private record Said(Prim layer, String path) {}

  private final Set<String> leftOut = new TreeSet<>();
  private final Prim root;

  private UsdStage(String name, Map<String, byte[]> files, Budget budget) throws BadFile {
    this.files = files;
    this.budget = budget;
    root = layer(name, 0);
    for (Prim p : root.children) settle(p, 0);
  }

  /**
   * @param name of the file; its ending does not matter
   * @param beside files that came with it, by their names
   */
  public static UsdStage open(String name, byte[] bytes, Map<String, byte[]> beside, Budget budget)
      throws BadFile {
    if (UsdzFile.isOne(bytes)) {
      Map<String, byte[]> files = UsdzFile.read(bytes, budget);
      return new UsdStage(files.keySet().iterator().next(), files, budget);
    }
    Map<String, byte[]> files = new LinkedHashMap<>(beside);
    files.put(name, bytes);
    return new UsdStage(name, files, budget);
  }

  /**
   * To be asked on the way through a stage: what refers to what refers to another goes deeper than
   * any text.
   */
  public static void notTooDeep(int depth) throws BadFile {
    if (depth > DEEPEST_PRIM)
      throw new BadFile("The prims of the file are nested more than " + DEEPEST_PRIM + " deep.");
  }

  /** A nameless prim whose values are the stage's metadata. */
  public Prim root() {
    return root;
  }

  /** What was named and is not there, or not read, in sentences. */
  public List<String> leftOut() {
    return new ArrayList<>(leftOut);
  }

  private Prim layer(String path, int depth) throws BadFile {
    Prim known = layers.get(path);
    if (known != null) return known;
    byte[] bytes = files.get(path);
    if (startsWith(bytes, CRATE))
      throw new BadFile(
          Names.shown(path)
              + " is OpenUSD’s binary form, which is not read. Write it as .usda, or as a .usdz of"
              + " such.");
    Prim p = UsdText.read(new String(bytes, StandardCharsets.UTF_8), budget);
    layers.put(path, p);
    if (p.values.get("subLayers") instanceof List<?> below)
      for (Object o : below)
        if (o instanceof Ref r) {
          String other = found(path, r.layer());
          if (other == null || depth >= DEEPEST) leave(r.layer());
          else for (Prim child : layer(other, depth + 1).children) lay(child, p.children);
        }
    for (Prim child : p.children) compose(child, p, path, depth);
    return p;
  }

  private static boolean startsWith(byte[] bytes, byte[] with) {
    if (bytes.length < with.length) return false;
    for (int i = 0; i < with.length; i++) if (bytes[i] != with[i]) return false;
    return true;
  }

  /** Lays a prim of a layer below under those of the layer: what they say goes first. */
  private void lay(Prim below, List<Prim> prims) {
    for (int i = 0; i < prims.size(); i++)
      if (prims.get(i).name.equals(below.name)) {
        // what is referred to is in several places: each has its own from here on
        Prim own = prims.get(i).copy();
        under(own, below);
        prims.set(i, own);
        return;
      }
    prims.add(below);
  }

  private void compose(Prim p, Prim layer, String path, int depth) throws BadFile {
    Boolean state = whole.get(p);
    if (state != null) return;
    whole.put(p, false);
    budget.step();
    Said here = new Said(layer, path);
    for (Map<String, Prim> set : p.variants.values())
      for (Prim variant : set.values()) said.put(variant, here);
    if (p.metadata.get("clips") instanceof Map<?, ?> clips) said.put(clips, here);
    for (Prim child : p.children) compose(child, layer, path, depth);
    for (String by : ARCS)
      for (Ref r : refs(p.metadata.get(by))) {
        Prim target = target(r, layer, path, depth);
        if (target == null) leave(r.layer().isEmpty() ? r.prim() : r.layer());
        else under(p, target);
      }
    whole.put(p, true);
  }

  private static List<Ref> refs(Object value) {
    if (value instanceof Ref r) return List.of(r);
    List<Ref> all = new ArrayList<>();
    if (value instanceof List<?> l) for (Object o : l) if (o instanceof Ref r) all.add(r);
    return all;
  }

  /**
   * What is referred to, put together itself; null where it is not there or leads back to itself.
   */
  private Prim target(Ref r, Prim layer, String path, int depth) throws BadFile {
    if (depth >= DEEPEST) return null;
    Prim in = layer;
    String at = path;
    if (!r.layer().isEmpty()) {
      at = found(path, r.layer());
      if (at == null) return null;
      in = layer(at, depth + 1);
    }
    Prim target = r.prim().isEmpty() ? usual(in) : prim(in, r.prim());
    if (target == null) return null;
    compose(target, in, at, depth + 1);
    return whole.get(target) ? target : null;
  }

  private static Prim usual(Prim layer) {
    if (layer.values.get("defaultPrim") instanceof String name) return prim(layer, "/" + name);
    return layer.children.isEmpty() ? null : layer.children.get(0);
  }

  private static Prim prim(Prim layer, String path) {
    Prim p = layer;
    for (String name : path.split("/")) {
      if (name.isEmpty()) continue;
      Prim next = null;
      for (Prim child : p.children) if (child.name.equals(name)) next = child;
      if (next == null) return null;
      p = next;
    }
    return p == layer ? null : p;
  }

  /** Takes from another prim what one does not say itself. */
  private void under(Prim p, Prim other) {
    if (p.type.isEmpty()) p.type = other.type;
    p.there |= other.there;
    other.metadata.forEach(p.metadata::putIfAbsent);
    other.values.forEach(
        (name, v) -> {
          if (!p.samples.containsKey(name)) p.values.putIfAbsent(name, v);
        });
    other.samples.forEach(
        (name, v) -> {
          if (!p.values.containsKey(name)) p.samples.putIfAbsent(name, v);
        });
    for (Prim child : other.children) lay(child, p.children);
    other.variants.forEach(
        (set, all) -> {
          Map<String, Prim> own = p.variants.computeIfAbsent(set, n -> new LinkedHashMap<>());
          all.forEach(own::putIfAbsent);
        });
    if (other.metadata.get("variants") instanceof Map<?, ?> chosen)
      p.metadata.merge("variants", chosen, UsdStage::chosen);
  }

  /** Which variants are chosen: what the stronger says goes first, set by set. */
  private static Object chosen(Object stronger, Object weaker) {
    Map<Object, Object> all = new LinkedHashMap<>((Map<?, ?>) weaker);
    all.putAll((Map<?, ?>) stronger);
    return all;
  }

  /** Takes the variants that are chosen, and lays what clips say over prims and all in them. */
  private void settle(Prim p, int depth) throws BadFile {
    notTooDeep(depth);
    if (settled.put(p, true) != null) return;
    Set<Prim> taken = Collections.newSetFromMap(new IdentityHashMap<>());
    while (true) {
      Prim next = null;
      if (p.metadata.get("variants") instanceof Map<?, ?> chosen)
        for (Map.Entry<String, Map<String, Prim>> set : p.variants.entrySet()) {
          Prim v = set.getValue().get(String.valueOf(chosen.get(set.getKey())));
          if (next == null && v != null && taken.add(v)) next = v;
        }
      if (next == null) break;
      Said where = said.get(next);
      compose(next, where.layer(), where.path(), 0);
      under(p, next);
    }
    for (Prim child : p.children) settle(child, depth + 1);
    if (p.metadata.get("clips") instanceof Map<?, ?> clips) clips(p, clips);
  }

  private void clips(Prim p, Map<?, ?> sets) throws BadFile {
    String from = said.get(sets).path();
    for (Object set : sets.values())
      if (set instanceof Map<?, ?> one) {
        UsdClips clips = UsdClips.of(one);
        List<Prim> layers = new ArrayList<>();
        for (String named : clips.layers()) {
          String path = found(from, named);
          if (path == null) leave(named);
          Prim in = path == null ? null : layer(path, 0);
          layers.add(in == null ? null : prim(in, clips.prim()));
        }
        clips.lay(p, layers, budget);
      }
  }

  private void leave(String what) {
    leftOut.add(
        "It refers to “"
            + Names.shown(what)
            + "”, which is not in it and did not come beside it: that is left out.");
  }

  /** Where a file is that a layer names: within the package, or else beside by its name alone. */
  private String found(String layer, String named) {
    String path = within(layer, named);
    if (path != null && files.containsKey(path)) return path;
    String alone = Names.file(named);
    for (String f : files.keySet()) if (Names.file(f).equals(alone)) return f;
    return null;
  }

  /** A path from the folder of another; null for one that leads out of the package. */
  static String within(String from, String named) {
    if (named.startsWith("/") || named.contains("\\") || named.contains(":")) return null;
    List<String> parts = new ArrayList<>();
    int folder = from.lastIndexOf('/');
    String whole = folder < 0 ? named : from.substring(0, folder + 1) + named;
    for (String part : whole.split("/")) {
      if (part.isEmpty() || part.equals(".")) continue;
      if (!part.equals("..")) parts.add(part);
      else if (parts.isEmpty()) return null;
      else parts.remove(parts.size() - 1);
    }
    return parts.isEmpty() || parts.size() > DEEPEST ? null : String.join("/", parts);
  }
}
