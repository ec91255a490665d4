package kite.server.account;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.util.UUID;

/** Someone who can sign in. */
@Entity
public class Account {
  /** What someone may do. */
  public enum Role {
    ARTIST,
    REVIEWER
  }

  @Id private UUID id;

  @Column(columnDefinition = "text")
  private String name;

  @Column(columnDefinition = "text")
  private String passwordHash;

  @Enumerated(EnumType.STRING)
  @Column(columnDefinition = "text")
  private Role role;

  /** Whether it came with the demonstration, with a password that everybody knows. */
  private boolean demo;

  @Version private int version;

  protected Account() {}

  public Account(UUID id, String name, String passwordHash, Role role) {
    this(id, name, passwordHash, role, false);
  }

  Account(UUID id, String name, String passwordHash, Role role, boolean demo) {
    this.id = id;
    this.name = name;
    this.passwordHash = passwordHash;
    this.role = role;
    this.demo = demo;
  }

  public String name() {
    return name;
  }

  public String passwordHash() {
    return passwordHash;
  }

  public Role role() {
    return role;
  }

  public boolean demo() {
    return demo;
  }
}
