package kite.server.sequence;

import java.security.Principal;
import java.util.List;
import java.util.UUID;
import kite.server.rights.May;
import kite.server.rights.Rights;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Approving cameras and shots, and reopening them. */
@RestController
@RequestMapping("/api/sequences/{id}/approvals")
class ApprovalApi {
  private final Approvals approvals;
  private final Rights rights;

  ApprovalApi(Approvals approvals, Rights rights) {
    this.approvals = approvals;
    this.rights = rights;
  }

  @GetMapping
  @May.SeeSequence
  List<Approvals.Shown> list(@PathVariable UUID id) {
    return approvals.list(id);
  }

  /**
   * @param note what is said with it; may be ""
   */
  record Asked(String note) {}

  @PostMapping("/{entity}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @May.LookAtSequence
  void approve(
      @PathVariable UUID id, @PathVariable String entity, @RequestBody Asked asked, Principal who) {
    approvals.approve(id, entity, asked.note(), who.getName(), rights.roleIn(id));
  }

  @DeleteMapping("/{entity}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @May.LookAtSequence
  void reopen(@PathVariable UUID id, @PathVariable String entity, Principal who) {
    approvals.reopen(id, entity, who.getName(), rights.roleIn(id));
  }
}
