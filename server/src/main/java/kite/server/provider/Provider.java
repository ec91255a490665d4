package kite.server.provider;

import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.security.oauth2.client.registration.ClientRegistration;
import org.springframework.security.oauth2.client.registration.ClientRegistrationRepository;
import org.springframework.security.oauth2.client.registration.ClientRegistrations;
import org.springframework.stereotype.Component;

/**
 * The studio's own sign-in. What it says of itself is asked for when it is first needed, so that a
 * start does not wait for it and a provider that is away for a while is found again.
 */
@Component
public class Provider implements ClientRegistrationRepository {
  /** Stands in the addresses that people come back to. */
  static final String ID = "studio";

  /**
   * What is given of it.
   *
   * @param issuer its address; "" where there is none
   * @param client what it knows us as
   * @param secret what it knows us by
   * @param name what people call it
   * @param accounts whether those it lets in may begin accounts of their own
   */
  @ConfigurationProperties("kite.provider")
  record Given(String issuer, String client, String secret, String name, boolean accounts) {}

  private final Given given;
  private volatile ClientRegistration found;

  Provider(Given given) {
    this.given = given;
  }

  public boolean isGiven() {
    return !given.issuer().isBlank();
  }

  /** What people call it; null where there is none. */
  public String shown() {
    return isGiven() ? given.name() : null;
  }

  boolean beginsAccounts() {
    return given.accounts();
  }

  /**
   * @throws RuntimeException where it cannot be asked
   */
  @Override
  public ClientRegistration findByRegistrationId(String id) {
    if (!ID.equals(id) || !isGiven()) return null;
    ClientRegistration known = found;
    if (known == null)
      found =
          known =
              ClientRegistrations.fromIssuerLocation(given.issuer())
                  .registrationId(ID)
                  .clientId(given.client())
                  .clientSecret(given.secret())
                  .clientName(given.name())
                  .scope("openid", "profile", "email")
                  .redirectUri("{baseUrl}/login/oauth2/code/{registrationId}")
                  .build();
    return known;
  }
}
