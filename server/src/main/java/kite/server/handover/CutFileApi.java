package kite.server.handover;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.Principal;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import kite.core.number.Rate;
import kite.exchange.Budget;
import kite.exchange.cut.CutFile;
import kite.server.asset.Imports;
import kite.server.rights.May;
import kite.server.sequence.SequenceStore;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Reading a cut that comes back. It changes nothing: what is made of it is an edit of the page. */
@RestController
@RequestMapping("/api/sequences/{id}/cut-file")
class CutFileApi {
  private final Imports imports;
  private final SequenceStore sequences;

  CutFileApi(Imports imports, SequenceStore sequences) {
    this.imports = imports;
    this.sequences = sequences;
  }

  /** Takes an .otio or .edl file as the request's body. */
  @PostMapping(consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
  @May.EditSequence
  CompletableFuture<CutFile> read(
      @PathVariable UUID id, InputStream body, @RequestParam String name, Principal who)
      throws IOException {
    Rate rate = sequences.get(id).sequence().header().rate();
    return imports.inTurn(
        who.getName(),
        brought -> {
          Path file = brought.copied(body, CutFile.LARGEST_FILE);
          return () -> CutFile.read(name, Files.readAllBytes(file), rate, Budget.usual());
        });
  }
}
