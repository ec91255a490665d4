package kite.exchange.pack;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import kite.core.document.OrNull;
import kite.exchange.Json;

/**
 * What a package holds, as it stands in its {@value #PATH}; its schema is in {@code
 * docs/schema/package.json}.
 *
 * @param number of the package among those of its sequence, from 1
 * @param by who handed over, and so stands for the checks
 * @param at when, ISO 8601
 * @param since what has changed since an earlier package; null for one that stands alone
 */
public record PackageManifest(
    String format,
    int version,
    int number,
    String production,
    OfSequence sequence,
    String by,
    String at,
    List<OfShot> shots,
    List<OfFile> files,
    List<Check> checks,
    @OrNull Since since) {
  public static final String FORMAT = "jolly-kite package", PATH = "manifest.json";
  public static final int VERSION = 1;

  /**
   * @param revision of the document that it was made of
   * @param rate frames a second, as numerator/denominator
   */
  public record OfSequence(
      String id,
      String code,
      String title,
      long revision,
      String rate,
      int deliveryWidth,
      int deliveryHeight) {}

  /**
   * @param camera its letter; null for a gap
   * @param first of the programme, with {@code last} included
   * @param sceneFirst frames of the scene, without handles
   * @param handles frames more at each end in what was baked or rendered
   */
  public record OfShot(
      String code,
      String take,
      @OrNull String camera,
      int first,
      int last,
      double sceneFirst,
      double sceneLast,
      int handles) {}

  /**
   * @param kind what it is: {@code cut}, {@code shotList}, {@code camera}, {@code places}, {@code
   *     lens}, {@code sound}, {@code picture} or {@code film}
   * @param shot the code of the shot that it is of; null for the whole
   */
  public record OfFile(String path, String kind, @OrNull String shot, String sha256, long bytes) {}

  /**
   * Something that was pointed out before it was handed over.
   *
   * @param id of the shot, camera or sound that it is about, which is called {@code of}
   * @param shot the code of the shot it belongs to; null where it is of none
   * @param programme the frame of the programme where it is, or null
   * @param scene the frame of the scene where it is, or null
   * @param severity wrong, look or know; null in packages of earlier builds
   * @param advice what would mend it
   * @param mend what a click in the page makes of it; null where nothing is sure to be better
   * @param accepted why it stays; null where nobody has said
   */
  public record Check(
      String about,
      String id,
      String of,
      @OrNull String shot,
      @OrNull Integer programme,
      @OrNull Integer scene,
      @OrNull String severity,
      String text,
      @OrNull String advice,
      @OrNull String mend,
      @OrNull String accepted) {}

  /**
   * Files by their paths; those that are the same may have been left out.
   *
   * @param number of the earlier package
   * @param leftOut whether the same ones were
   */
  public record Since(
      int number,
      boolean leftOut,
      List<String> added,
      List<String> changed,
      List<String> same,
      List<String> removed) {}

  public PackageManifest {
    shots = List.copyOf(shots);
    files = List.copyOf(files);
    checks = List.copyOf(checks);
  }

  public byte[] write() {
    return Json.MAPPER.writerWithDefaultPrettyPrinter().writeValueAsBytes(this);
  }

  public static PackageManifest read(String json) {
    return Json.MAPPER.readValue(json, PackageManifest.class);
  }

  /**
   * All files that it stands for, by their paths: those it holds, and those that were left out
   * because they were the same.
   *
   * @param earlier manifests of the sequence's other packages
   */
  public Map<String, OfFile> standsFor(List<PackageManifest> earlier) {
    Map<String, OfFile> all = new TreeMap<>();
    if (since != null && since.leftOut())
      for (PackageManifest e : earlier)
        if (e.number() == since.number()) all.putAll(e.standsFor(earlier));
    if (since != null) all.keySet().retainAll(since.same());
    for (OfFile f : files) all.put(f.path(), f);
    return all;
  }

  /** What has changed from earlier checksums to these. */
  public static Since since(
      int number, boolean leftOut, Map<String, String> was, Map<String, String> is) {
    List<String> added = new ArrayList<>(), changed = new ArrayList<>();
    List<String> same = new ArrayList<>(), removed = new ArrayList<>();
    is.forEach(
        (path, sum) -> {
          if (!was.containsKey(path)) added.add(path);
          else if (was.get(path).equals(sum)) same.add(path);
          else changed.add(path);
        });
    for (String path : was.keySet()) if (!is.containsKey(path)) removed.add(path);
    return new Since(number, leftOut, added, changed, same, removed);
  }
}
