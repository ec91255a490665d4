package kite.server.sequence;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.security.Principal;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import kite.exchange.BadFile;
import kite.exchange.archive.SequenceFileReader;
import kite.server.asset.Imports;
import kite.server.rights.May;
import kite.server.rights.Rights;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** Carrying sequences out and in as files. */
@RestController
@RequestMapping("/api")
class SequenceFileApi {
  private final SequenceFiles files;
  private final Imports imports;
  private final Rights rights;

  SequenceFileApi(SequenceFiles files, Imports imports, Rights rights) {
    this.files = files;
    this.imports = imports;
    this.rights = rights;
  }

  /** The sequence with its versions, models and images as one {@code .kite.zip}. */
  @GetMapping("/sequences/{id}/file")
  @May.EditSequence
  ResponseEntity<StreamingResponseBody> out(@PathVariable UUID id, Principal who) {
    UUID production = rights.productionOf(id);
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment().filename(files.name(id)).build().toString())
        .contentType(MediaType.parseMediaType("application/zip"))
        .body(stream -> files.write(id, production, who.getName(), stream));
  }

  /**
   * Takes a {@code .kite.zip} as the request's body.
   *
   * @param code "" for its own, or the next one where that is taken
   */
  @PostMapping(
      path = "/productions/{id}/sequences/file",
      consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
  @May.EditProduction
  CompletableFuture<SequenceFiles.Taken> in(
      @PathVariable UUID id,
      InputStream body,
      @RequestParam(defaultValue = "") String code,
      Principal who)
      throws IOException {
    return inTurn(body, who, file -> files.read(id, code, file));
  }

  /** Looks into a {@code .kite.zip}, to take some of it into a sequence; makes no edit. */
  @PostMapping(path = "/sequences/{id}/file", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
  @May.EditSequence
  CompletableFuture<SequenceFiles.Held> hold(@PathVariable UUID id, InputStream body, Principal who)
      throws IOException {
    UUID production = rights.productionOf(id);
    return inTurn(body, who, file -> files.hold(production, file));
  }

  /** What is done with a file that was brought. */
  private interface Work<T> {
    T with(Path file) throws BadFile, IOException;
  }

  private <T> CompletableFuture<T> inTurn(InputStream body, Principal who, Work<T> work)
      throws IOException {
    return imports.inTurn(
        who.getName(),
        brought -> {
          Path file = brought.copied(body, SequenceFileReader.MOST_BYTES);
          return () -> work.with(file);
        });
  }
}
