package kite.server.sequence;

import java.security.Principal;
import java.util.List;
import java.util.UUID;
import kite.server.rights.May;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Versions of a sequence. Going back to one is an edit that the page makes like any other. */
@RestController
@RequestMapping("/api/sequences/{id}/versions")
class VersionApi {
  private final VersionStore store;

  VersionApi(VersionStore store) {
    this.store = store;
  }

  /**
   * @param revision the one the page shows
   */
  record Asked(long revision, String name, String note) {}

  @GetMapping
  @May.LookAtSequence
  List<VersionStore.Kept> list(@PathVariable UUID id) {
    return store.list(id);
  }

  @PostMapping
  @May.EditSequence
  VersionStore.Kept keep(@PathVariable UUID id, @RequestBody Asked asked, Principal who) {
    return store.keep(id, asked.revision(), asked.name(), asked.note(), who.getName());
  }

  @GetMapping(path = "/{number}", produces = MediaType.APPLICATION_JSON_VALUE)
  @May.LookAtSequence
  String document(@PathVariable UUID id, @PathVariable int number) {
    return store.document(id, number);
  }
}
