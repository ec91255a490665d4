package kite.server.handover;

import java.security.Principal;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import kite.core.document.OrNull;
import kite.exchange.pack.PackageManifest;
import kite.server.rights.May;
import kite.server.rights.Rights;
import kite.server.sequence.SequenceStore;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** Handing over: what is asked for together comes as one file, and stands in a list. */
@RestController
@RequestMapping("/api/sequences/{id}")
class PackageApi {
  private final Packages packages;
  private final HandedOnRows rows;
  private final Checks checks;
  private final SequenceStore sequences;
  private final Rights rights;

  PackageApi(
      Packages packages, HandedOnRows rows, Checks checks, SequenceStore sequences, Rights rights) {
    this.packages = packages;
    this.rows = rows;
    this.checks = checks;
    this.sequences = sequences;
    this.rights = rights;
  }

  /** The number of a package that was begun. */
  record Begun(int number) {}

  @PostMapping("/packages")
  @May.EditSequence
  Begun begin(@PathVariable UUID id, @RequestBody PackageAsked asked, Principal who) {
    return new Begun(packages.begin(id, asked, who.getName()));
  }

  /**
   * A package in a list.
   *
   * @param manifest what it holds; null until its file was fetched
   */
  record Shown(
      int number, String by, Instant at, long revision, @OrNull PackageManifest manifest) {}

  /** The newest first. */
  @GetMapping("/packages")
  @May.LookAtSequence
  List<Shown> list(@PathVariable UUID id) {
    return rows.list(id).stream()
        .map(
            l ->
                new Shown(
                    l.number(),
                    l.byName(),
                    l.madeAt(),
                    l.revision(),
                    l.manifest() == null ? null : PackageManifest.read(l.manifest())))
        .toList();
  }

  @GetMapping("/packages/{number}/file.zip")
  @May.LookAtSequence
  ResponseEntity<StreamingResponseBody> file(@PathVariable UUID id, @PathVariable int number) {
    String name = packages.name(id, number) + ".zip";
    String production = sequences.nameOfProduction(rights.productionOf(id));
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment().filename(name).build().toString())
        .contentType(MediaType.parseMediaType("application/zip"))
        .body(out -> packages.write(id, number, production, out));
  }

  /** What is pointed out about the whole sequence as it is now. */
  @GetMapping("/checks")
  @May.LookAtSequence
  List<PackageManifest.Check> checks(@PathVariable UUID id) {
    return checks.of(sequences.get(id).sequence(), List.of(), sequences.approved(id));
  }
}
