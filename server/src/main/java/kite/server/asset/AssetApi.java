package kite.server.asset;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.Principal;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Collectors;
import kite.core.codec.TrackJson;
import kite.core.shape.MeshBuilder;
import kite.exchange.BadFile;
import kite.exchange.Budget;
import kite.exchange.Json;
import kite.exchange.Names;
import kite.exchange.gltf.GlbReader;
import kite.exchange.gltf.GltfTogether;
import kite.exchange.obj.ObjModel;
import kite.exchange.text.Lettering;
import kite.exchange.track.CameraTracks;
import kite.exchange.usd.UsdModel;
import kite.server.Problem;
import kite.server.rights.May;
import kite.server.rights.Rights;
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
  private final Imports imports;
  private final ProductionAssets owners;
  private final Rights rights;

  AssetApi(AssetStore store, Imports imports, ProductionAssets owners, Rights rights) {
    this.store = store;
    this.imports = imports;
    this.owners = owners;
    this.rights = rights;
  }

  /** Takes a .glb or self-contained .gltf as the request's body; gives the import report. */
  @PostMapping(
      consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE,
      produces = MediaType.APPLICATION_JSON_VALUE)
  @May.BringIn
  CompletableFuture<ResponseEntity<String>> bring(
      InputStream body, @RequestParam String name, @RequestParam UUID sequence, Principal who)
      throws IOException {
    return inTurn(
        who,
        brought -> {
          Path file = brought.copied(body, GlbReader.LARGEST_FILE);
          return () -> given(sequence, store.keep(Names.clean(name), Files.readAllBytes(file)));
        });
  }

  /**
   * Takes a .obj with the .mtl and pictures that belong to it, a .gltf with its data and pictures,
   * or a .usda with the layers that it refers to, or a .usdz; gives the import report.
   */
  @PostMapping(
      path = "/together",
      consumes = MediaType.MULTIPART_FORM_DATA_VALUE,
      produces = MediaType.APPLICATION_JSON_VALUE)
  @May.BringIn
  CompletableFuture<ResponseEntity<String>> bringTogether(
      @RequestParam("files") List<MultipartFile> files, @RequestParam UUID sequence, Principal who)
      throws IOException {
    return inTurn(
        who,
        brought -> {
          Map<String, Path> all = new LinkedHashMap<>();
          for (MultipartFile f : files) {
            String given = f.getOriginalFilename();
            Path to = brought.file(Integer.toString(all.size()));
            f.transferTo(to);
            all.put(given == null || given.isBlank() ? "file" : Names.clean(given), to);
          }
          return () -> given(sequence, together(all));
        });
  }

  private AssetStore.Kept together(Map<String, Path> paths) throws BadFile, IOException {
    Map<String, byte[]> all = new LinkedHashMap<>();
    String main = "";
    for (Map.Entry<String, Path> f : paths.entrySet()) {
      if (f.getKey().toLowerCase(Locale.ROOT).matches(".*\\.(obj|gltf)")) main = f.getKey();
      all.put(f.getKey(), Files.readAllBytes(f.getValue()));
    }
    if (main.toLowerCase(Locale.ROOT).endsWith(".gltf"))
      return store.keep(main, GltfTogether.read(all, Budget.usual()));
    String stage = UsdModel.main(all);
    if (main.isEmpty() && stage != null) {
      UsdModel set = UsdModel.read(stage, all, Budget.usual());
      return store.keep(stage, set.glb(), set.warnings());
    }
    ObjModel model = ObjModel.read(all, Budget.usual());
    return store.keep(main, model.glb(), model.warnings());
  }

  /** Takes a PNG or JPEG image for a plate; gives its asset and size. */
  @PostMapping(
      path = "/images",
      consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE,
      produces = MediaType.APPLICATION_JSON_VALUE)
  @May.BringIn
  ResponseEntity<String> bringImage(
      InputStream body, @RequestParam String name, @RequestParam UUID sequence) throws IOException {
    byte[] bytes = body.readNBytes(PlateImages.LARGEST_FILE + 1);
    return json(Imports.read(() -> given(sequence, store.keepImage(Names.clean(name), bytes))));
  }

  /**
   * @param colour #rrggbb
   */
  record Words(String text, double heightM, double depthM, String colour) {}

  /** Makes words into a model of letters; gives the import report. */
  @PostMapping(path = "/lettering", produces = MediaType.APPLICATION_JSON_VALUE)
  @May.BringIn
  ResponseEntity<String> letter(@RequestBody Words w, @RequestParam UUID sequence)
      throws IOException {
    if (w.text() == null || w.colour() == null || !w.colour().matches("#[0-9a-f]{6}"))
      throw new Problem(
          HttpStatus.UNPROCESSABLE_CONTENT, "text", "Lettering needs a text and a colour #rrggbb.");
    double[] rgb = new double[3];
    for (int i = 0; i < 3; i++) rgb[i] = MeshBuilder.linear(w.colour(), 1 + i * 2);
    return json(
        Imports.read(
            () ->
                given(
                    sequence,
                    store.keep(w.text(), Lettering.glb(w.text(), w.heightM(), w.depthM(), rgb)))));
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
  @May.BringIn
  CompletableFuture<ResponseEntity<String>> tracks(
      InputStream body,
      @RequestParam String name,
      @RequestParam double fps,
      @RequestParam UUID sequence,
      Principal who)
      throws IOException {
    if (!(fps > 0 && fps <= 1000))
      throw new Problem(HttpStatus.UNPROCESSABLE_CONTENT, "range", "The rate is 0 to 1000 fps.");
    return inTurn(
        who,
        brought -> {
          Path file = brought.copied(body, CameraTracks.LARGEST_FILE);
          return () ->
              CameraTracks.read(name, Files.readAllBytes(file), fps, Budget.usual()).stream()
                  .map(TrackJson::write)
                  .collect(Collectors.joining(",", "[", "]"));
        });
  }

  /** Says what is in an OpenUSD file: how many cameras and meshes. Nothing is kept. */
  @PostMapping(
      path = "/usd-contents",
      consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE,
      produces = MediaType.APPLICATION_JSON_VALUE)
  @May.BringIn
  CompletableFuture<ResponseEntity<String>> usdContents(
      InputStream body, @RequestParam String name, @RequestParam UUID sequence, Principal who)
      throws IOException {
    return inTurn(
        who,
        brought -> {
          Path file = brought.copied(body, GlbReader.LARGEST_FILE);
          return () ->
              Json.MAPPER.writeValueAsString(
                  UsdModel.holds(Names.clean(name), Files.readAllBytes(file), Budget.usual()));
        });
  }

  /** What was kept is the sequence's production's, too; gives its report. */
  private String given(UUID sequence, AssetStore.Kept kept) {
    owners.give(rights.productionOf(sequence), Set.of(kept.sha256()));
    return kept.report();
  }

  private CompletableFuture<ResponseEntity<String>> inTurn(
      Principal who, Imports.Taking<String> taking) throws IOException {
    return imports.inTurn(who.getName(), taking).thenApply(AssetApi::json);
  }

  private static ResponseEntity<String> json(String body) {
    return ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON).body(body);
  }

  @GetMapping("/{sha}")
  @May.SeeAsset
  ResponseEntity<byte[]> file(@PathVariable String sha) {
    AssetRow row = store.get(sha);
    String type =
        switch (row.kind) {
          case MODEL -> "model/gltf-binary";
          case IMAGE -> row.bytes[1] == 'P' ? "image/png" : "image/jpeg";
          case SOUND -> MediaType.APPLICATION_OCTET_STREAM_VALUE;
        };
    return ResponseEntity.ok()
        .cacheControl(FOR_GOOD)
        .header("X-Content-Type-Options", "nosniff")
        .contentType(MediaType.parseMediaType(type))
        .body(row.bytes);
  }

  /** Nodes and clips for the page's core. */
  @GetMapping(path = "/{sha}/rig")
  @May.SeeAsset
  ResponseEntity<String> rig(@PathVariable String sha) {
    return ResponseEntity.ok()
        .cacheControl(FOR_GOOD)
        .contentType(MediaType.APPLICATION_JSON)
        .body(rigOf(sha));
  }

  @GetMapping(path = "/{sha}/report")
  @May.SeeAsset
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
