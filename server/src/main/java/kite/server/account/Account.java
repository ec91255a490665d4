package kite.server.account;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;

/** Someone who can sign in. What they may do is a role in each production. */
@Entity
public class Account {
  @Id private UUID id;

  /** What they sign in with; stands in journals, and stays. */
  @Column(columnDefinition = "text")
  private String name;

  /** What they are called; "" where that is the name. */
  @Column(columnDefinition = "text")
  private String shown;

  /** "" without one. */
  @Column(columnDefinition = "text")
  private String email;

  @Column(columnDefinition = "text")
  private String passwordHash;

  /** Whether they administer the studio, and so lead every production. */
  private boolean administers;

  /** Since when they cannot sign in any more, or null. */
  private Instant endedAt;

  /** Whether it came with the demonstration, with a password that everybody knows. */
  private boolean demo;

  /** By what the provider of the studio's own sign-in finds it again, or null. */
  @Column(columnDefinition = "text")
  private String subject;

  @Version private int version;

  protected Account() {}

  public Account(UUID id, String name, String passwordHash) {
    this.id = id;
    this.name = name;
    this.passwordHash = passwordHash;
    shown = "";
    email = "";
  }

  /** Made one that administers the studio. */
  public Account administering() {
    administers = true;
    return this;
  }

  /** Made one of the demonstration. */
  public Account ofDemonstration() {
    demo = true;
    return this;
  }

  public UUID id() {
    return id;
  }

  public String name() {
    return name;
  }

  /** What they are called. */
  public String shown() {
    return shown.isEmpty() ? name : shown;
  }

  public String email() {
    return email;
  }

  public String passwordHash() {
    return passwordHash;
  }

  public boolean administers() {
    return administers;
  }

  public Instant endedAt() {
    return endedAt;
  }

  public boolean demo() {
    return demo;
  }

  public String subject() {
    return subject;
  }

  /** Who comes by the studio's own sign-in under this number is signed in as this account. */
  public void comesAs(String newSubject) {
    subject = newSubject;
  }

  public void become(String newShown, String newEmail) {
    shown = newShown;
    email = newEmail;
  }

  public void takePassword(String hash) {
    passwordHash = hash;
  }

  public void administer(boolean does) {
    administers = does;
  }

  /**
   * @param since since when they cannot sign in any more; null when they can
   */
  public void end(Instant since) {
    endedAt = since;
  }
}
