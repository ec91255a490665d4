package kite.server.people;

import java.security.Principal;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import kite.server.Problem;
import kite.server.rights.May;
import kite.server.rights.Rights;
import kite.server.rights.Role;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;

/** The people of a production, and who is invited to it. */
@RestController
@RequestMapping("/api/productions/{id}")
class PeopleApi {
  private final People people;
  private final Coming coming;
  private final Rights rights;

  PeopleApi(People people, Coming coming, Rights rights) {
    this.people = people;
    this.coming = coming;
    this.rights = rights;
  }

  @GetMapping("/people")
  @May.LookAtProduction
  People.All people(@PathVariable UUID id) {
    return people.in(id, rights.productions().get(id).may(Role.LEAD));
  }

  /**
   * @param role {@code lead}, {@code artist} or {@code reviewer}
   */
  record PersonAsked(String name, String role) {}

  /** Gives somebody a role who has an account. */
  @PostMapping("/people")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @May.LeadProduction
  void add(@PathVariable UUID id, @RequestBody PersonAsked asked, Principal who) {
    people.add(id, asked.name(), role(asked.role()), who.getName());
  }

  record RoleAsked(String role) {}

  @PostMapping("/people/{account}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @May.LeadProduction
  void change(
      @PathVariable UUID id,
      @PathVariable UUID account,
      @RequestBody RoleAsked asked,
      Principal who) {
    people.change(id, account, role(asked.role()), who.getName());
  }

  @DeleteMapping("/people/{account}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @May.LeadProduction
  void takeOut(@PathVariable UUID id, @PathVariable UUID account, Principal who) {
    people.takeOut(id, account, who.getName());
  }

  /**
   * @param note for whom it is
   * @param email where the link is sent, too; blank for nowhere
   */
  record InvitationAsked(String role, String note, String email) {}

  /** Makes a link for one person to come by; its secret is told this once. */
  @PostMapping("/invitations")
  @May.LeadProduction
  Coming.Made invite(@PathVariable UUID id, @RequestBody InvitationAsked asked, Principal who) {
    String page = ServletUriComponentsBuilder.fromCurrentContextPath().toUriString() + "/";
    return coming.invite(id, role(asked.role()), asked.note(), asked.email(), page, who.getName());
  }

  @DeleteMapping("/invitations/{invitation}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @May.LeadProduction
  void takeBack(@PathVariable UUID id, @PathVariable UUID invitation, Principal who) {
    coming.takeBack(id, invitation, who.getName());
  }

  /** A role that somebody with an account can have. */
  private static Role role(String text) {
    List<Role> all = List.of(Role.LEAD, Role.ARTIST, Role.REVIEWER);
    String asked = text == null ? "" : text.toLowerCase(Locale.ROOT);
    return all.stream()
        .filter(r -> r.key().equals(asked))
        .findFirst()
        .orElseThrow(
            () ->
                new Problem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "role",
                    "role",
                    "Somebody is a lead, an artist or a reviewer. Choose one."));
  }
}
