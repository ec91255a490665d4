package kite.server.sequence;

import java.security.Principal;
import java.util.List;
import java.util.UUID;
import kite.core.codec.Digest;
import kite.core.form.SequenceJson;
import kite.server.CoreJson;
import kite.server.Problem;
import kite.server.live.EditMade;
import kite.server.rights.May;
import kite.server.rights.Rights;
import kite.server.rights.Role;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Opening sequences and making edits. Documents and changes go as the core's own JSON. */
@RestController
@RequestMapping("/api/sequences")
class SequenceApi {
  private static final int LARGEST_EDIT = 16 << 20;
  private final SequenceStore store;
  private final Rights rights;

  SequenceApi(SequenceStore store, Rights rights) {
    this.store = store;
    this.rights = rights;
  }

  /**
   * @param id made by the page; the same id is never applied twice
   * @param revision the revision the edit was made on
   * @param commands a list of commands
   */
  record EditAsked(UUID id, long revision, String label, CoreJson commands) {}

  record Opened(UUID id, long revision, String role, CoreJson document) {}

  @GetMapping("/{id}")
  @May.SeeSequence
  Opened open(@PathVariable UUID id) {
    store.takeUpEarlierCut(id);
    SequenceStore.Present now = store.get(id);
    return new Opened(
        id,
        now.revision(),
        rights.roleIn(id).key(),
        new CoreJson(SequenceJson.write(now.sequence())));
  }

  /** What a page holds its own document against. */
  record DigestShown(long revision, String digest) {}

  @GetMapping("/{id}/digest")
  @May.SeeSequence
  DigestShown digest(@PathVariable UUID id) {
    SequenceStore.Present now = store.get(id);
    return new DigestShown(now.revision(), new Digest().of(now.sequence()));
  }

  /** Reviewers may put markers and write notes on shots; everything else is for artists. */
  @PostMapping("/{id}/edits")
  @May.LookAtSequence
  EditMade edit(@PathVariable UUID id, @RequestBody EditAsked asked, Principal who) {
    String commands = CoreJson.textOf(asked.commands());
    if (asked.id() == null || commands == null || commands.length() > LARGEST_EDIT)
      throw new Problem(
          HttpStatus.BAD_REQUEST, "request", "An edit needs an id and commands of at most 16 MB.");
    String label =
        asked.label() == null
            ? ""
            : asked.label().substring(0, Math.min(200, asked.label().length()));
    Editor by = new Editor(who.getName(), !rights.roleIn(id).may(Role.ARTIST));
    return store.edit(id, asked.id(), asked.revision(), by, label, commands);
  }

  /** Edits after a revision, oldest first, at most 500: ask again after the last of them. */
  @GetMapping("/{id}/edits")
  @May.SeeSequence
  List<EditMade> since(@PathVariable UUID id, @RequestParam long after) {
    return store.since(id, after);
  }

  /** One edit by its id; 404 when it was never taken. A page asks before it sends one again. */
  @GetMapping("/{id}/edits/{edit}")
  @May.LookAtSequence
  EditMade one(@PathVariable UUID id, @PathVariable UUID edit) {
    return store.made(id, edit);
  }
}
