package kite.server.sequence;

import java.security.Principal;
import java.util.List;
import java.util.UUID;
import kite.server.CoreJson;
import kite.server.rights.May;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The rigs that the production of a sequence keeps. */
@RestController
@RequestMapping("/api/sequences/{id}/rigs")
class SavedRigApi {
  private final SavedRigStore store;

  SavedRigApi(SavedRigStore store) {
    this.store = store;
  }

  /**
   * @param replace whether one of that name gives way
   */
  record Asked(String name, CoreJson rig, boolean replace) {}

  @GetMapping
  @May.LookAtSequence
  List<SavedRigStore.Saved> list(@PathVariable UUID id) {
    return store.list(id);
  }

  @PostMapping
  @May.EditSequence
  SavedRigStore.Saved save(@PathVariable UUID id, @RequestBody Asked asked, Principal who) {
    return store.save(
        id, asked.name(), CoreJson.textOf(asked.rig()), asked.replace(), who.getName());
  }

  @DeleteMapping("/{rig}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @May.EditSequence
  void forget(@PathVariable UUID id, @PathVariable UUID rig) {
    store.forget(id, rig);
  }
}
