package kite.server.asset;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.awt.image.BufferedImage;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;
import kite.core.codec.ModelJson;
import kite.core.model.ModelRig;
import kite.exchange.BadFile;
import kite.exchange.Json;
import kite.exchange.gltf.GlbReader;
import kite.exchange.gltf.ModelFile;
import kite.render.ModelGeometry;
import kite.render.TreeStore;
import kite.server.Problem;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps models, images and recordings, and what is in use at hand for the renderer. */
@Service
public class AssetStore {

  /** Parts of the heap that decoded models and decoded images may hold for the next frame. */
  private static final long GEOMETRIES_AT_HAND = Runtime.getRuntime().maxMemory() / 4,
      IMAGES_AT_HAND = Runtime.getRuntime().maxMemory() / 10;

  /** Part of the heap that hierarchies for rays may hold for the next frame. */
  private static final long TREES_AT_HAND = Runtime.getRuntime().maxMemory() / 5;

  private static final long RIGS_AT_HAND = Runtime.getRuntime().maxMemory() / 20;

  private final Assets assets;
  private final Cache<String, ModelGeometry> geometries =
      Caffeine.newBuilder()
          .maximumWeight(GEOMETRIES_AT_HAND)
          .weigher((String sha, ModelGeometry g) -> weight(g.bytes()))
          .build();
  private final Cache<String, BufferedImage> images =
      Caffeine.newBuilder()
          .maximumWeight(IMAGES_AT_HAND)
          .weigher((String sha, BufferedImage i) -> weight(4L * i.getWidth() * i.getHeight()))
          .build();
  private final Cache<String, ModelRig> rigs =
      Caffeine.newBuilder()
          .maximumWeight(RIGS_AT_HAND)
          .weigher((String sha, ModelRig r) -> weight(r.bytes()))
          .build();

  private final TreeStore trees = new TreeStore(TREES_AT_HAND);

  private final Clock clock;

  AssetStore(Assets assets, Clock clock) {
    this.assets = assets;
    this.clock = clock;
  }

  /**
   * What an import found.
   *
   * @param bounds least x, y, z, most x, y, z of the rest pose, metres if the file keeps to glTF
   * @param fileNodes for each node of the rig, its index in the file
   */
  public record Report(
      String asset,
      String name,
      long bytes,
      int triangles,
      double[] bounds,
      List<String> clips,
      int[] fileNodes,
      List<String> warnings) {}

  /**
   * What is kept.
   *
   * @param report JSON of a {@link Report} or {@link ImageReport}
   */
  public record Kept(String sha256, String report) {}

  /**
   * Reads a model and keeps it.
   *
   * @throws BadFile when it cannot be taken; nothing is kept then
   */
  public Kept keep(String name, byte[] bytes) throws BadFile {
    return keep(name, bytes, List.of());
  }

  /** As above, with warnings of an earlier step. */
  public Kept keep(String name, byte[] bytes, List<String> warned) throws BadFile {
    String sha = sha256(bytes);
    AssetRow known = assets.findById(sha).orElse(null);
    if (known != null && known.kind == AssetKind.MODEL) return again(known);
    ModelFile model = GlbReader.read(bytes);
    AssetRow row = new AssetRow();
    row.sha256 = sha;
    row.kind = AssetKind.MODEL;
    row.name = name;
    row.bytes = bytes;
    List<String> warnings = new ArrayList<>(warned);
    warnings.addAll(model.warnings());
    row.rig = ModelJson.write(model.geometry().rig());
    row.report =
        Json.MAPPER.writeValueAsString(
            new Report(
                sha,
                name,
                bytes.length,
                model.geometry().triangles(),
                model.bounds(),
                model.clips(),
                model.fileNodes(),
                warnings));
    return kept(row);
  }

  /** What is brought in once more is not unused, whatever it was. */
  private Kept again(AssetRow known) {
    assets.broughtAgain(known.sha256, clock.instant());
    return new Kept(known.sha256, known.report);
  }

  /** Saves an asset; the same one may have been brought by somebody else at this moment. */
  private Kept kept(AssetRow row) {
    row.keptAt = clock.instant();
    try {
      assets.saveAndFlush(row);
      return new Kept(row.sha256, row.report);
    } catch (DataIntegrityViolationException e) {
      return new Kept(row.sha256, assets.findById(row.sha256).orElseThrow(() -> e).report);
    }
  }

  /** What is said of an image: its asset, and its size in pixels. */
  public record ImageReport(String asset, String name, int width, int height) {}

  /**
   * Keeps a PNG or JPEG image.
   *
   * @throws BadFile when it is none, or too large; nothing is kept then
   */
  public Kept keepImage(String name, byte[] bytes) throws BadFile {
    int[] size = PlateImages.size(name, bytes);
    String sha = sha256(bytes);
    AssetRow known = assets.findById(sha).orElse(null);
    if (known != null) return again(known);
    AssetRow row = new AssetRow();
    row.sha256 = sha;
    row.kind = AssetKind.IMAGE;
    row.name = name;
    row.bytes = bytes;
    row.report = Json.MAPPER.writeValueAsString(new ImageReport(sha, name, size[0], size[1]));
    return kept(row);
  }

  /**
   * Keeps a recording that was read.
   *
   * @param peaks how loud each hundredth of a second gets
   * @param report of the asset it becomes, as JSON
   */
  public Kept keepSound(String name, byte[] bytes, byte[] peaks, UnaryOperator<String> report) {
    String sha = sha256(bytes);
    AssetRow known = assets.findById(sha).orElse(null);
    if (known != null) return again(known);
    AssetRow row = new AssetRow();
    row.sha256 = sha;
    row.kind = AssetKind.SOUND;
    row.name = name;
    row.bytes = bytes;
    row.peaks = peaks;
    row.report = report.apply(sha);
    return kept(row);
  }

  /** How loud each hundredth of a second of a recording gets, or null when it is none. */
  public byte[] peaks(String sha) {
    return assets.peaksOf(sha);
  }

  /** An asset's file, as it is kept. */
  public record Stored(AssetKind kind, String name, byte[] bytes) {}

  /** The file of an asset, or null when it is not kept. */
  @Transactional(readOnly = true)
  public Stored stored(String sha) {
    return assets.findById(sha).map(r -> new Stored(r.kind, r.name, r.bytes)).orElse(null);
  }

  /** An image for the renderer, or null when there is none. */
  public BufferedImage image(String sha) {
    return images.get(
        sha,
        id -> {
          AssetRow row = assets.findById(id).orElse(null);
          return row == null || row.kind != AssetKind.IMAGE ? null : PlateImages.read(row.bytes);
        });
  }

  private static int weight(long bytes) {
    return (int) Math.max(1, Math.min(Integer.MAX_VALUE, bytes));
  }

  private static String sha256(byte[] bytes) {
    try {
      return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }

  /** Those of some that are stored. */
  public Set<String> there(Set<String> some) {
    return some.isEmpty() ? Set.of() : assets.there(some);
  }

  @Transactional(readOnly = true)
  AssetRow get(String sha) {
    return assets.findById(sha).orElseThrow(() -> Problem.missing("model"));
  }

  /** What moves in a model, or null when there is no such model. */
  public ModelRig rig(String sha) {
    return rigs.get(
        sha,
        id -> {
          String rig = assets.rigOf(id);
          return rig == null ? null : ModelJson.read(rig);
        });
  }

  /** Hierarchies of models and stand-ins, shared by all that is rendered here. */
  public TreeStore trees() {
    return trees;
  }

  /** Geometry for the renderer, or null when there is no such model. */
  public ModelGeometry geometry(String sha) {
    return geometries.get(
        sha,
        id -> {
          AssetRow row = assets.findById(id).orElse(null);
          if (row == null || row.kind != AssetKind.MODEL) return null;
          try {
            return GlbReader.read(row.bytes).geometry();
          } catch (BadFile e) {
            throw new IllegalStateException("A kept model cannot be read again: " + id, e);
          }
        });
  }
}
