package kite.server.rights;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import java.io.Serializable;
import java.util.UUID;

/** Somebody's role in a production. */
@Entity
public class Member {
  /** Who, and where. */
  @Embeddable
  public record Key(UUID accountId, UUID productionId) implements Serializable {}

  @EmbeddedId private Key key;

  @Enumerated(EnumType.STRING)
  @Column(columnDefinition = "text")
  private Role role;

  protected Member() {}

  public Member(UUID account, UUID production, Role role) {
    key = new Key(account, production);
    this.role = role;
  }

  public UUID account() {
    return key.accountId();
  }

  public UUID production() {
    return key.productionId();
  }

  public Role role() {
    return role;
  }

  public void become(Role other) {
    role = other;
  }
}
