package kite.server.sound;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.security.Principal;
import java.time.Duration;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import kite.exchange.Names;
import kite.server.Problem;
import kite.server.asset.AssetStore;
import kite.server.asset.Imports;
import kite.server.asset.ProductionAssets;
import kite.server.rights.May;
import kite.server.rights.Rights;
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

/** Bringing recordings in and handing their samples to the page. */
@RestController
@RequestMapping("/api/assets")
class SoundApi {
  private static final CacheControl FOR_GOOD =
      CacheControl.maxAge(Duration.ofDays(365)).cachePrivate().immutable();

  /** Samples of each channel in a block: five seconds. */
  private static final int BLOCK = 5 * Decoder.RATE;

  private static final int MOST_BLOCKS = Decoder.LONGEST_S * Decoder.RATE / BLOCK;

  private final Recordings recordings;
  private final AssetStore assets;
  private final Imports imports;
  private final ProductionAssets owners;
  private final Rights rights;

  SoundApi(
      Recordings recordings,
      AssetStore assets,
      Imports imports,
      ProductionAssets owners,
      Rights rights) {
    this.recordings = recordings;
    this.assets = assets;
    this.imports = imports;
    this.owners = owners;
    this.rights = rights;
  }

  /** Takes a WAV, FLAC, MP3 or OGG file as the request's body; says how long it lasts. */
  @PostMapping(
      path = "/sounds",
      consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE,
      produces = MediaType.APPLICATION_JSON_VALUE)
  @May.BringIn
  CompletableFuture<ResponseEntity<String>> bring(
      InputStream body, @RequestParam String name, @RequestParam UUID sequence, Principal who)
      throws IOException {
    return imports
        .inTurn(
            who.getName(),
            brought -> {
              Path file = brought.copied(body, Decoder.LARGEST_FILE);
              return () -> {
                AssetStore.Kept kept = recordings.keep(Names.clean(name), file);
                owners.give(rights.productionOf(sequence), Set.of(kept.sha256()));
                return kept.report();
              };
            })
        .thenApply(json -> ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON).body(json));
  }

  /** How loud a recording gets in each hundredth of a second: a byte each, 255 is the most. */
  @GetMapping(path = "/{sha}/peaks", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
  @May.SeeAsset
  ResponseEntity<byte[]> peaks(@PathVariable String sha) {
    byte[] peaks = assets.peaks(sha);
    if (peaks == null) throw Problem.missing("recording");
    return bytes(peaks);
  }

  /**
   * Five seconds of a recording: 48,000 samples a second, two channels, 16 bits each with the low
   * byte first. The last block is shorter.
   *
   * @param block from 0
   */
  @GetMapping(path = "/{sha}/samples/{block}", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
  @May.SeeAsset
  ResponseEntity<byte[]> samples(@PathVariable String sha, @PathVariable int block)
      throws IOException {
    if (block < 0 || block > MOST_BLOCKS)
      throw new Problem(HttpStatus.UNPROCESSABLE_CONTENT, "range", "There is no such block.");
    if (assets.peaks(sha) == null) throw Problem.missing("recording");
    return bytes(recordings.read(sha, (long) block * BLOCK, BLOCK));
  }

  private static ResponseEntity<byte[]> bytes(byte[] all) {
    return ResponseEntity.ok()
        .cacheControl(FOR_GOOD)
        .header("X-Content-Type-Options", "nosniff")
        .contentType(MediaType.APPLICATION_OCTET_STREAM)
        .body(all);
  }
}
