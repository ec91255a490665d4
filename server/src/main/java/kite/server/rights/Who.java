package kite.server.rights;

import java.util.List;
import java.util.UUID;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContextHolder;

/**
 * Somebody with an account, or a guest with a link.
 *
 * @param name of the account; "" for a guest
 * @param link of a guest, or null
 */
public record Who(String name, UUID link) {
  private static final String GUEST = "ROLE_GUEST";

  /** Who asks now. */
  public static Who now() {
    return of(SecurityContextHolder.getContext().getAuthentication());
  }

  public static Who of(Authentication a) {
    boolean guest = a.getAuthorities().stream().anyMatch(g -> GUEST.equals(g.getAuthority()));
    return guest ? new Who("", UUID.fromString(a.getName())) : new Who(a.getName(), null);
  }

  /** How somebody with an account is, for whom something is done without a browser. */
  public static Authentication account(String name) {
    return UsernamePasswordAuthenticationToken.authenticated(name, null, List.of());
  }

  /** How a guest is signed in. */
  public static Authentication guest(UUID link) {
    return UsernamePasswordAuthenticationToken.authenticated(
        link.toString(), null, List.of(new SimpleGrantedAuthority(GUEST)));
  }

  public boolean isGuest() {
    return link != null;
  }
}
