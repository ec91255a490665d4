package kite.server.provider;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import kite.server.account.Account;
import kite.server.account.Entering;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.oauth2.client.OAuth2AuthorizedClient;
import org.springframework.security.oauth2.client.web.DefaultOAuth2AuthorizationRequestResolver;
import org.springframework.security.oauth2.client.web.OAuth2AuthorizationRequestCustomizers;
import org.springframework.security.oauth2.client.web.OAuth2AuthorizationRequestRedirectFilter;
import org.springframework.security.oauth2.client.web.OAuth2AuthorizedClientRepository;
import org.springframework.security.oauth2.core.oidc.user.OidcUser;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.context.NullSecurityContextRepository;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * The way to the provider and back. The page is told how it went by what stands behind its #, and
 * who came is signed in as the account that is theirs, as by a password.
 */
@Configuration
class ProviderSecurity {
  private static final Logger LOG = LoggerFactory.getLogger(ProviderSecurity.class);
  private static final String THERE = "/oauth2/authorization";

  private final Provider provider;
  private final Arrivals arrivals;
  private final Entering entering;

  ProviderSecurity(Provider provider, Arrivals arrivals, Entering entering) {
    this.provider = provider;
    this.arrivals = arrivals;
    this.entering = entering;
  }

  @Bean
  @Order(1)
  SecurityFilterChain thereAndBack(HttpSecurity http) throws Exception {
    http.securityMatcher(THERE + "/**", AskedCookie.PATH + "/**");
    http.authorizeHttpRequests(a -> a.anyRequest().permitAll());
    if (!provider.isGiven()) return http.build();
    DefaultOAuth2AuthorizationRequestResolver asks =
        new DefaultOAuth2AuthorizationRequestResolver(provider, THERE);
    asks.setAuthorizationRequestCustomizer(OAuth2AuthorizationRequestCustomizers.withPkce());
    http.oauth2Login(
        o ->
            o.clientRegistrationRepository(provider)
                .authorizedClientRepository(new Forgotten())
                .authorizationEndpoint(
                    e ->
                        e.authorizationRequestResolver(asks)
                            .authorizationRequestRepository(new AskedCookie(provider)))
                .securityContextRepository(new NullSecurityContextRepository())
                .successHandler(this::cameBack)
                .failureHandler(
                    (rq, rs, x) -> {
                      LOG.warn("The provider's answer did not let somebody in", x);
                      to("refused=provider", rq, rs);
                    }));
    http.addFilterBefore(new Reached(), OAuth2AuthorizationRequestRedirectFilter.class);
    return http.build();
  }

  private void cameBack(HttpServletRequest rq, HttpServletResponse rs, Authentication who)
      throws IOException {
    SecurityContextHolder.clearContext();
    OidcUser user = (OidcUser) who.getPrincipal();
    Account own = arrivals.known(Arrival.subject(user)).orElse(null);
    if (own == null) {
      if (rq.getSession(false) != null) rq.changeSessionId();
      rq.getSession().setAttribute(ArrivalApi.ARRIVAL, Arrival.of(user));
      to("arrived", rq, rs);
    } else if (own.endedAt() != null) {
      to("refused=ended", rq, rs);
    } else {
      entering.as(own.name(), "by the studio's sign-in", rq, rs);
      to("", rq, rs);
    }
  }

  private static void to(String place, HttpServletRequest rq, HttpServletResponse rs)
      throws IOException {
    rs.sendRedirect(rq.getContextPath() + "/" + (place.isEmpty() ? "" : "#" + place));
  }

  /** Turns back at the door where the provider cannot be asked what it is. */
  private final class Reached extends OncePerRequestFilter {
    @Override
    protected void doFilterInternal(
        HttpServletRequest rq, HttpServletResponse rs, FilterChain chain)
        throws IOException, ServletException {
      try {
        provider.findByRegistrationId(Provider.ID);
      } catch (RuntimeException e) {
        LOG.warn("The provider of the studio's sign-in cannot be asked what it is", e);
        to("refused=provider", rq, rs);
        return;
      }
      chain.doFilter(rq, rs);
    }
  }

  /** The provider's own tokens are of no use here and are kept nowhere. */
  private static final class Forgotten implements OAuth2AuthorizedClientRepository {
    @Override
    public <T extends OAuth2AuthorizedClient> T loadAuthorizedClient(
        String id, Authentication who, HttpServletRequest rq) {
      return null;
    }

    @Override
    public void saveAuthorizedClient(
        OAuth2AuthorizedClient c,
        Authentication who,
        HttpServletRequest rq,
        HttpServletResponse rs) {}

    @Override
    public void removeAuthorizedClient(
        String id, Authentication who, HttpServletRequest rq, HttpServletResponse rs) {}
  }
}
