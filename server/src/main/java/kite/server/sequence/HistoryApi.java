package kite.server.sequence;

import java.util.List;
import java.util.UUID;
import kite.server.rights.May;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** A sequence's history. Bringing something back is an edit that the page makes like any other. */
@RestController
@RequestMapping("/api/sequences/{id}/history")
class HistoryApi {
  private final History history;

  HistoryApi(History history) {
    this.history = history;
  }

  /**
   * At most a hundred edits, the newest first.
   *
   * @param before only those of revisions before this one
   * @param touching the id of a thing that they changed
   * @param find part of who made them, or of what they are called
   */
  @GetMapping
  @May.LookAtSequence
  List<History.Made> list(
      @PathVariable UUID id,
      @RequestParam(defaultValue = "9223372036854775807") long before,
      @RequestParam(defaultValue = "") String touching,
      @RequestParam(defaultValue = "") String find) {
    return history.list(id, before, touching, find);
  }

  /** The document as it was at a revision. */
  @GetMapping(path = "/{revision}", produces = MediaType.APPLICATION_JSON_VALUE)
  @May.LookAtSequence
  String at(@PathVariable UUID id, @PathVariable long revision) {
    return history.at(id, revision);
  }
}
