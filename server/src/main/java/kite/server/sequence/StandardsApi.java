package kite.server.sequence;

import java.security.Principal;
import java.util.List;
import java.util.UUID;
import kite.server.CoreJson;
import kite.server.Problem;
import kite.server.rights.May;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** A production's standards: looking at them, at what a change would do, and changing them. */
@RestController
@RequestMapping("/api")
class StandardsApi {
  private static final int LONGEST = 200_000;
  private final StandardsStore store;

  StandardsApi(StandardsStore store) {
    this.store = store;
  }

  /**
   * @param version as it was given with the standards that were changed
   */
  record Asked(int version, CoreJson standards) {}

  @GetMapping("/sequences/{id}/standards")
  @May.LookAtSequence
  StandardsStore.Agreed of(@PathVariable UUID id) {
    return store.of(id);
  }

  /** What these standards would change, sequence by sequence; changes nothing. */
  @PostMapping("/productions/{id}/standards/effects")
  @May.LeadProduction
  List<StandardsStore.Effect> effects(@PathVariable UUID id, @RequestBody Asked asked) {
    return store.effects(id, text(asked));
  }

  @PostMapping("/productions/{id}/standards")
  @May.LeadProduction
  StandardsStore.Agreed agree(@PathVariable UUID id, @RequestBody Asked asked, Principal who) {
    return store.agree(id, asked.version(), text(asked), who.getName());
  }

  private static String text(Asked asked) {
    String standards = CoreJson.textOf(asked.standards());
    if (standards == null || standards.length() > LONGEST)
      throw new Problem(
          HttpStatus.BAD_REQUEST, "request", "Standards are JSON of at most 200,000 characters.");
    return standards;
  }
}
