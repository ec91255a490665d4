package kite.server.asset;

import java.io.IOException;
import java.io.InputStream;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import kite.core.codec.TrackJson;
import kite.core.shape.MeshBuilder;
import kite.exchange.BadFile;
import kite.exchange.gltf.GlbReader;
import kite.exchange.gltf.GltfTogether;
import kite.exchange.obj.ObjModel;
import kite.exchange.text.Lettering;
import kite.exchange.track.CameraTracks;
import kite.server.Problem;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Bringing models in and handing them to the page. */
@RestController
@RequestMapping("/api/assets")
class AssetApi {
  private static final CacheControl FOR_GOOD =
      CacheControl.maxAge(Duration.ofDays(365)).cachePrivate().immutable();
  private final AssetStore store;

  AssetApi(AssetStore store) {
    this.store = store;
  }

  /** Takes a .glb or self-contained .gltf as the request's body; gives the import report. */
  @PostMapping(
      consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE,
      produces = MediaType.APPLICATION_JSON_VALUE)
  ResponseEntity<String> bring(InputStream body, @RequestParam String name) throws IOException {
    byte[] bytes = body.readNBytes(GlbReader.LARGEST_FILE + 1);
    return kept(() -> store.keep(clean(name), bytes));
  }

  /**
   * Takes a .obj with the .mtl and pictures that belong to it, or a .gltf with its data and
   * pictures; gives the import report.
   */
  @PostMapping(
      path = "/together",
      consumes = MediaType.MULTIPART_FORM_DATA_VALUE,
      produces = MediaType.APPLICATION_JSON_VALUE)
  ResponseEntity<String> bringTogether(@RequestParam("files") List<MultipartFile> files)
      throws IOException {
    Map<String, byte[]> all = new LinkedHashMap<>();
    String name = "";
    for (MultipartFile f : files) {
      String n = clean(f.getOriginalFilename() == null ? "file" : f.getOriginalFilename());
      if (n.toLowerCase(Locale.ROOT).matches(".*\\.(obj|gltf)")) name = n;
      all.put(n, f.getBytes());
    }
    String main = name;
    return kept(
        () -> {
          if (main.toLowerCase(Locale.ROOT).endsWith(".gltf"))
            return store.keep(main, GltfTogether.read(all));
          ObjModel model = ObjModel.read(all);
          return store.keep(main, model.glb(), model.warnings());
        });
  }

  /** Takes a PNG or JPEG image for a plate; gives its asset and size. */
  @PostMapping(
      path = "/images",
      consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE,
      produces = MediaType.APPLICATION_JSON_VALUE)
  ResponseEntity<String> bringImage(InputStream body, @RequestParam String name)
      throws IOException {
    byte[] bytes = body.readNBytes(PlateImages.LARGEST_FILE + 1);
    return kept(() -> store.keepImage(clean(name), bytes));
  }

  /**
   * @param colour #rrggbb
   */
  record Words(String text, double heightM, double depthM, String colour) {}

  /** Makes words into a model of letters; gives the import report. */
  @PostMapping(path = "/lettering", produces = MediaType.APPLICATION_JSON_VALUE)
  ResponseEntity<String> letter(@RequestBody Words w) {
    if (w.text() == null || w.colour() == null || !w.colour().matches("#[0-9a-f]{6}"))
      throw new Problem(
          HttpStatus.UNPROCESSABLE_CONTENT, "text", "Lettering needs a text and a colour #rrggbb.");
    double[] rgb = new double[3];
    for (int i = 0; i < 3; i++) rgb[i] = MeshBuilder.linear(w.colour(), 1 + i * 2);
    return kept(() -> store.keep(w.text(), Lettering.glb(w.text(), w.heightM(), w.depthM(), rgb)));
  }

  /**
   * Reads the cameras of a .usda, .glb, .gltf or .csv file; gives them as a list of tracks. Nothing
   * is kept.
   *
   * @param fps frames a second of the sequence, for files that count seconds
   */
  @PostMapping(
      path = "/camera-tracks",
      consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE,
      produces = MediaType.APPLICATION_JSON_VALUE)
  ResponseEntity<String> tracks(
      InputStream body, @RequestParam String name, @RequestParam double fps) throws IOException {
    byte[] bytes = body.readNBytes(CameraTracks.LARGEST_FILE + 1);
    if (!(fps > 0 && fps <= 1000))
      throw new Problem(HttpStatus.UNPROCESSABLE_CONTENT, "range", "The rate is 0 to 1000 fps.");
    return kept(
        () ->
            "["
                + String.join(
                    ",",
                    CameraTracks.read(clean(name), bytes, fps).stream()
                        .map(TrackJson::write)
                        .toList())
                + "]");
  }

  /** Work that may find a file bad. */
  private interface Reading {
    String read() throws BadFile;
  }

  private static ResponseEntity<String> kept(Reading work) {
    try {
      return ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON).body(work.read());
    } catch (BadFile e) {
      throw new Problem(HttpStatus.UNPROCESSABLE_CONTENT, "file", e.getMessage());
    }
  }

  private static String clean(String name) {
    String n = URLDecoder.decode(name, StandardCharsets.UTF_8).replaceAll("[\\p{Cntrl}/\\\\]", "_");
    return n.substring(0, Math.min(120, n.length()));
  }

  @GetMapping("/{sha}")
  ResponseEntity<byte[]> file(@PathVariable String sha) {
    AssetRow row = store.get(sha);
    String type =
        row.kind == AssetRow.Kind.MODEL
            ? "model/gltf-binary"
            : row.bytes[1] == 'P' ? "image/png" : "image/jpeg";
    return ResponseEntity.ok()
        .cacheControl(FOR_GOOD)
        .header("X-Content-Type-Options", "nosniff")
        .contentType(MediaType.parseMediaType(type))
        .body(row.bytes);
  }

  /** Nodes and clips for the page's core. */
  @GetMapping(path = "/{sha}/rig")
  ResponseEntity<String> rig(@PathVariable String sha) {
    return ResponseEntity.ok()
        .cacheControl(FOR_GOOD)
        .contentType(MediaType.APPLICATION_JSON)
        .body(rigOf(sha));
  }

  @GetMapping(path = "/{sha}/report")
  ResponseEntity<String> report(@PathVariable String sha) {
    return ResponseEntity.ok()
        .cacheControl(FOR_GOOD)
        .contentType(MediaType.APPLICATION_JSON)
        .body(store.get(sha).report);
  }

  private String rigOf(String sha) {
    AssetRow row = store.get(sha);
    if (row.rig == null) throw Problem.missing("model");
    return row.rig;
  }
}
