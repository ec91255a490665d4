package kite.server.asset;

import java.awt.image.BufferedImage;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import kite.core.codec.ModelJson;
import kite.exchange.BadFile;
import kite.exchange.gltf.GlbReader;
import kite.exchange.gltf.ModelFile;
import kite.render.ModelGeometry;
import kite.server.Problem;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** Keeps models and images, and those in use at hand for the renderer. */
@Service
public class AssetStore {
  private static final JsonMapper JSON = JsonMapper.builder().build();
  private static final int GEOMETRIES_AT_HAND = 200;

  /** A decoded image of 4096 × 2160 takes 35 MB. */
  private static final int IMAGES_AT_HAND = 8;

  private final Assets assets;
  private final Map<String, ModelGeometry> geometries = new ConcurrentHashMap<>();
  private final Map<String, BufferedImage> images = new ConcurrentHashMap<>();

  AssetStore(Assets assets) {
    this.assets = assets;
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
   * Reads a model and keeps it.
   *
   * @throws BadFile when it cannot be taken; nothing is kept then
   */
  @Transactional
  public String keep(String name, byte[] bytes) throws BadFile {
    return keep(name, bytes, List.of());
  }

  /** As above, with warnings of an earlier step. */
  @Transactional
  public String keep(String name, byte[] bytes, List<String> warned) throws BadFile {
    ModelFile model = GlbReader.read(bytes);
    String sha = sha256(bytes);
    AssetRow known = assets.findById(sha).orElse(null);
    if (known != null) return known.report;
    AssetRow row = new AssetRow();
    row.sha256 = sha;
    row.kind = AssetRow.Kind.MODEL;
    row.name = name;
    row.bytes = bytes;
    List<String> warnings = new ArrayList<>(warned);
    warnings.addAll(model.warnings());
    row.rig = ModelJson.write(model.geometry().rig());
    row.report =
        JSON.writeValueAsString(
            new Report(
                sha,
                name,
                bytes.length,
                model.geometry().triangles(),
                model.bounds(),
                model.clips(),
                model.fileNodes(),
                warnings));
    assets.save(row);
    return row.report;
  }

  /** What is said of an image: its asset, and its size in pixels. */
  public record ImageReport(String asset, String name, int width, int height) {}

  /**
   * Keeps a PNG or JPEG image.
   *
   * @throws BadFile when it is none, or too large; nothing is kept then
   */
  @Transactional
  public String keepImage(String name, byte[] bytes) throws BadFile {
    int[] size = PlateImages.size(name, bytes);
    String sha = sha256(bytes);
    AssetRow known = assets.findById(sha).orElse(null);
    if (known != null) return known.report;
    AssetRow row = new AssetRow();
    row.sha256 = sha;
    row.kind = AssetRow.Kind.IMAGE;
    row.name = name;
    row.bytes = bytes;
    row.report = JSON.writeValueAsString(new ImageReport(sha, name, size[0], size[1]));
    assets.save(row);
    return row.report;
  }

  /** An image for the renderer, or null when there is none. */
  public BufferedImage image(String sha) {
    BufferedImage known = images.get(sha);
    if (known != null) return known;
    AssetRow row = assets.findById(sha).orElse(null);
    if (row == null || row.kind != AssetRow.Kind.IMAGE) return null;
    BufferedImage image = PlateImages.read(row.bytes);
    if (images.size() >= IMAGES_AT_HAND) images.clear();
    if (image != null) images.put(sha, image);
    return image;
  }

  private static String sha256(byte[] bytes) {
    try {
      return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }

  @Transactional(readOnly = true)
  AssetRow get(String sha) {
    return assets.findById(sha).orElseThrow(() -> Problem.missing("model"));
  }

  /** Geometry for the renderer, or null when there is no such model. */
  public ModelGeometry geometry(String sha) {
    ModelGeometry g = geometries.get(sha);
    if (g != null) return g;
    AssetRow row = assets.findById(sha).orElse(null);
    if (row == null || row.kind != AssetRow.Kind.MODEL) return null;
    try {
      g = GlbReader.read(row.bytes).geometry();
    } catch (BadFile e) {
      throw new IllegalStateException("A kept model cannot be read again: " + sha, e);
    }
    if (geometries.size() >= GEOMETRIES_AT_HAND) geometries.clear();
    geometries.put(sha, g);
    return g;
  }
}
