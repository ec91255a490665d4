package kite.server.rights;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.springframework.security.access.prepost.PreAuthorize;

/**
 * Who may ask for an address, as its method says. The names in the expressions are those of the
 * method's parameters.
 */
public final class May {
  private May() {}

  /** Whoever comes, signed in or not. */
  @Target(ElementType.METHOD)
  @Retention(RetentionPolicy.RUNTIME)
  @PreAuthorize("permitAll()")
  public @interface BeAnyone {}

  /** Everybody who has an account. */
  @Target(ElementType.METHOD)
  @Retention(RetentionPolicy.RUNTIME)
  @PreAuthorize("@rights.hasAccount()")
  public @interface HaveAnAccount {}

  /** Whoever administers the studio. */
  @Target(ElementType.METHOD)
  @Retention(RetentionPolicy.RUNTIME)
  @PreAuthorize("@rights.administers()")
  public @interface Administer {}

  /** Guests with a link to the sequence {@code id}, and everybody with a role there. */
  @Target(ElementType.METHOD)
  @Retention(RetentionPolicy.RUNTIME)
  @PreAuthorize("@rights.sequence(#id, 'GUEST')")
  public @interface SeeSequence {}

  @Target(ElementType.METHOD)
  @Retention(RetentionPolicy.RUNTIME)
  @PreAuthorize("@rights.sequence(#id, 'REVIEWER')")
  public @interface LookAtSequence {}

  @Target(ElementType.METHOD)
  @Retention(RetentionPolicy.RUNTIME)
  @PreAuthorize("@rights.sequence(#id, 'ARTIST')")
  public @interface EditSequence {}

  @Target(ElementType.METHOD)
  @Retention(RetentionPolicy.RUNTIME)
  @PreAuthorize("@rights.sequence(#id, 'LEAD')")
  public @interface LeadSequence {}

  /** Artists of the sequence {@code sequence}, for which something is brought in. */
  @Target(ElementType.METHOD)
  @Retention(RetentionPolicy.RUNTIME)
  @PreAuthorize("@rights.sequence(#sequence, 'ARTIST')")
  public @interface BringIn {}

  @Target(ElementType.METHOD)
  @Retention(RetentionPolicy.RUNTIME)
  @PreAuthorize("@rights.production(#id, 'REVIEWER')")
  public @interface LookAtProduction {}

  @Target(ElementType.METHOD)
  @Retention(RetentionPolicy.RUNTIME)
  @PreAuthorize("@rights.production(#id, 'ARTIST')")
  public @interface EditProduction {}

  @Target(ElementType.METHOD)
  @Retention(RetentionPolicy.RUNTIME)
  @PreAuthorize("@rights.production(#id, 'LEAD')")
  public @interface LeadProduction {}

  /** Everybody with a role where the render {@code id} was made. */
  @Target(ElementType.METHOD)
  @Retention(RetentionPolicy.RUNTIME)
  @PreAuthorize("@rights.render(#id)")
  public @interface LookAtRender {}

  /** Whoever sees a production that the asset {@code sha} belongs to. */
  @Target(ElementType.METHOD)
  @Retention(RetentionPolicy.RUNTIME)
  @PreAuthorize("@rights.asset(#sha)")
  public @interface SeeAsset {}
}
