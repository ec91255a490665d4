package kite.server.asset;

import java.io.IOException;
import java.io.InputStream;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import kite.exchange.BadFile;
import kite.exchange.gltf.GlbReader;
import kite.server.Problem;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

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
    String clean =
        URLDecoder.decode(name, StandardCharsets.UTF_8).replaceAll("[\\p{Cntrl}/\\\\]", "_");
    try {
      return ResponseEntity.ok()
          .contentType(MediaType.APPLICATION_JSON)
          .body(store.keep(clean.substring(0, Math.min(120, clean.length())), bytes));
    } catch (BadFile e) {
      throw new Problem(HttpStatus.UNPROCESSABLE_CONTENT, "file", e.getMessage());
    }
  }

  @GetMapping("/{sha}")
  ResponseEntity<byte[]> file(@PathVariable String sha) {
    return ResponseEntity.ok()
        .cacheControl(FOR_GOOD)
        .contentType(MediaType.parseMediaType("model/gltf-binary"))
        .body(store.get(sha).bytes);
  }

  /** Nodes and clips for the page's core. */
  @GetMapping(path = "/{sha}/rig")
  ResponseEntity<String> rig(@PathVariable String sha) {
    return ResponseEntity.ok()
        .cacheControl(FOR_GOOD)
        .contentType(MediaType.APPLICATION_JSON)
        .body(store.get(sha).rig);
  }

  @GetMapping(path = "/{sha}/report")
  ResponseEntity<String> report(@PathVariable String sha) {
    return ResponseEntity.ok()
        .cacheControl(FOR_GOOD)
        .contentType(MediaType.APPLICATION_JSON)
        .body(store.get(sha).report);
  }
}
