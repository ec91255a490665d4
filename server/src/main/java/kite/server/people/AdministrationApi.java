package kite.server.people;

import java.security.Principal;
import java.util.List;
import java.util.UUID;
import kite.server.rights.May;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The accounts of the studio, for those who administer it. */
@RestController
@RequestMapping("/api/administration/accounts")
class AdministrationApi {
  private final Administration administration;

  AdministrationApi(Administration administration) {
    this.administration = administration;
  }

  @GetMapping
  @May.Administer
  List<Administration.Shown> all() {
    return administration.all();
  }

  record AdministersAsked(boolean administers) {}

  @PostMapping("/{id}/administers")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @May.Administer
  void administer(@PathVariable UUID id, @RequestBody AdministersAsked asked, Principal who) {
    administration.administer(id, asked.administers(), who.getName());
  }

  record EndedAsked(boolean ended) {}

  @PostMapping("/{id}/ended")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @May.Administer
  void end(@PathVariable UUID id, @RequestBody EndedAsked asked, Principal who) {
    administration.end(id, asked.ended(), who.getName());
  }

  /** A link to choose a new password by; its secret is told this once. */
  @PostMapping("/{id}/new-password")
  @May.Administer
  Coming.Made newPassword(@PathVariable UUID id, Principal who) {
    return administration.newPassword(id, who.getName());
  }
}
