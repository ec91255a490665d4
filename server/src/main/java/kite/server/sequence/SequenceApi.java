package kite.server.sequence;

import java.security.Principal;
import java.util.UUID;
import kite.core.codec.Digest;
import kite.core.form.SequenceJson;
import kite.server.Problem;
import kite.server.live.EditMade;
import kite.server.rights.May;
import kite.server.rights.Rights;
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
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.util.RawValue;

/** Opening sequences and making edits. Documents and changes go as the core's own JSON. */
@RestController
@RequestMapping("/api/sequences")
class SequenceApi {
  private static final int LARGEST_EDIT = 16 << 20;
  private static final JsonMapper JSON = JsonMapper.builder().build();
  private final SequenceStore store;
  private final Rights rights;

  SequenceApi(SequenceStore store, Rights rights) {
    this.store = store;
    this.rights = rights;
  }

  /**
   * @param id made by the page; the same id is never applied twice
   * @param revision the revision the edit was made on
   * @param commands the JSON text {@code {"commands": [...]}}
   */
  record EditAsked(UUID id, long revision, String label, String commands) {}

  @GetMapping(path = "/{id}", produces = MediaType.APPLICATION_JSON_VALUE)
  @May.SeeSequence
  ResponseEntity<String> open(@PathVariable UUID id) {
    SequenceStore.Present now = store.get(id);
    return json(
        JSON.writeValueAsString(
            JSON.createObjectNode()
                .put("id", id.toString())
                .put("revision", now.revision())
                .put("role", rights.roleIn(id).key())
                .putRawValue("document", new RawValue(SequenceJson.write(now.sequence())))));
  }

  /** What a page holds its own document against. */
  record DigestShown(long revision, String digest) {}

  @GetMapping("/{id}/digest")
  @May.SeeSequence
  DigestShown digest(@PathVariable UUID id) {
    SequenceStore.Present now = store.get(id);
    return new DigestShown(now.revision(), new Digest().of(now.sequence()));
  }

  @PostMapping(path = "/{id}/edits", produces = MediaType.APPLICATION_JSON_VALUE)
  @May.EditSequence
  ResponseEntity<String> edit(@PathVariable UUID id, @RequestBody EditAsked asked, Principal who) {
    if (asked.id() == null || asked.commands() == null || asked.commands().length() > LARGEST_EDIT)
      throw new Problem(
          HttpStatus.BAD_REQUEST, "request", "An edit needs an id and commands of at most 16 MB.");
    String label =
        asked.label() == null
            ? ""
            : asked.label().substring(0, Math.min(200, asked.label().length()));
    return json(
        store
            .edit(id, asked.id(), asked.revision(), who.getName(), label, asked.commands())
            .json());
  }

  /** Edits after a revision, oldest first, at most 500: ask again after the last of them. */
  @GetMapping(path = "/{id}/edits", produces = MediaType.APPLICATION_JSON_VALUE)
  @May.SeeSequence
  ResponseEntity<String> since(@PathVariable UUID id, @RequestParam long after) {
    return json(
        "[" + String.join(",", store.since(id, after).stream().map(EditMade::json).toList()) + "]");
  }

  /** One edit by its id; 404 when it was never taken. A page asks before it sends one again. */
  @GetMapping(path = "/{id}/edits/{edit}", produces = MediaType.APPLICATION_JSON_VALUE)
  @May.EditSequence
  ResponseEntity<String> one(@PathVariable UUID id, @PathVariable UUID edit) {
    return json(store.made(id, edit).json());
  }

  private static ResponseEntity<String> json(String body) {
    return ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON).body(body);
  }
}
